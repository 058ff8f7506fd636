/** Which place is lit. */
import {
  type Decimal,
  decimal,
  digitAt,
  highestPlace,
  isZero,
  lowestPlace,
  readDecimal,
  subtract,
} from '../number/decimal.js'
import { unmarked } from '../number/marks.js'
import { placeTitle } from '../number/places.js'
import { isAbacus, isOnFrame } from '../soroban/step.js'
import type { Step, Technique } from '../technique/contract.js'
import type { NumberTrace, Rule } from './rule.js'
import { evaluated } from './sentences.js'

/** The place that a question names at its head: "Tens: 4 + 3". */
function namedPlace(ask: string, places: readonly number[]): number | undefined {
  return places.find((p) => ask.includes(`${placeTitle(p)}: `) || ask.startsWith(`${placeTitle(p)} rod`))
}

/** The place lit is the one the question speaks of. */
export const litPlace: Rule = (step, { right, i, scale, technique }) => {
  const places = Array.from({ length: 60 }, (_, k) => k - 20)
  const named = namedPlace(step.ask, places)
  if (named !== undefined)
    return step.place === named ? undefined : `lit is place ${step.place}, asked for place ${named}`
  const want = unnamedPlace(step, right, i, scale, technique)
  return want === undefined || want === step.place ? undefined : `lit is place ${step.place}, not ${want}`
}

function unnamedPlace(
  step: Step<Decimal>,
  { steps }: NumberTrace,
  i: number,
  scale: number,
  technique: Technique,
): number | undefined {
  // A rod is counted off from the unit rod.
  if (step.action === 'decide' && isAbacus(technique)) return 0
  const total = steps.slice(0, i).findLast((s) => s.total)?.expect ?? decimal(0)
  switch (step.action) {
    case 'add-part':
    case 'take-part': {
      const first = technique.id === 'add-running-total' ? undefined : total
      const part = step.reckons ? partOf(step.reckons) : subtract(step.expect, first ?? total)
      return part && (isZero(part) ? undefined : lowestNonZero(part))
    }
    case 'say-total':
      return undefined
    case 'set':
    case 'read':
      return highestPlace(step.expect)
    case 'beads': {
      const product = evaluated(/(\d+ × \d+)/.exec(unmarked(step.ask))?.[1] ?? '')
      const landed = subtract(step.expect, steps.slice(0, i).findLast(isOnFrame)?.expect ?? decimal(0))
      return product && lowestNonZero(landed) - lowestNonZero(product) + 1
    }
    case 'estimate':
    case 'settle':
      return step.reckons ? steps[i - 1]?.place : undefined
    case 'front':
      return step.writes.back
    case 'block':
    case 'complement':
    case 'write':
      return lowestFresh(step, steps, i)
    default:
      return step.writes.cells.length > 0 ? Math.min(...step.writes.cells.map((c) => c.place)) : scale
  }
}

/** The part that a running total names last: 564 + 70. */
function partOf(reckons: string): Decimal | undefined {
  const part = /[+−] (\S+)$/.exec(reckons)?.[1]
  const first = /^(\S+) \+ .* \+/.exec(reckons)?.[1]
  return readDecimal(first ?? part ?? '')
}

function lowestNonZero(value: Decimal): number {
  let place = lowestPlace(value)
  while (place < highestPlace(value) && digitAt(value, place) === 0) place += 1
  return place
}

/** The lowest place where this step, or the one its block ends with, writes something new. */
function lowestFresh(step: Step, steps: readonly Step[], i: number): number | undefined {
  const before = new Set((steps[i - 1]?.writes.cells ?? []).map((c) => c.place))
  const writing = step.action === 'complement' ? steps[i + 1] : step
  const fresh = writing?.writes.cells.filter((c) => !before.has(c.place)).map((c) => c.place) ?? []
  return fresh.length > 0 ? Math.min(...fresh) : undefined
}
