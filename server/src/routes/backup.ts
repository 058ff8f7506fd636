import { createWriteStream } from 'node:fs'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { type Request, Router } from 'express'
import type { Database } from '../store/database.js'
import { backupName, beforePath, holdings, inFolder } from '../store/files/backup.js'
import { limited } from '../store/files/restore.js'
import { allChanged } from '../store/kept.js'
import { whileNobodyWrites } from '../store/writes.js'
import type { Chores } from '../work/chores.js'

/** Largest file that is taken in. */
const MOST_BYTES = 2 ** 30

/** Everything in one file, and back from it. @param file of the database */
export function backupRoutes(db: Database, data: string, file: string, chores: Chores): Router {
  const router = Router()

  router.get('/holdings', (_request, response) => {
    response.json(holdings(db))
  })

  router.get('/backup', async (_request, response) => {
    const name = backupName()
    await inFolder(data, async (folder) => {
      await chores.backUp(file, join(folder, name))
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

  /** Puts what is sent into a file that is gone again afterwards. */
  const taken = <T>(request: Request, use: (packed: string) => Promise<T>) =>
    inFolder(data, async (folder) => {
      const packed = join(folder, 'packed')
      const fits = limited(MOST_BYTES, 'The backup is too large. Nothing was changed.')
      await pipeline(request, fits, createWriteStream(packed, { mode: 0o600 }))
      return use(packed)
    })

  /** What a backup holds; nothing is changed. */
  router.post('/restore/look', async (request, response) => {
    response.json(await taken(request, (packed) => chores.look(packed)))
  })

  /** Puts a backup in the place of everything; what was there before stays in the data folder. */
  router.post('/restore', async (request, response) => {
    const what = (packed: string) => ({ packed, database: file, keep: beforePath(data) })
    const held = await taken(request, (packed) =>
      chores.restore(what(packed), (work) => whileNobodyWrites(db, work)),
    )
    allChanged(db)
    response.json(held)
  })

  return router
}
