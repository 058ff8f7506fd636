import { isDeepStrictEqual } from 'node:util'
import { checkRecipe, type NewSheet, readCode, sheetRecipe } from '@tachymetra/core/set'
import { idSchema, sheetSchema } from '@tachymetra/core/wire'
import { Router } from 'express'
import { checked, found, HttpProblem } from '../problem.js'
import type { Database } from '../store/database.js'
import { addSheet, forgetBatch, sheetBatches, sheetByCode, storedSheet } from '../store/sheets.js'
import { write } from '../store/writes.js'

/** Batches that are listed. */
const MOST_BATCHES = 200

/** Printed sheets. They belong to the room, not to one learner. */
export function sheetRoutes(db: Database): Router {
  const router = Router()

  router.get('/', (_request, response) => {
    response.json(sheetBatches(db, MOST_BATCHES))
  })

  /** In any way the code may be typed. */
  router.get('/:code', (request, response) => {
    response.json(found(sheetByCode(db, readCode(request.params.code) ?? ''), 'sheet'))
  })

  /** Storing a sheet twice stores it once; it never changes. */
  router.put('/:code', async (request, response) => {
    const sheet = checked(sheetSchema, { ...request.body, code: request.params.code }) as NewSheet
    if (!storedSheet(db, sheet.code)) checkRecipe(sheetRecipe(sheet))
    const before = await write(db, (tx) => {
      const stored = storedSheet(tx, sheet.code)
      if (stored && !isDeepStrictEqual(stored, sheet))
        throw new HttpProblem('stored-otherwise', 'Another sheet has this code.')
      if (!stored) addSheet(tx, sheet)
      return stored
    })
    response.status(before ? 200 : 201).json({ code: sheet.code })
  })

  router.delete('/batches/:batch', async (request, response) => {
    const batch = checked(idSchema, request.params.batch)
    await write(db, (tx) => forgetBatch(tx, batch))
    response.json({ batch })
  })

  return router
}
