/** Papers and trials as a simulated learner works them: in order; on a paper skipping what would take too long, until the time is up. */

import type { Random } from '../number/random.js'
import { techniqueById } from '../registry/techniques.js'
import { durationOf } from '../session/events.js'
import type { AttemptRecord } from '../session/record.js'
import { GENERATOR, itemsOf } from '../set/items.js'
import { type PaperSetup, paperRecipe } from '../set/paper.js'
import type { PracticeSet } from '../set/recipe.js'
import { type TrialId, trialRecipe } from '../set/trials.js'
import { simulateAttempt } from './attempt.js'
import type { SimulatedLearner } from './learner.js'

/** How long an item is tried before it is let go, and how long that takes to see: in shares of its fair time. */
const LONGEST_SHARE = 3.5
const SEEN_SHARE = 0.6

/** A set with what was handed in of it. */
type HandedIn = PracticeSet & { readonly id: string; readonly attempts: readonly AttemptRecord[] }

/** What is handed in of one paper. @param id for the session and each attempt, from a repeatable source */
export function simulatePaper(
  learner: SimulatedLearner,
  setup: PaperSetup,
  startedAt: number,
  id: () => string,
): HandedIn {
  const seed = seedFrom(learner.random)
  const set = { recipe: paperRecipe(setup, seed), seed, generator: GENERATOR }
  const sessionId = id()
  const fairMs = setup.ms / setup.count
  const attempts: AttemptRecord[] = []
  let spent = 0
  for (const [i, item] of itemsOf(set).entries()) {
    if (spent >= setup.ms || item?.kind !== 'problem') break
    const { technique, level, problem } = item
    const worked = simulateAttempt(learner, {
      id: id(),
      sessionId,
      n: i + 1,
      technique: techniqueById(technique),
      level,
      support: 'answer',
      problem,
      startedAt: new Date(startedAt + spent).toISOString(),
    })
    const attempt = inTime(worked, fairMs, setup.ms - spent)
    attempts.push(attempt)
    spent += durationOf(attempt.events)
  }
  return { ...set, id: sessionId, attempts }
}

/** What is handed in of one trial: its first answers stand. @param id as `simulatePaper` takes it */
export function simulateTrial(
  learner: SimulatedLearner,
  trial: Exclude<TrialId, 'paper'>,
  startedAt: number,
  id: () => string,
): HandedIn {
  const seed = seedFrom(learner.random)
  const set = { recipe: trialRecipe(trial, seed), seed, generator: GENERATOR }
  const sessionId = id()
  let clock = startedAt
  const attempts = itemsOf(set).map((item, i): AttemptRecord => {
    if (item?.kind !== 'problem') throw new RangeError('A trial asks problems.')
    const worked = simulateAttempt(learner, {
      id: id(),
      sessionId,
      n: i + 1,
      technique: techniqueById(item.technique),
      level: item.level,
      support: 'answer',
      problem: item.problem,
      startedAt: new Date(clock).toISOString(),
    })
    const first = firstAnswer(worked)
    clock += durationOf(first.events) + BETWEEN_MS
    return first
  })
  return { ...set, id: sessionId, attempts }
}

const BETWEEN_MS = 900

/** An attempt up to its first answer, which stands whatever it is. */
function firstAnswer(attempt: AttemptRecord): AttemptRecord {
  const at = attempt.events.findIndex((e) => e.kind === 'entered')
  if (at < 0 || at === attempt.events.length - 1) return attempt
  const events = attempt.events.slice(0, at + 1)
  return { ...attempt, events: [...events, { kind: 'handed-in', at: durationOf(events) }] }
}

/** An attempt as it goes against the clock: let go where it takes too long, and cut off when the time is up. */
function inTime(attempt: AttemptRecord, fairMs: number, leftMs: number): AttemptRecord {
  const shown = attempt.events.slice(0, 1)
  const wanted = durationOf(attempt.events)
  const letGo = wanted > LONGEST_SHARE * fairMs
  const ms = letGo ? Math.round(SEEN_SHARE * fairMs) : wanted
  if (ms >= leftMs) return { ...attempt, events: [...shown, { kind: 'timed-out', at: leftMs }] }
  return letGo ? { ...attempt, events: [...shown, { kind: 'skipped', at: ms }] } : attempt
}

const seedFrom = (random: Random): number => Number(random.below(2n ** 31n))
