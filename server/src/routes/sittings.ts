import { checkLevel, techniqueById } from '@tachymetra/core/registry'
import { idSchema, sittingStartSchema } from '@tachymetra/core/wire'
import { Router } from 'express'
import { checked, found, HttpProblem } from '../problem.js'
import { attemptsOf } from '../store/attempts.js'
import type { Database } from '../store/database.js'
import { learnerById } from '../store/learners.js'
import { addSitting, sittingById, sittingRow } from '../store/sittings.js'

export function sittingRoutes(db: Database): Router {
  const router = Router()

  router.get('/:id', (request, response) => {
    const sitting = found(sittingById(db, checked(idSchema, request.params.id)), 'sitting')
    response.json({ ...sitting, attempts: attemptsOf(db, sitting.id) })
  })

  /** Announcing a sitting twice stores it once. */
  router.put('/:id', (request, response) => {
    const id = checked(idSchema, request.params.id)
    const start = checked(sittingStartSchema, request.body)
    checkLevel(techniqueById(start.technique), start.level)
    const stored = sittingRow(db, id)
    if (stored) {
      const same = (Object.keys(start) as (keyof typeof start)[]).every((key) => stored[key] === start[key])
      if (!same) throw new HttpProblem(409, 'Another sitting has this id.')
    } else {
      found(learnerById(db, start.learnerId), 'learner')
      addSitting(db, id, start)
    }
    response.status(stored ? 200 : 201).json(sittingById(db, id))
  })

  return router
}
