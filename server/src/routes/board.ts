import { checkPlan } from '@tachymetra/core/set'
import { boardPlanSchema, idSchema, roomCountSchema } from '@tachymetra/core/wire'
import { Router } from 'express'
import { checked, HttpProblem } from '../problem.js'
import { boardPlans, forgetPlan, keepCount, keepPlan, roomCounts } from '../store/board.js'
import type { Database } from '../store/database.js'

/** Plans that are kept, and counts that are told. */
const MOST_PLANS = 200
const MOST_COUNTS = 200

/** The board. It belongs to the room: nothing of it names a learner. */
export function boardRoutes(db: Database): Router {
  const router = Router()

  router.get('/plans', (_request, response) => {
    response.json(boardPlans(db))
  })

  router.put('/plans/:id', (request, response) => {
    const id = checked(idSchema, request.params.id)
    const plan = checked(boardPlanSchema, request.body)
    checkPlan(plan)
    const others = boardPlans(db).filter((p) => p.id !== id)
    if (others.length >= MOST_PLANS) throw new HttpProblem('invalid', `At most ${MOST_PLANS} plans are kept.`)
    if (others.some((p) => p.name === plan.name))
      throw new HttpProblem('name-taken', `There is a plan called ${plan.name} already.`)
    keepPlan(db, id, plan)
    response.json({ id, ...plan })
  })

  router.delete('/plans/:id', (request, response) => {
    const id = checked(idSchema, request.params.id)
    forgetPlan(db, id)
    response.json({ id })
  })

  router.get('/counts', (_request, response) => {
    response.json(roomCounts(db, MOST_COUNTS))
  })

  router.put('/counts/:id', (request, response) => {
    const id = checked(idSchema, request.params.id)
    const count = { id, ...checked(roomCountSchema, request.body) }
    keepCount(db, count)
    response.json(count)
  })

  return router
}
