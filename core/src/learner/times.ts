/**
 * Times of one's own: how long each elementary fact, each carry and each kind of step takes this learner.
 *
 * A step's time without its keying is taken as the sum of what it rests on and shared out in proportion to the
 * estimates so far, round after round. An estimate is the median of its shares on a log scale (response times are
 * log-normal: van der Linden 2006, J. Educational and Behavioral Statistics 31), drawn towards the group of its like
 * by as much as their spread says (empirical Bayes shrinkage: Efron and Morris 1975, J. American Statistical
 * Association 70). Medians instead of means keep one interruption from spoiling an estimate.
 */

import { cardOfFact, factById } from '../facts/decks.js'
import { present } from '../number/present.js'
import { median, middleOf } from '../number/statistics.js'
import { valueText } from '../question/value.js'
import { type JudgedEntry, moved, passedOver } from '../session/progress.js'
import type { AttemptRecord, Figures } from '../session/record.js'
import { exerciseOf, IDLE_MS, replayOf } from '../session/verdict.js'
import type { Step } from '../technique/contract.js'
import { type Trace, trace } from '../technique/driver.js'
import { SLOW_FACT } from '../words/report.js'
import { COMMON_KEY_MS, type Recall, type RecallFigures, recallFigures } from './recall.js'

/** A stretch of work that was timed: what it rested on, how many keys it took, how long. */
export interface Timed {
  /** Facts by the id of their card where there is one, so that the drill and longer work speak of the same. */
  readonly facts: readonly string[]
  /** Carries in it. */
  readonly carries: number
  /** The kind of step ('cross-sum'); 'recall' for a fact asked alone. */
  readonly kind: string
  /** Keys that were pressed for it. */
  readonly keys: number
  /** Milliseconds. */
  readonly ms: number
  /** Right at the first try? */
  readonly right: boolean
}

/** A whole problem answered without steps. */
export interface TimedAnswer {
  /** The id of the technique, or of the drill. */
  readonly technique: string
  /** What there was to do in it. */
  readonly work: Workload
  /** The time it took, in milliseconds, keying included. */
  readonly ms: number
}

/** Everything one working asks of the mind and the hand. */
export interface Workload {
  readonly facts: readonly string[]
  readonly carries: number
  readonly kinds: readonly string[]
  readonly keys: number
}

/** A time in milliseconds, with what it rests on. */
export interface Estimate {
  /** Milliseconds, keying not counted. */
  readonly ms: number
  /** Times it was seen. */
  readonly seen: number
  /** How often the step it was in went wrong at the first try. */
  readonly wrong: number
}

/** A learner's own times, for foreseeing what work takes. */
export interface Times {
  /** Steps and recalls it was made from. */
  readonly seen: number
  /** Milliseconds to key a digit. */
  readonly keyMs: number
  /** Milliseconds a carry takes. */
  readonly carryMs: number
  /** The learner's typical fact. */
  readonly factMs: number
  /** Milliseconds each fact takes, by its id. */
  readonly facts: Readonly<Record<string, Estimate>>
  /** Milliseconds a fact of a kind takes, where single ones were not met often enough. */
  readonly kinds: Readonly<Record<string, Estimate>>
  /** Time of whole answers against the sum of their steps, by technique; '' for the learner at large. */
  readonly alone: Readonly<Record<string, number>>
  /** How facts alone come. */
  readonly recall: RecallFigures
}

/** Where nothing is known of a learner yet (common practice: a fact under a second; the rest from it). */
const FIRST = { factMs: 900, carryMs: 500, kindMs: 900, keyMs: COMMON_KEY_MS } as const
/** Fewer steps than this say too little about anybody. */
export const ENOUGH_STEPS = 30
/** A fact is slow over so many times the learner's typical one, seen so often at least. */
export const SLOW_SHARE = 1.5
const SLOW_SEEN = 3
const ROUNDS = 12
/** Bounds on how many sightings the group's estimate weighs as much as. */
const WEIGHT = { least: 1, most: 12 } as const

const idOf = (fact: string) => cardOfFact(fact)?.id ?? fact

function timedStep(step: Step, entry: JudgedEntry): Timed {
  const facts = step.facts.map(idOf)
  const { action: kind, carries } = step
  return { facts, carries, kind, keys: entry.text.length, ms: entry.ms, right: moved(entry) }
}

/**
 * The timed steps of an attempt that was worked in steps: the first try at each that was the learner's own. Steps that
 * were stepped over have no time. Attempts answered without steps give none.
 */
export function timedSteps(record: AttemptRecord): Timed[] {
  if (record.support === 'answer') return []
  const replayed = replayOf(record)
  const [walk] = replayed?.walks ?? []
  if (!replayed || !walk) return []
  const { entries } = replayed
  const steps = [...walk.steps, ...(walk.next ? [walk.next] : [])]
  const counted = entries.filter((e) => !passedOver(e))
  return counted.flatMap((entry, i) => {
    const first = counted.findIndex((e) => e.step === entry.step) === i
    const step = steps[entry.step - 1]
    const own = entry.verdict !== 'given' && entry.took < 2
    return first && own && step && entry.ms > 0 && entry.ms <= IDLE_MS ? [timedStep(step, entry)] : []
  })
}

/** A recall of a fact alone; undefined for one that says nothing of time. */
export function timedRecall({ fact, right, ms }: Recall): Timed | undefined {
  const card = factById(fact)?.card
  const keys = card ? card.kind.length(card.expect) : 1
  return ms > 0 && ms <= IDLE_MS ? { facts: [fact], carries: 0, kind: 'recall', keys, ms, right } : undefined
}

/** What a working asks of mind and hand when only its answer is typed. */
export function workloadOf({ steps, answer }: Trace): Workload {
  return {
    facts: steps.flatMap((s) => s.facts.map(idOf)),
    carries: steps.reduce((sum, s) => sum + s.carries, 0),
    kinds: steps.map((s) => s.action),
    keys: valueText(answer).length,
  }
}

/** A whole attempt answered without steps, right at once and timed; undefined for any other. */
export function timedAnswer(
  record: AttemptRecord & Pick<Figures, 'right' | 'timed' | 'totalMs'>,
): TimedAnswer | undefined {
  if (record.support !== 'answer' || !record.right || !record.timed) return undefined
  const { technique, problem, variant } = exerciseOf(record)
  return { technique: technique.id, work: workloadOf(trace(technique, problem, variant)), ms: record.totalMs }
}

/** The kind of fact, whose estimates are drawn together: "7x8" is a product, "c10:4" a complement. */
function groupOf(unit: string): string {
  const sign = /^[a-z]*\d*[^\d]/.exec(unit)?.[0].replace(/\d/g, '')
  return sign ?? ''
}

/** Units of work: facts by id, carries under '^', kinds of step under '#kind'. */
interface Row {
  readonly ms: number
  readonly right: boolean
  readonly units: readonly string[]
}

const unitsOf = (facts: readonly string[], carries: number, kinds: readonly string[]) => [
  ...facts,
  ...Array<string>(carries).fill('^'),
  ...kinds.map((kind) => `#${kind}`),
]

/**
 * Whole answers tell of the facts in them as well: whoever never asks for steps has slow facts too. They are taken for what
 * their steps would have taken together.
 * @param keyMs time to key one digit as measured by copying; without it a common one is taken.
 * @param recalls of facts alone, newest first
 * @returns estimates for all that was seen; anything else is estimated from its like (see `predictMs`).
 */
export function timesOf(
  steps: readonly Timed[],
  answers: readonly TimedAnswer[] = [],
  keyMs: number = FIRST.keyMs,
  recalls: readonly Recall[] = [],
): Times {
  const own = (ms: number, keys: number) => Math.max(50, ms - keyMs * keys)
  const rows = steps.map(
    ({ facts, carries, kind, keys, ms, right }): Row => ({
      ms: own(ms, keys),
      right,
      units: unitsOf(facts, carries, [kind]),
    }),
  )
  const seen = { seen: rows.length, keyMs, recall: recallFigures(recalls) }
  const asked: Times = { ...seen, ...estimates(rows), alone: {} }
  const alone = aloneOf(asked, answers)
  if (answers.length === 0) return { ...asked, alone }
  const whole = answers.map(
    ({ technique, work: { facts, carries, kinds, keys }, ms }): Row => ({
      ms: own(ms, keys) / present(alone[technique]),
      right: true,
      units: unitsOf(facts, carries, kinds),
    }),
  )
  return { ...seen, ...estimates([...rows, ...whole]), alone }
}

function estimates(rows: readonly Row[]): Pick<Times, 'carryMs' | 'factMs' | 'facts' | 'kinds'> {
  const start = (unit: string) =>
    unit === '^' ? FIRST.carryMs : unit.startsWith('#') ? FIRST.kindMs : FIRST.factMs
  const estimate = new Map<string, number>()
  const seen = new Map<string, { n: number; wrong: number }>()
  for (const { units, right } of rows)
    for (const unit of new Set(units)) {
      estimate.set(unit, start(unit))
      const before = seen.get(unit) ?? { n: 0, wrong: 0 }
      seen.set(unit, { n: before.n + 1, wrong: before.wrong + (right ? 0 : 1) })
    }
  for (let round = 0; round < ROUNDS && rows.length > 0; round += 1) {
    const shares = new Map<string, number[]>([...estimate.keys()].map((u) => [u, []]))
    for (const { ms, units } of rows) {
      const sum = units.reduce((total, u) => total + present(estimate.get(u)), 0)
      for (const u of units) present(shares.get(u)).push(Math.log((ms * present(estimate.get(u))) / sum))
    }
    for (const [unit, ms] of shrunk(shares)) estimate.set(unit, ms)
  }
  const of = (unit: string): Estimate => ({
    ms: Math.round(present(estimate.get(unit))),
    seen: present(seen.get(unit)).n,
    wrong: present(seen.get(unit)).wrong,
  })
  const units = [...estimate.keys()]
  const facts = Object.fromEntries(
    units.filter((u) => u !== '^' && !u.startsWith('#')).map((u) => [u, of(u)]),
  )
  return {
    carryMs: Math.round(estimate.get('^') ?? FIRST.carryMs),
    factMs: median(Object.values(facts).map((f) => f.ms)) ?? FIRST.factMs,
    facts,
    kinds: Object.fromEntries(units.filter((u) => u.startsWith('#')).map((u) => [u.slice(1), of(u)])),
  }
}

/** Medians of the shares drawn towards the median of their group, in milliseconds. */
function shrunk(shares: ReadonlyMap<string, readonly number[]>): [string, number][] {
  const groups = new Map<string, [string, readonly number[]][]>()
  for (const [unit, logs] of shares) {
    const group = unit.startsWith('#') ? '#' : groupOf(unit)
    groups.set(group, [...(groups.get(group) ?? []), [unit, logs]])
  }
  return [...groups.values()].flatMap((members) => {
    const medians = members.map(([, logs]) => middleOf(logs))
    const centre = middleOf(medians)
    const within = members.flatMap(([, logs], i) => logs.map((x) => Math.abs(x - present(medians[i]))))
    const noise = (1.4826 * middleOf(within)) ** 2
    const spread = (1.4826 * middleOf(medians.map((m) => Math.abs(m - centre)))) ** 2
    const weight = Math.min(WEIGHT.most, Math.max(WEIGHT.least, noise / Math.max(spread, 1e-6)))
    return members.map(([unit, logs], i): [string, number] => {
      const n = logs.length
      return [unit, Math.exp((n * present(medians[i]) + weight * centre) / (n + weight))]
    })
  })
}

/** How whole answers compare with the sum of their steps, each technique drawn towards the learner at large. */
function aloneOf(times: Times, answers: readonly TimedAnswer[]): Record<string, number> {
  const ratios = new Map<string, number[]>()
  for (const { technique, work, ms } of answers)
    ratios.set(technique, [...(ratios.get(technique) ?? []), Math.log(ms / sumOf(times, work))])
  const all = [...ratios.values()].flat()
  if (all.length === 0) return {}
  // Five imagined answers that take just the sum keep a handful from saying too much.
  const large = (all.length * middleOf(all)) / (all.length + 5)
  const drawn = [...ratios].map(([technique, logs]): [string, number] => [
    technique,
    Math.exp((logs.length * middleOf(logs) + 5 * large) / (logs.length + 5)),
  ])
  return { ...Object.fromEntries(drawn), '': Math.exp(large) }
}

function sumOf(times: Times, { facts, carries, kinds, keys }: Workload): number {
  const kindMs = middleOf(
    Object.values(times.kinds)
      .map((k) => k.ms)
      .concat(times.seen ? [] : [FIRST.kindMs]),
  )
  return (
    facts.reduce((sum, f) => sum + (times.facts[f]?.ms ?? times.factMs), 0) +
    carries * times.carryMs +
    kinds.reduce((sum, k) => sum + (times.kinds[k]?.ms ?? kindMs), 0) +
    keys * times.keyMs
  )
}

/** How long this working is likely to take the learner when only the answer is typed, in milliseconds. */
export function predictMs(times: Times, technique: string, work: Trace): number {
  return sumOf(times, workloadOf(work)) * (times.alone[technique] ?? times.alone[''] ?? 1)
}

/** Facts that hold the learner up, the slowest first: over 1.5 times the typical one, or wrong one time in four. */
export function slowFacts(times: Times): { readonly fact: string; readonly because: string }[] {
  return Object.entries(times.facts)
    .filter(([fact, f]) => factById(fact) && f.seen >= SLOW_SEEN)
    .filter(([, f]) => f.ms > SLOW_SHARE * times.factMs || f.wrong >= f.seen / 4)
    .sort((a, b) => b[1].ms - a[1].ms)
    .map(([fact, f]) => ({
      fact,
      because:
        f.ms > SLOW_SHARE * times.factMs
          ? SLOW_FACT.slow(f.ms, times.factMs)
          : SLOW_FACT.wrong(f.wrong, f.seen),
    }))
}
