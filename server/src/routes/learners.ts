import { idSchema, learnerNameSchema, newLearnerSchema } from '@tachymetra/core/wire'
import { Router } from 'express'
import { checked, found, HttpProblem } from '../problem.js'
import { type Erasing, erase } from '../store/erase.js'
import {
  addLearner,
  allLearners,
  isNameTaken,
  learnerById,
  learnerKept,
  removedLearners,
  renameLearner,
  setAside,
  takeBack,
} from '../store/learners.js'
import type { Store } from '../store/prepared.js'
import { write } from '../store/writes.js'
import { learnersOf } from './known.js'

/** Two of one name could not be told apart in any list. @throws HttpProblem where the name is another's */
function free(tx: Store, id: string, name: string): void {
  if (isNameTaken(tx, id, name))
    throw new HttpProblem('name-taken', `${name} is here already. Add a letter to tell them apart.`)
}

export function learnerRoutes(erasing: Erasing): Router {
  const { db } = erasing
  const router = Router()
  const known = learnersOf(db)
  removal(router, erasing)

  router.get('/', (_request, response) => {
    response.json(allLearners(db))
  })

  router.put('/:id', async (request, response) => {
    const given = checked(newLearnerSchema, { ...request.body, id: request.params.id })
    const { added, stored } = await write(db, (tx) => {
      free(tx, given.id, given.name)
      const added = addLearner(tx, given)
      const stored = found(learnerById(tx, given.id), 'learner')
      if (!added && (stored.name !== given.name || stored.timeZone !== given.timeZone))
        throw new HttpProblem('stored-otherwise', 'Another learner has this id.')
      return { added, stored }
    })
    response.status(added ? 201 : 200).json(stored)
  })

  router.patch('/:id', async (request, response) => {
    const { id } = known(request.params.id)
    const { name } = checked(learnerNameSchema, request.body)
    await write(db, (tx) => {
      free(tx, id, name)
      renameLearner(tx, id, name)
    })
    response.json(learnerById(db, id))
  })

  return router
}

/** Out of every list, back again, and erased. */
function removal(router: Router, erasing: Erasing): void {
  const { db } = erasing

  /** Those who were removed and can still be had back. */
  router.get('/removed', (_request, response) => {
    response.json(removedLearners(db))
  })

  /** Takes a learner out of every list. For a while they can be had back; then they are erased. */
  router.put('/:id/removal', async (request, response) => {
    const id = checked(idSchema, request.params.id)
    found(learnerKept(db, id), 'learner')
    await write(db, (tx) => setAside(tx, id, new Date().toISOString()))
    response.json(removedLearners(db).find((r) => r.id === id))
  })

  router.delete('/:id/removal', async (request, response) => {
    const { id, name } = found(learnerKept(db, checked(idSchema, request.params.id)), 'learner')
    await write(db, (tx) => {
      free(tx, id, name)
      takeBack(tx, id)
    })
    response.json(learnerById(db, id))
  })

  /** Erases a learner with all that is recorded of them, at once and for good. Twice is no error the second time either. */
  router.delete('/:id', async (request, response) => {
    const id = checked(idSchema, request.params.id)
    await erase(erasing, id)
    response.json({ id })
  })
}
