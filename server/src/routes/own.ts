import { checkOwn } from '@tachymetra/core/set'
import { idSchema, ownSetSchema } from '@tachymetra/core/wire'
import { Router } from 'express'
import { checked, HttpProblem } from '../problem.js'
import type { Database } from '../store/database.js'
import { forgetOwnSet, keepOwnSet, ownerOfSet, ownSets } from '../store/own.js'
import { write } from '../store/writes.js'
import { learnersOf } from './known.js'

/** Problems looked at before others are served again. */
const SLICE = 100
/** Sets one learner may keep. */
const MOST_SETS = 100

/** A learner's own problems; mounted under /learners. */
export function ownRoutes(db: Database): Router {
  const router = Router()
  const known = learnersOf(db)

  router.get('/:id/problem-sets', (request, response) => {
    response.json(ownSets(db, known(request.params.id).id))
  })

  router.put('/:id/problem-sets/:set', async (request, response) => {
    const { id } = known(request.params.id)
    const set = checked(idSchema, request.params.set)
    const given = checked(ownSetSchema, request.body)
    for (const [i, problem] of given.problems.entries()) {
      if (i % SLICE === SLICE - 1) await new Promise(setImmediate)
      checkOwn(problem)
    }
    const owner = await write(db, (tx) => {
      const before = ownerOfSet(tx, set)
      if (before !== undefined && before !== id)
        throw new HttpProblem('stored-otherwise', 'Another learner has a set of this id.')
      const others = ownSets(tx, id).filter((s) => s.id !== set)
      if (others.length >= MOST_SETS)
        throw new HttpProblem('invalid', `A learner keeps at most ${MOST_SETS} sets.`)
      if (others.some((s) => s.name === given.name))
        throw new HttpProblem('name-taken', `There is a set called ${given.name} already.`)
      keepOwnSet(tx, id, set, given)
      return before
    })
    response.status(owner ? 200 : 201).json({ id: set, ...given })
  })

  router.delete('/:id/problem-sets/:set', async (request, response) => {
    const { id } = known(request.params.id)
    const set = checked(idSchema, request.params.set)
    await write(db, (tx) => forgetOwnSet(tx, id, set))
    response.json({ id: set })
  })

  return router
}
