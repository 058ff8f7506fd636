import { Router } from 'express'
import type { Database } from '../store/database.js'
import { progressView, timesView } from '../store/progress.js'
import { learnersOf } from './known.js'

/** What plan and mastery are read from; mounted under /learners. */
export function progressRoutes(db: Database): Router {
  const router = Router()
  const known = learnersOf(db)

  router.get('/:id/progress', (request, response) => {
    response.json(progressView(db, known(request.params.id), new Date().toISOString()))
  })

  router.get('/:id/times', async (request, response) => {
    response.json(await timesView(db, known(request.params.id).id))
  })

  return router
}
