import { factById } from '@tachymetra/core/facts'
import { judgeRecall, recallLimit } from '@tachymetra/core/learner'
import { recallSchema } from '@tachymetra/core/wire'
import { Router } from 'express'
import { checked, found, HttpProblem } from '../problem.js'
import type { Database } from '../store/database.js'
import { addRecall, recallById } from '../store/facts.js'
import { learnerKept } from '../store/learners.js'
import { itemsOfSession, sessionHead } from '../store/sessions.js'
import { settingsOf } from '../store/settings.js'
import { isTakenFrom, takenAt } from '../store/times.js'
import { write } from '../store/writes.js'

export function recallRoutes(db: Database): Router {
  const router = Router()

  /** Sending a recall twice stores it once. It is judged here, whatever the sender thinks. */
  router.put('/:id', async (request, response) => {
    const sent = checked(recallSchema, { ...request.body, id: request.params.id })
    const recall = { ...sent, at: takenAt(sent.at) }
    found(learnerKept(db, recall.learnerId), 'learner')
    const { id, learnerId, judge, fact, sessionId = null, n = null } = recall
    if (sessionId !== null) {
      const session = found(sessionHead(db, sessionId), 'session')
      const item = itemsOfSession(db, session)?.[n! - 1]
      if (session.learnerId !== learnerId || item?.kind !== 'fact' || item.card.id !== fact)
        throw new HttpProblem('not-in-set', `The recall is not of item ${n} of its set.`)
    }
    const deck = factById(fact)?.deck
    const usual = deck ? recallLimit(deck, settingsOf(db, learnerId)) : null
    const judged = judgeRecall({
      ...recall,
      withinMs: recall.withinMs === undefined ? usual : recall.withinMs,
    })
    const stored = await write(db, (tx) => {
      const before = recallById(tx, id)
      if (
        before &&
        (before.fact !== fact || before.learnerId !== learnerId || !isTakenFrom(before.at, sent.at))
      )
        throw new HttpProblem('stored-otherwise', 'Another recall has this id.')
      if (before) return true
      // Both may have been removed meanwhile.
      found(learnerKept(tx, learnerId), 'learner')
      if (sessionId !== null) found(sessionHead(tx, sessionId), 'session')
      addRecall(tx, { id, learnerId, judge, sessionId, n, ...judged })
      return false
    })
    response.status(stored ? 200 : 201).json({ id })
  })

  return router
}
