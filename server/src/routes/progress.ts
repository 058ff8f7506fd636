import { idSchema } from '@tachymetra/core/wire'
import { Router } from 'express'
import { checked, found } from '../problem.js'
import type { Database } from '../store/database.js'
import { learnerById } from '../store/learners.js'
import { progressView, timesView } from '../store/progress.js'

/** What plan and mastery are read from; mounted under /learners. */
export function progressRoutes(db: Database): Router {
  const router = Router()
  const known = (id: unknown) => found(learnerById(db, checked(idSchema, id)), 'learner')

  router.get('/:id/progress', (request, response) => {
    response.json(progressView(db, known(request.params.id), new Date().toISOString()))
  })

  router.get('/:id/times', async (request, response) => {
    response.json(await timesView(db, known(request.params.id).id))
  })

  return router
}
