import { Router } from 'express'
import { HttpProblem } from '../problem.js'
import { demoIds } from '../store/demo.js'
import { type Erasing, erase } from '../store/erase.js'
import { allChanged } from '../store/kept.js'
import { allLearners } from '../store/learners.js'
import { whileNobodyWrites } from '../store/writes.js'
import type { Chores } from '../work/chores.js'

/** The invented learners: to look around with where nobody is yet, and gone again with one word. */
export function demoRoutes(erasing: Erasing & { readonly file: string; readonly chores: Chores }): Router {
  const { db, file, chores } = erasing
  const router = Router()

  router.post('/', async (_request, response) => {
    const refused = new HttpProblem('not-empty', 'The demo can be loaded only while nobody is here.')
    if (allLearners(db).length > 0) throw refused
    const today = new Date().toISOString().slice(0, 10)
    const attempts = await chores.fillWithDemo(file, today, (work) => whileNobodyWrites(db, work))
    // Somebody may have come while it waited its turn.
    if (attempts === 0) throw refused
    allChanged(db)
    response.status(201).json({ attempts })
  })

  router.delete('/', async (_request, response) => {
    const ids = demoIds(db)
    for (const id of ids) await erase(erasing, id)
    response.json({ ids })
  })

  return router
}
