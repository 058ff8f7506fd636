/** Faults put into the steps a technique really yields, to see that the kit finds them. */

import { decimal } from '../number/decimal.js'
import { unmarked } from '../number/marks.js'
import { present } from '../number/present.js'
import type { Random } from '../number/random.js'
import type { Problem } from '../problem/problem.js'
import { asDecimal, sameValue } from '../question/value.js'
import { frameOf, isAbacus, isOnFrame } from '../soroban/step.js'
import type { Slip, Step, Technique, Variant } from '../technique/contract.js'
import { trace } from '../technique/driver.js'
import { falseEquations } from './sentences.js'

/** A way to spoil one step; undefined where it cannot stand. */
type Harm = (step: Step, random: Random) => Partial<Step> | undefined

const EQUATION_END = /= (\d+)(?!.*= \d)/
/** A number of a question that is not one of those that only count. */
const NUMBER = /(?<![\d.\u2009])(?!10*\b)\d+(?![\d.\u2009])/g

const HARMS: Readonly<Record<string, Harm>> = {
  'wrong place lit': (step, random) =>
    step.action === 'say-total' ? undefined : { place: step.place + (random.unit() < 0.5 ? 1 : -1) },
  'line a place off': ({ writes }) =>
    writes.cells.length === 0
      ? undefined
      : { writes: { ...writes, cells: writes.cells.map((c) => ({ ...c, place: c.place + 1 })) } },
  'nothing held': ({ holds }) => (holds.length === 0 ? undefined : { holds: [] }),
  'false remark': (step) => {
    const slips = step.slips()
    const at = slips.findIndex(
      (s) => EQUATION_END.test(unmarked(s.remark)) && falseEquations(s.remark).length === 0,
    )
    if (at < 0) return undefined
    const spoilt = slips.map(
      (s, i): Slip =>
        i === at
          ? { ...s, remark: unmarked(s.remark).replace(EQUATION_END, (_, n) => `= ${BigInt(n) + 1n}`) }
          : s,
    )
    return falseEquations(present(spoilt[at]).remark).length > 0 ? { slips: () => spoilt } : undefined
  },
  'wrong number in the question': ({ ask }, random) => {
    const numbers = [
      ...unmarked(ask)
        .replace(/[Dd]ecimal place \d+/g, '')
        .matchAll(NUMBER),
    ]
    if (numbers.length === 0) return undefined
    const [number] = present(numbers[Number(random.below(BigInt(numbers.length)))])
    const other = BigInt(number) * 3n + 10_000n + random.below(80_000n)
    return {
      ask: unmarked(ask).replace(new RegExp(`(?<![\\d.\\u2009])${number}(?![\\d.\\u2009])`), String(other)),
    }
  },
  'no facts': ({ facts }) => (facts.length === 0 ? undefined : { facts: [] }),
  'a fact missing': ({ facts, action }) =>
    facts.length === 0 || action === 'beads' ? undefined : { facts: facts.slice(1) },
  'a carry too many': (step) => ({ carries: step.carries + 1 }),
  'draft flag lost': ({ writes }) =>
    writes.cells.some((c) => c.draft)
      ? { writes: { ...writes, cells: writes.cells.map((c) => ({ ...c, draft: false })) } }
      : undefined,
}

export const FAULTS = [...Object.keys(HARMS), 'entry ignored', 'frame too narrow'] as const

/** The technique with one fault at a random step of this problem; undefined where the fault cannot stand in it. */
export function spoilt(
  technique: Technique,
  problem: Problem,
  variant: Variant,
  fault: string,
  random: Random,
): Technique | undefined {
  const { steps } = trace(technique, problem, variant)
  if (fault === 'frame too narrow') return narrowed(technique, problem, steps)
  const harm = HARMS[fault]
  const able = steps.flatMap((step, i) => {
    const change = harm ? harm(step, random) : ignoring(step, i, steps)
    return change ? [{ i, change }] : []
  })
  if (able.length === 0) return undefined
  const { i, change } = present(able[Number(random.below(BigInt(able.length)))])
  return {
    ...technique,
    *work(given, variant) {
      const work = technique.work(given, variant)
      let state = work.next()
      for (let k = 0; !state.done; k += 1) {
        const asked = k === i && harm ? changed(state.value, change as Partial<Step>) : state.value
        const entry = yield asked
        state = work.next(k === i && !harm ? state.value.expect : entry)
      }
      return state.value
    },
  }
}

function changed(step: Step, change: Partial<Step>): Step {
  const own = Object.entries(change).map(([key, value]) => [key, { value, enumerable: true }])
  return Object.create(step, Object.fromEntries(own))
}

/** An entry can be ignored where there is a wrong one, and something follows from it. */
function ignoring(step: Step, i: number, steps: readonly Step[]): true | undefined {
  const wrong = step.slips().some((s) => !sameValue(s.entry, step.expect))
  return wrong && !(i === steps.length - 1 && step.action === 'remainder') ? true : undefined
}

function narrowed(technique: Technique, problem: Problem, steps: readonly Step[]): Technique | undefined {
  const frame = frameOf(technique, problem)
  if (!isAbacus(technique) || !frame) return undefined
  const largest = steps
    .filter(isOnFrame)
    .flatMap(({ expect }) => asDecimal(expect) ?? [])
    .reduce((most, n) => (n.units > most.units ? n : most), decimal(0))
  const needed = largest.units.toString().length - largest.scale
  if (largest.units === 0n || needed < 1) return undefined
  const rods = frame.rods.slice(0, needed - 1 + frame.decimals)
  return { ...technique, frame: () => ({ ...frame, rods }) } as Technique
}
