import { settingsSchema } from '@tachymetra/core/wire'
import { Router } from 'express'
import { checked } from '../problem.js'
import type { Database } from '../store/database.js'
import { changeSettings, settingsOf } from '../store/settings.js'
import { write } from '../store/writes.js'
import { learnersOf } from './known.js'

/** What is set for a learner; mounted under /learners. */
export function settingsRoutes(db: Database): Router {
  const router = Router()
  const known = learnersOf(db)

  router.get('/:id/settings', (request, response) => {
    response.json(settingsOf(db, known(request.params.id).id))
  })

  /** Changes the settings that are named and leaves the others, so that two browsers do not undo each other's work. */
  router.patch('/:id/settings', async (request, response) => {
    const { id } = known(request.params.id)
    const change = checked(settingsSchema, request.body)
    response.json(await write(db, (tx) => changeSettings(tx, id, change)))
  })

  return router
}
