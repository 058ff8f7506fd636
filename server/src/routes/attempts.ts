import { isDeepStrictEqual } from 'node:util'
import { attemptSchema, idSchema } from '@tachymetra/core/wire'
import { Router } from 'express'
import { checked, found, HttpProblem } from '../problem.js'
import { type AttemptRow, attemptById, attemptRow, storeAttempt } from '../store/attempts.js'
import type { Database } from '../store/database.js'
import { belongs, sessionHead } from '../store/sessions.js'
import { isTakenFrom, takenAt } from '../store/times.js'
import { write } from '../store/writes.js'
import type { Judge } from '../work/judge.js'

/** What an attempt sent again must agree on with the stored one. */
const SAME = ['sessionId', 'n', 'technique', 'level', 'support', 'expression', 'judge'] as const

const answerOf = ({ id, right, clean, timed }: Pick<AttemptRow, 'id' | 'right' | 'clean' | 'timed'>) => ({
  id,
  right,
  clean,
  timed,
})

export function attemptRoutes(db: Database, judge: Judge): Router {
  const router = Router()

  router.get('/:id', (request, response) => {
    response.json(found(attemptById(db, checked(idSchema, request.params.id)), 'attempt'))
  })

  /** Sending an attempt twice stores it once. Right and wrong are judged here, whatever the sender thinks. */
  router.put('/:id', async (request, response) => {
    const sent = checked(attemptSchema, { ...request.body, id: request.params.id })
    const record = { ...sent, startedAt: takenAt(sent.startedAt) }
    const session = found(sessionHead(db, record.sessionId), 'session')
    if (!belongs(db, session, record.n, record))
      throw new HttpProblem('not-in-set', `The attempt is not at item ${record.n} of its set.`)
    const stored = attemptRow(db, record.id)
    if (
      stored &&
      (SAME.some((key) => stored[key] !== record[key]) ||
        !isTakenFrom(stored.startedAt, sent.startedAt) ||
        !isDeepStrictEqual(stored.events, record.events))
    )
      throw new HttpProblem('stored-otherwise', 'Another attempt has this id.')
    if (stored) {
      response.json(answerOf(stored))
      return
    }
    const verdict = await judge(record)
    const added = await write(db, (tx) => {
      // Its learner may have been removed meanwhile.
      const its = found(sessionHead(tx, record.sessionId), 'session')
      return storeAttempt(tx, record, verdict, its)
    })
    response.status(added ? 201 : 200).json(answerOf({ ...verdict, id: record.id }))
  })

  return router
}
