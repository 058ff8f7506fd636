import { Router } from 'express'
import { HttpProblem } from '../problem.js'
import { demoIds, loadDemo } from '../store/demo.js'
import { type Erasing, erase } from '../store/erase.js'
import { allLearners } from '../store/learners.js'

/** The invented learners: to look around with where nobody is yet, and gone again with one word. */
export function demoRoutes(erasing: Erasing): Router {
  const { db } = erasing
  const router = Router()

  router.post('/', (_request, response) => {
    if (allLearners(db).length > 0)
      throw new HttpProblem('not-empty', 'The demo can be loaded only while nobody is here.')
    const attempts = loadDemo(db, new Date().toISOString().slice(0, 10))
    response.status(201).json({ attempts })
  })

  router.delete('/', async (_request, response) => {
    const ids = demoIds(db)
    for (const id of ids) await erase(erasing, id)
    response.json({ ids })
  })

  return router
}
