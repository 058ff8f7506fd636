import { judgeRecall } from '@tachymetra/core/learner'
import { recallSchema } from '@tachymetra/core/wire'
import { Router } from 'express'
import { checked, found, HttpProblem } from '../problem.js'
import type { Database } from '../store/database.js'
import { addRecall, recallById } from '../store/facts.js'
import { learnerById } from '../store/learners.js'

export function recallRoutes(db: Database): Router {
  const router = Router()

  /** Sending a recall twice stores it once. It is judged here, whatever the sender thinks. */
  router.put('/:id', (request, response) => {
    const recall = checked(recallSchema, { ...request.body, id: request.params.id })
    found(learnerById(db, recall.learnerId), 'learner')
    const { id, learnerId, judge } = recall
    const judged = judgeRecall(recall)
    const stored = recallById(db, recall.id)
    if (
      stored &&
      (stored.fact !== recall.fact || stored.learnerId !== recall.learnerId || stored.at !== recall.at)
    )
      throw new HttpProblem(409, 'Another recall has this id.')
    if (!stored) addRecall(db, { id, learnerId, judge, ...judged })
    response.status(stored ? 200 : 201).json({ id })
  })

  return router
}
