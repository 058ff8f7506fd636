import { isDeepStrictEqual } from 'node:util'
import { checkRecipe, GENERATOR } from '@tachymetra/core/set'
import { idSchema, type SessionStart, sessionStartSchema } from '@tachymetra/core/wire'
import { Router } from 'express'
import { checked, found, HttpProblem } from '../problem.js'
import { attemptsOf } from '../store/attempts.js'
import type { Database } from '../store/database.js'
import { learnerKept } from '../store/learners.js'
import { addSession, type SessionRow, sessionById, sessionRow } from '../store/sessions.js'
import { isTakenFrom, takenAt } from '../store/times.js'
import { write } from '../store/writes.js'

/** Is a session announced again? A list that is kept as it is recorded has grown since. */
function isSame(stored: SessionRow, start: SessionStart): boolean {
  const kept = ['learnerId', 'seed', ...(stored.generator === GENERATOR ? ['recipe'] : [])]
  if (!isTakenFrom(stored.startedAt, start.startedAt)) return false
  return (kept as (keyof typeof start)[]).every((key) => isDeepStrictEqual(stored[key], start[key]))
}

export function sessionRoutes(db: Database): Router {
  const router = Router()

  router.get('/:id', (request, response) => {
    const session = found(sessionById(db, checked(idSchema, request.params.id)), 'session')
    response.json({ ...session, attempts: attemptsOf(db, session.id) })
  })

  /** Announcing a session twice stores it once. */
  router.put('/:id', async (request, response) => {
    const id = checked(idSchema, request.params.id)
    const start = checked(sessionStartSchema, request.body)
    if (!sessionRow(db, id)) checkRecipe(start.recipe)
    const stored = await write(db, (tx) => {
      const before = sessionRow(tx, id)
      if (before && !isSame(before, start))
        throw new HttpProblem('stored-otherwise', 'Another session has this id.')
      if (before) return true
      found(learnerKept(tx, start.learnerId), 'learner')
      addSession(tx, id, { ...start, startedAt: takenAt(start.startedAt) })
      return false
    })
    response.status(stored ? 200 : 201).json(sessionById(db, id))
  })

  return router
}
