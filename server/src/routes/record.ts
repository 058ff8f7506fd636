import { dayAfter, dayIn } from '@tachymetra/core/number'
import { bestsSchema, paceSchema, pageSchema } from '@tachymetra/core/wire'
import { Router } from 'express'
import { checked } from '../problem.js'
import type { Database } from '../store/database.js'
import { daysOf, slipsOf } from '../store/days.js'
import { factStandings } from '../store/facts.js'
import { latestMistakes } from '../store/mistakes.js'
import { bestsOf, pacePoints, practisedBy, sessionPage } from '../store/sessions.js'
import { papersOf, trialsOf } from '../store/worked.js'
import { learnersOf } from './known.js'

/** The most sessions of a technique a pace chart shows: the newest ones. */
const MOST_SESSIONS = 150
/** The most papers that are shown over time: the newest ones. */
const MOST_PAPERS = 60
/** The same of all trials together. */
const MOST_TRIALS = 200
/** The earliest ones, for before and after. */
const FIRST_SESSIONS = 10
/** How far back the days and the slips are shown: half a year, a quarter. */
const DAYS_BACK = 182
const SLIP_DAYS_BACK = 91
/** Mistakes that are shown one by one. */
const LATEST_MISTAKES = 20

/** What a learner has done; mounted under /learners. */
export function recordRoutes(db: Database): Router {
  const router = Router()
  const known = learnersOf(db)
  const back = (timeZone: string, days: number) => dayAfter(dayIn(new Date().toISOString(), timeZone), -days)

  router.get('/:id/sessions', (request, response) => {
    const { id } = known(request.params.id)
    const { before, limit, technique } = checked(pageSchema, request.query, true)
    response.json(sessionPage(db, id, limit, before, technique))
  })

  router.get('/:id/facts', (request, response) => {
    response.json(factStandings(db, known(request.params.id).id))
  })

  router.get('/:id/papers', (request, response) => {
    response.json(papersOf(db, known(request.params.id).id, MOST_PAPERS))
  })

  router.get('/:id/trials', (request, response) => {
    response.json(trialsOf(db, known(request.params.id).id, MOST_TRIALS))
  })

  router.get('/:id/techniques', (request, response) => {
    response.json(practisedBy(db, known(request.params.id).id))
  })

  router.get('/:id/pace', (request, response) => {
    const { id } = known(request.params.id)
    const { technique } = checked(paceSchema, request.query)
    response.json(pacePoints(db, id, technique, MOST_SESSIONS, FIRST_SESSIONS))
  })

  /** The best of one's own, by level and support. */
  router.get('/:id/bests', (request, response) => {
    const { id } = known(request.params.id)
    response.json(bestsOf(db, id, checked(bestsSchema, request.query)))
  })

  router.get('/:id/days', (request, response) => {
    const { id, timeZone } = known(request.params.id)
    response.json(daysOf(db, id, back(timeZone, DAYS_BACK)))
  })

  router.get('/:id/slips', (request, response) => {
    const { id, timeZone } = known(request.params.id)
    response.json(slipsOf(db, id, back(timeZone, SLIP_DAYS_BACK)))
  })

  router.get('/:id/mistakes', (request, response) => {
    response.json(latestMistakes(db, known(request.params.id).id, LATEST_MISTAKES))
  })

  return router
}
