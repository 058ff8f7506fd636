import { isDeepStrictEqual } from 'node:util'
import type { Verdict } from '@tachymetra/core/session'
import { attemptSchema, idSchema } from '@tachymetra/core/wire'
import { Router } from 'express'
import { checked, found, HttpProblem } from '../problem.js'
import { addAttempt, attemptById, attemptRow, judged } from '../store/attempts.js'
import type { Database } from '../store/database.js'
import { belongs, sessionRow } from '../store/sessions.js'

/** What an attempt sent again must agree on with the stored one. */
const SAME = ['sessionId', 'n', 'technique', 'level', 'support', 'expression', 'startedAt', 'judge'] as const

export function attemptRoutes(db: Database): Router {
  const router = Router()

  router.get('/:id', (request, response) => {
    response.json(found(attemptById(db, checked(idSchema, request.params.id)), 'attempt'))
  })

  /** Sending an attempt twice stores it once. Right and wrong are judged here, whatever the sender thinks. */
  router.put('/:id', async (request, response) => {
    const record = checked(attemptSchema, { ...request.body, id: request.params.id })
    const session = found(sessionRow(db, record.sessionId), 'session')
    if (!belongs(session, record.n, record))
      throw new HttpProblem('not-in-set', `The attempt is not at item ${record.n} of its set.`)
    const stored = attemptRow(db, record.id)
    if (
      stored &&
      (SAME.some((key) => stored[key] !== record[key]) || !isDeepStrictEqual(stored.events, record.events))
    )
      throw new HttpProblem('stored-otherwise', 'Another attempt has this id.')
    const verdict = stored ?? (await judged(record))
    // Its learner may have been removed meanwhile.
    found(sessionRow(db, record.sessionId), 'session')
    const added = !stored && addAttempt(db, record, verdict as Verdict)
    const { right, clean, timed } = verdict
    response.status(added ? 201 : 200).json({ id: record.id, right, clean, timed })
  })

  return router
}
