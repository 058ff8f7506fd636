import { isDeepStrictEqual } from 'node:util'
import { checkRecipe, GENERATOR } from '@tachymetra/core/set'
import { idSchema, sessionStartSchema } from '@tachymetra/core/wire'
import { Router } from 'express'
import { checked, found, HttpProblem } from '../problem.js'
import { attemptsOf } from '../store/attempts.js'
import type { Database } from '../store/database.js'
import { learnerKept } from '../store/learners.js'
import { addSession, sessionById, sessionRow } from '../store/sessions.js'

export function sessionRoutes(db: Database): Router {
  const router = Router()

  router.get('/:id', (request, response) => {
    const session = found(sessionById(db, checked(idSchema, request.params.id)), 'session')
    response.json({ ...session, attempts: attemptsOf(db, session.id) })
  })

  /** Announcing a session twice stores it once. */
  router.put('/:id', (request, response) => {
    const id = checked(idSchema, request.params.id)
    const start = checked(sessionStartSchema, request.body)
    const stored = sessionRow(db, id)
    if (stored) {
      // A list that is kept as it is recorded has grown since.
      const kept = ['learnerId', 'startedAt', 'seed', ...(stored.generator === GENERATOR ? ['recipe'] : [])]
      const same = (kept as (keyof typeof start)[]).every((key) => isDeepStrictEqual(stored[key], start[key]))
      if (!same) throw new HttpProblem('stored-otherwise', 'Another session has this id.')
    } else {
      checkRecipe(start.recipe)
      found(learnerKept(db, start.learnerId), 'learner')
      addSession(db, id, start)
    }
    response.status(stored ? 200 : 201).json(sessionById(db, id))
  })

  return router
}
