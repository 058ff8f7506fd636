/**
 * Trials: standard sets that never change in kind, so that a best and a median mean something from month to month. Their
 * numbers are set by parameters, not by levels, so that no later level changes them; every run has a seed of its own.
 */
import { middleOf, quantileOf } from '../number/statistics.js'
import type { ParameterValues, Variant } from '../technique/contract.js'
import { TRIAL_WORDS } from '../words/sets.js'
import { type PaperAnswer, paperRecipe, paperScore, USUAL_PAPER } from './paper.js'
import { itemCount, type Recipe } from './recipe.js'

export type TrialId = keyof typeof TRIAL_WORDS

interface Drawn {
  readonly technique: string
  readonly values: ParameterValues
  readonly count: number
  /** How it is worked, where that changes what is asked. */
  readonly variant?: Variant
}

/** What is drawn for each trial; the paper has its own mixture. */
const DRAWN: Readonly<Record<Exclude<TrialId, 'paper'>, Drawn>> = {
  lists: { technique: 'add-pairs', values: { terms: 5, digits: 2 }, count: 10 },
  'products-2x2': { technique: 'multiply-crosswise', values: { first: 2, second: 2 }, count: 20 },
  'products-3x2': { technique: 'multiply-crosswise', values: { first: 3, second: 2 }, count: 10 },
  differences: { technique: 'subtract-complement', values: { minuend: 15, subtrahend: 15 }, count: 5 },
  squares: { technique: 'square-near-base', values: { zeros: 2, least: 1, most: 9 }, count: 10 },
  roots: { technique: 'root-duplex', values: { digits: 2 }, count: 5, variant: { decimals: '2' } },
  frame: { technique: 'soroban-add', values: { terms: 10, digits: 10 }, count: 1 },
  'long-sum': { technique: 'add-column-totals', values: { terms: 10, digits: 10 }, count: 1 },
  'long-products': { technique: 'multiply-crosswise', values: { first: 8, second: 8 }, count: 3 },
  'long-roots': { technique: 'root-duplex', values: { digits: 6 }, count: 5, variant: { decimals: '2' } },
  'long-differences': {
    technique: 'subtract-complement',
    values: { minuend: 20, subtrahend: 20 },
    count: 5,
  },
}

/** A fixed set against the clock, the same for everybody. */
export interface Trial {
  /** Its id, kept in recipes. */
  readonly id: TrialId
  /** Its name, as it is offered. */
  readonly name: string
  /** What it is, in one sentence. */
  readonly about: string
  /** For those who find the others too short. */
  readonly large: boolean
  /** What it is measured in. */
  readonly unit: 'points' | 'a minute'
  /** How its technique is worked, where that changes what is asked. */
  readonly variant: Variant | undefined
}

/** Every trial, the larger ones last. */
export const TRIALS: readonly Trial[] = (Object.keys(TRIAL_WORDS) as TrialId[]).map((id) => {
  const [name, about] = TRIAL_WORDS[id]
  const variant = id === 'paper' ? undefined : DRAWN[id].variant
  return {
    id,
    name,
    about,
    large: id.startsWith('long-'),
    unit: id === 'paper' ? 'points' : 'a minute',
    variant,
  }
})

/** A trial by its id; undefined for none of that id. */
export function trialById(id: string | undefined): Trial | undefined {
  return TRIALS.find((t) => t.id === id)
}

/** The recipe of a trial that begins now. @param seed of a paper, whose list is drawn at once; the others take the set's */
export function trialRecipe(id: TrialId, seed: number): Recipe {
  if (id === 'paper') return { ...paperRecipe(USUAL_PAPER, seed), trial: id }
  const { technique, values, count } = DRAWN[id]
  return {
    sources: [{ kind: 'parameters', technique, values, count }],
    order: 'listed',
    clock: { kind: 'none' },
    support: 'answer',
    answers: 'at-end',
    trial: id,
  }
}

/** Is a recipe made just as its trial is? Extra time may have been given; which items a paper drew is not looked at. */
export function isItsTrial(id: string, recipe: Recipe): boolean {
  const trial = trialById(id)
  if (!trial) return false
  const plain = ({ extraTime: _, ...made }: Recipe) => made
  const list = ({ sources, ...made }: Recipe) =>
    trial.id === 'paper' ? { ...made, count: itemCount({ sources }) } : { ...made, sources }
  return sorted(list(plain(recipe))) === sorted(list(plain(trialRecipe(trial.id, 0))))
}

/** As text, whatever the order of its keys. */
function sorted(value: unknown): string {
  return JSON.stringify(value, (_, inner: unknown) =>
    inner !== null && typeof inner === 'object' && !Array.isArray(inner)
      ? Object.fromEntries(Object.entries(inner).sort(([a], [b]) => (a < b ? -1 : 1)))
      : inner,
  )
}

/** An answer to an item of a trial. */
export interface TimedAnswer extends PaperAnswer {
  /** Time at work on it. */
  readonly ms: number
}

/** What a run of a trial came to. */
export interface TrialResult {
  /** How many items were right. */
  readonly right: number
  /** Of how many. */
  readonly of: number
  /** Time at work on all of it. */
  readonly ms: number
  /** Points of a paper, else right answers a minute. */
  readonly score: number
  /** Was every item worked, or the time of a paper used? Only such runs are compared. */
  readonly whole: boolean
}

/** What a run of a trial comes to; of several answers to one item the last counts. */
export function trialResult(recipe: Recipe, answers: readonly TimedAnswer[]): TrialResult {
  const of = itemCount(recipe)
  const ms = answers.reduce((sum, a) => sum + a.ms, 0)
  if (recipe.paper) {
    const { right, points } = paperScore(recipe, answers)
    return { right, of, ms, score: points, whole: answers.length > 0 }
  }
  const last = new Map(answers.map((a) => [a.n, a]))
  const right = [...last.values()].filter((a) => a.right).length
  const whole = last.size === of && [...last.values()].every((a) => a.outcome !== 'stopped')
  return { right, of, ms, score: perMinute(right, ms), whole }
}

/** Right answers a minute; none where nothing was right. */
export function perMinute(right: number, ms: number): number {
  return right === 0 || ms === 0 ? 0 : (right * 60_000) / ms
}

/** One's own past in a trial. */
export interface TrialStanding {
  /** How many whole runs there were. */
  readonly runs: number
  /** The best score. */
  readonly best: number
  /** The middle score. */
  readonly median: number
  /** Half of the runs lie between these; undefined while there are too few to say. */
  readonly spread: readonly [low: number, high: number] | undefined
}

/** From so many runs on half of them lie somewhere that says something (common practice, no published source). */
const ENOUGH_RUNS = 4

/** @returns undefined where no run was whole */
export function trialStanding(results: readonly TrialResult[]): TrialStanding | undefined {
  const scores = results.filter((r) => r.whole).map((r) => r.score)
  if (scores.length === 0) return undefined
  return {
    runs: scores.length,
    best: Math.max(...scores),
    median: middleOf(scores),
    spread: scores.length < ENOUGH_RUNS ? undefined : [quantileOf(scores, 0.25), quantileOf(scores, 0.75)],
  }
}
