import { checkPlan } from '@tachymetra/core/set'
import { boardPlanSchema, idSchema, roomCountSchema } from '@tachymetra/core/wire'
import { Router } from 'express'
import { checked, HttpProblem } from '../problem.js'
import { boardPlans, forgetPlan, keepCount, keepPlan, roomCounts } from '../store/board.js'
import type { Database } from '../store/database.js'
import { write } from '../store/writes.js'

/** Plans that are kept, and counts that are told. */
const MOST_PLANS = 200
const MOST_COUNTS = 200

/** The board. It belongs to the room: nothing of it names a learner. */
export function boardRoutes(db: Database): Router {
  const router = Router()

  router.get('/plans', (_request, response) => {
    response.json(boardPlans(db))
  })

  router.put('/plans/:id', async (request, response) => {
    const id = checked(idSchema, request.params.id)
    const plan = checked(boardPlanSchema, request.body)
    checkPlan(plan)
    await write(db, (tx) => {
      const others = boardPlans(tx).filter((p) => p.id !== id)
      if (others.length >= MOST_PLANS)
        throw new HttpProblem('invalid', `At most ${MOST_PLANS} plans are kept.`)
      if (others.some((p) => p.name === plan.name))
        throw new HttpProblem('name-taken', `There is a plan called ${plan.name} already.`)
      keepPlan(tx, id, plan)
    })
    response.json({ id, ...plan })
  })

  router.delete('/plans/:id', async (request, response) => {
    const id = checked(idSchema, request.params.id)
    await write(db, (tx) => forgetPlan(tx, id))
    response.json({ id })
  })

  router.get('/counts', (_request, response) => {
    response.json(roomCounts(db, MOST_COUNTS))
  })

  router.put('/counts/:id', async (request, response) => {
    const id = checked(idSchema, request.params.id)
    const count = { id, ...checked(roomCountSchema, request.body) }
    await write(db, (tx) => keepCount(tx, count))
    response.json(count)
  })

  return router
}
