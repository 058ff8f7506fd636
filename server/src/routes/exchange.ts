import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import {
  csvHead,
  csvRows,
  dataPackage,
  factsHead,
  factsRows,
  levelsHead,
  levelsRows,
  statementOf,
  TABLES,
} from '@tachymetra/core/exchange'
import { broughtInSchema, factsInSchema, takenOutSchema } from '@tachymetra/core/wire'
import { type Response, Router } from 'express'
import { checked } from '../problem.js'
import type { Database } from '../store/database.js'
import {
  allAttempts,
  allMoves,
  allRecalls,
  bringIn,
  bringInFacts,
  type Taken,
  takeOut,
  takeOutFacts,
} from '../store/exchange.js'
import type { Judge } from '../work/judge.js'
import { learnersOf } from './known.js'

/** A learner's attempts in open formats, out and in; mounted under /learners. */
export function exchangeRoutes(db: Database, judge: Judge): Router {
  const router = Router()
  giveOut(router, db)
  takeIn(router, db, judge)
  return router
}

function giveOut(router: Router, db: Database): void {
  const known = learnersOf(db)

  router.get('/:id/attempts.csv', async (request, response) => {
    const { id, name } = known(request.params.id)
    await download(response, CSV, fileName('attempts', name, 'csv'), function* () {
      yield csvHead()
      for (const taken of allAttempts(db, id)) yield csvRows(taken.map(withVerdict), name)
    })
  })

  /** Every recall of a fact. */
  router.get('/:id/facts.csv', async (request, response) => {
    const { id, name } = known(request.params.id)
    await download(response, CSV, fileName('facts', name, 'csv'), function* () {
      yield factsHead()
      for (const recalls of allRecalls(db, id)) yield factsRows(recalls, name)
    })
  })

  /** Every move of a level. */
  router.get('/:id/levels.csv', async (request, response) => {
    const { id, name } = known(request.params.id)
    await download(response, CSV, fileName('levels', name, 'csv'), function* () {
      yield levelsHead()
      yield levelsRows(allMoves(db, id), name)
    })
  })

  /** What the tables hold, column by column, for programs. */
  router.get('/:id/datapackage.json', async (request, response) => {
    const { name } = known(request.params.id)
    const files = TABLES.map((table) => fileName(table, name, 'csv'))
    response.attachment('datapackage.json').json(dataPackage(name, today(), files))
  })

  router.get('/:id/statements.json', async (request, response) => {
    const { id, name } = known(request.params.id)
    await download(response, 'application/json', fileName('learning records', name, 'json'), function* () {
      let before = '[\n'
      for (const taken of allAttempts(db, id)) {
        yield before + taken.map(({ attempt }) => JSON.stringify(statementOf(attempt))).join(',\n')
        before = ',\n'
      }
      yield before === '[\n' ? '[]\n' : '\n]\n'
    })
  })
}

function takeIn(router: Router, db: Database, judge: Judge): void {
  const known = learnersOf(db)

  router.post('/:id/attempts', async (request, response) => {
    const { id } = known(request.params.id)
    response.json(await bringIn(db, judge, id, checked(broughtInSchema, request.body)))
  })

  /** Takes out again what was brought in. */
  router.delete('/:id/attempts', async (request, response) => {
    const learner = known(request.params.id)
    const { ids } = checked(takenOutSchema, request.body)
    response.json({ taken: await takeOut(db, learner, ids) })
  })

  router.post('/:id/facts', async (request, response) => {
    const learner = known(request.params.id)
    response.json(await bringInFacts(db, learner, checked(factsInSchema, request.body).rows))
  })

  router.delete('/:id/facts', async (request, response) => {
    const learner = known(request.params.id)
    const { ids } = checked(takenOutSchema, request.body)
    response.json({ taken: await takeOutFacts(db, learner, ids) })
  })
}

/** An attempt as a row, with what the judge said of each entry. */
const withVerdict = ({ attempt, session }: Taken) => ({
  session,
  attempt,
  verdict: {
    ...attempt,
    slips: attempt.entries.flatMap((e) => e.slips.map((s) => s.id)),
    verdicts: attempt.entries.map((e) => e.verdict),
  },
})

const CSV = 'text/csv; charset=utf-8; header=present'

const today = () => new Date().toISOString().slice(0, 10)

/** "attempts of Tobin Achter, 2026-11-26.csv": whose, and of when. */
const fileName = (what: string, name: string, ending: string) => `${what} of ${name}, ${today()}.${ending}`

/** Sends pieces as they are made, as fast as they are taken. */
async function download(
  response: Response,
  type: string,
  name: string,
  pieces: () => Generator<string>,
): Promise<void> {
  response.set('Content-Type', type).attachment(name)
  await pipeline(Readable.from(oneAtATime(pieces())), response)
}

/** Others are served between two pieces, however fast they are taken. */
async function* oneAtATime(pieces: Generator<string>): AsyncGenerator<string> {
  for (const piece of pieces) {
    yield piece
    await new Promise(setImmediate)
  }
}
