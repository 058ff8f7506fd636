import { attemptSchema, idSchema } from '@tachymetra/core/wire'
import { Router } from 'express'
import { checked, found, HttpProblem } from '../problem.js'
import { addAttempt, attemptById, attemptRow } from '../store/attempts.js'
import type { Database } from '../store/database.js'
import { sittingRow } from '../store/sittings.js'

/** What an attempt sent again must agree on with the stored one. */
const SAME = ['sittingId', 'n', 'support', 'expression', 'startedAt', 'totalMs', 'outcome'] as const

export function attemptRoutes(db: Database): Router {
  const router = Router()

  router.get('/:id', (request, response) => {
    response.json(found(attemptById(db, checked(idSchema, request.params.id)), 'attempt'))
  })

  /** Sending an attempt twice stores it once. Right and wrong are judged here, whatever the sender thinks. */
  router.put('/:id', (request, response) => {
    const record = checked(attemptSchema, { ...request.body, id: request.params.id })
    const sitting = found(sittingRow(db, record.sittingId), 'sitting')
    if (sitting.technique !== record.technique || sitting.level !== record.level)
      throw new HttpProblem(422, 'The attempt names another technique or level than its sitting.')
    const stored = attemptRow(db, record.id)
    if (stored && SAME.some((key) => stored[key] !== record[key]))
      throw new HttpProblem(409, 'Another attempt has this id.')
    const { right, clean, timed } = stored ?? addAttempt(db, record)
    response.status(stored ? 200 : 201).json({ id: record.id, right, clean, timed })
  })

  return router
}
