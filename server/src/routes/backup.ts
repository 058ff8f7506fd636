import { join } from 'node:path'
import { Router } from 'express'
import { backUp, backupName, beforePath, holdings, inFolder, look, restore } from '../store/backup.js'
import type { Database } from '../store/database.js'

/** Everything in one file, and back from it. */
export function backupRoutes(db: Database, data: string): Router {
  const router = Router()

  router.get('/holdings', (_request, response) => {
    response.json(holdings(db))
  })

  router.get('/backup', async (_request, response) => {
    const name = backupName()
    await inFolder(data, async (folder) => {
      await backUp(db, join(folder, name))
      await new Promise<void>((done, fail) =>
        response
          .type('application/octet-stream')
          // The folder it lies in is hidden.
          .download(join(folder, name), name, { dotfiles: 'allow' }, (error) =>
            error ? fail(error) : done(),
          ),
      )
    })
  })

  /** What a backup holds; nothing is changed. */
  router.post('/restore/look', async (request, response) => {
    response.json(await look(request, data))
  })

  /** Puts a backup in the place of everything; what was there before stays in the data folder. */
  router.post('/restore', async (request, response) => {
    response.json(await restore(db, request, beforePath(data)))
  })

  return router
}
