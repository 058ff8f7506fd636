import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Router } from 'express'
import { backUp, backupName, beforeName, holdings, look, restore } from '../store/backup.js'
import type { Database } from '../store/database.js'

/** Everything in one file, and back from it. */
export function backupRoutes(db: Database, data: string): Router {
  const router = Router()

  router.get('/holdings', (_request, response) => {
    response.json(holdings(db))
  })

  router.get('/backup', async (_request, response) => {
    const folder = mkdtempSync(join(tmpdir(), 'tachymetra-'))
    const name = backupName()
    try {
      await backUp(db, join(folder, name))
      await new Promise<void>((done, fail) =>
        response
          .type('application/octet-stream')
          .download(join(folder, name), name, (error) => (error ? fail(error) : done())),
      )
    } finally {
      rmSync(folder, { recursive: true, force: true })
    }
  })

  /** What a backup holds; nothing is changed. */
  router.post('/restore/look', async (request, response) => {
    response.json(await look(request))
  })

  /** Puts a backup in the place of everything; what was there before stays in the data folder. */
  router.post('/restore', async (request, response) => {
    response.json(await restore(db, request, join(data, beforeName())))
  })

  return router
}
