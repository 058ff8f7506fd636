import { LEVEL_RULES, TECHNIQUES } from '@tachymetra/core'
import {
  idSchema,
  latestSchema,
  learnerNameSchema,
  newLearnerSchema,
  pageSchema,
} from '@tachymetra/core/wire'
import { Router } from 'express'
import { checked, found, HttpProblem } from '../problem.js'
import { latestAnswers } from '../store/attempts.js'
import type { Database } from '../store/database.js'
import { factStandings } from '../store/facts.js'
import { addLearner, allLearners, learnerById, removeLearner, renameLearner } from '../store/learners.js'
import { pacePoints, sittingPage, standings } from '../store/sittings.js'

/** The most dots a pace chart is given: the newest ones. */
const MOST_POINTS = 2000

export function learnerRoutes(db: Database): Router {
  const router = Router()
  const known = (id: unknown) => found(learnerById(db, checked(idSchema, id)), 'learner')

  router.get('/', (_request, response) => {
    response.json(allLearners(db))
  })

  router.put('/:id', (request, response) => {
    const given = checked(newLearnerSchema, { ...request.body, id: request.params.id })
    const added = addLearner(db, given)
    const stored = found(learnerById(db, given.id), 'learner')
    if (!added && (stored.name !== given.name || stored.timeZone !== given.timeZone))
      throw new HttpProblem(409, 'Another learner has this id.')
    response.status(added ? 201 : 200).json(stored)
  })

  router.patch('/:id', (request, response) => {
    const { id } = known(request.params.id)
    renameLearner(db, id, checked(learnerNameSchema, request.body).name)
    response.json(learnerById(db, id))
  })

  /** Removes a learner with all that is recorded of them. Removing twice is no error the second time either. */
  router.delete('/:id', (request, response) => {
    const id = checked(idSchema, request.params.id)
    removeLearner(db, id)
    response.json({ id })
  })

  router.get('/:id/standings', (request, response) => {
    const { id } = known(request.params.id)
    response.json(
      standings(
        db,
        id,
        TECHNIQUES.map((t) => t.id),
      ),
    )
  })

  router.get('/:id/sittings', (request, response) => {
    const { id } = known(request.params.id)
    const { before, limit } = checked(pageSchema, request.query, true)
    response.json(sittingPage(db, id, limit, before))
  })

  router.get('/:id/facts', (request, response) => {
    response.json(factStandings(db, known(request.params.id).id))
  })

  /** The latest answers without steps at one level, newest first: what moving up or back is judged by. */
  router.get('/:id/latest', (request, response) => {
    const { id } = known(request.params.id)
    const { technique, level } = checked(latestSchema, request.query, true)
    response.json(latestAnswers(db, id, technique, level, LEVEL_RULES.upOf))
  })

  router.get('/:id/pace', (request, response) => {
    response.json(pacePoints(db, known(request.params.id).id, MOST_POINTS))
  })

  return router
}
