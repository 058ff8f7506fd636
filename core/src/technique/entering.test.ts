import fc from 'fast-check'
import { expect, test } from 'vitest'
import { numberAnswer, numberTrace } from '../kit/rule.js'
import { decimal, highestPlace, lowestPlace, toText } from '../number/decimal.js'
import { seeded } from '../number/random.js'
import { readProblem } from '../problem/expression.js'
import { answerPlaces } from '../problem/places.js'
import {
  type Problem,
  productOf,
  quotientOf,
  rootOf,
  squareOf,
  sumOf,
  type Term,
} from '../problem/problem.js'
import { draw } from '../problem/space.js'
import { COURSE, techniqueById } from '../registry/techniques.js'
import { variantOf } from './driver.js'
import { typedIn, writtenFromRight, type Zone, zoneOf } from './entering.js'

const ON_RULE = COURSE.filter((t) => t.family !== 'soroban')

function* drawn(count: number): Generator<readonly [technique: (typeof ON_RULE)[number], problem: Problem]> {
  for (const technique of ON_RULE)
    for (const [i, level] of technique.levels.entries()) {
      let left = count
      for (const problem of draw(level.problems(), seeded(i))) {
        yield [technique, problem]
        left -= 1
        if (left === 0) break
      }
    }
}

test('a value typed where a step is written stands as the step leaves it', () => {
  const unplaced = new Set<string>()
  // Whether a step of a kind stands on the line is the same whatever its value, so that nothing is told by it.
  const stands = new Map<string, boolean>()
  for (const [technique, problem] of drawn(30)) {
    const places = answerPlaces(problem)
    for (const step of numberTrace(technique, problem, variantOf(technique)).steps) {
      const zone = zoneOf(step, problem, places)
      const kind = `${technique.id} ${step.action} ${step.total}`
      expect(stands.get(kind) ?? zone !== undefined, `${kind}: ${step.ask}`).toBe(zone !== undefined)
      stands.set(kind, zone !== undefined)
      if (!zone) {
        unplaced.add(step.action)
        continue
      }
      const typed = typedIn(zone, toText(step.expect))!
      // A sum that stands raw over its column spills to the left.
      const text = (cells: typeof typed.cells) =>
        cells.flatMap((c) => [...c.digits].reverse().map((d, i) => `${c.place + i}:${d}`))
      // Of a block that carries, two digits stand.
      const standing = step.action === 'block' ? typed.cells.slice(-2) : typed.cells
      expect(text(step.writes.cells), `${technique.id} ${step.ask}`).toEqual(
        expect.arrayContaining(text(standing)),
      )
    }
  }
  // What is only kept in mind stands nowhere.
  expect([...unplaced].sort()).toEqual([
    'balance',
    'complement',
    'correction',
    'decide',
    'deviation',
    'divisor',
    'double',
    'estimate',
    'halve',
    'net',
    'partial-product',
    'product',
    'quotient',
    'remainder',
    'round',
    'running-total',
    'surplus',
  ])
})

const shaped = fc
  .tuple(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 0, max: 3 }))
  .chain(([whole, decimals]) => {
    const least = 10n ** BigInt(whole + decimals - 1)
    const one = fc
      .bigInt(least, 10n * least - 1n)
      .map((n) => decimal(n - (n % 10n) + (n % 9n) + 1n, decimals))
    return fc.tuple(one, one)
  })
const sign = fc.constantFrom(1 as const, -1 as const)

/** Two problems of one kind whose numbers are of the same lengths. */
const twins: fc.Arbitrary<readonly [Problem, Problem]> = fc.oneof(
  fc.array(fc.tuple(sign, shaped), { minLength: 1, maxLength: 12 }).map((terms) => {
    const sum = (i: 0 | 1): Problem => ({
      kind: 'sum',
      terms: terms.map(([s, sizes], at): Term => ({ sign: at === 0 ? 1 : s, size: sizes[i] })),
    })
    return [sum(0), sum(1)] as const
  }),
  fc.tuple(shaped, shaped).map(([a, b]) => [productOf(a[0], b[0]), productOf(a[1], b[1])] as const),
  fc.tuple(shaped, shaped).map(([a, b]) => [quotientOf(a[0], b[0]), quotientOf(a[1], b[1])] as const),
  shaped.map(([a, b]) => [squareOf(a), squareOf(b)] as const),
  shaped.map(([a, b]) => [rootOf(a), rootOf(b)] as const),
  fc.tuple(shaped, shaped, shaped, sign).map(([a, b, c, s]) => {
    const kind = (i: 0 | 1): Problem => ({
      kind: 'product-sum',
      factors: [a[i], b[i]],
      term: { sign: s, size: c[i] },
    })
    return [kind(0), kind(1)] as const
  }),
)

test('the places laid out hold every answer, and tell nothing but the lengths of the numbers', () => {
  fc.assert(
    fc.property(twins, ([problem, twin]) => {
      const places = answerPlaces(problem)
      expect(answerPlaces(twin)).toEqual(places)
      const answer = numberAnswer(problem)
      expect(highestPlace(answer)).toBeLessThanOrEqual(places.high)
      // A quotient or a root may go on behind the point; how far is told apart.
      if (problem.kind !== 'quotient' && problem.kind !== 'root')
        expect(lowestPlace(answer)).toBeGreaterThanOrEqual(places.low)
    }),
  )
  expect(answerPlaces(sumOf(decimal(58), decimal(36)))).toEqual({ high: 2, low: 0 })
  expect(answerPlaces(rootOf(decimal(225625)), 3)).toEqual({ high: 2, low: -3 })
  expect(answerPlaces(readProblem('16*23+16*27'))).toEqual({ high: 4, low: 0 })
})

test('what is typed stands with its units where they belong; what is no plain number stands apart', () => {
  const whole: Zone = { high: 3, low: -2, units: 0, narrow: false }
  const stands = (zone: Zone, text: string) => {
    const typed = typedIn(zone, text)
    return typed && [typed.negative, typed.point, typed.cells.map((c) => `${c.place}:${c.digits}`).join(' ')]
  }
  expect(stands(whole, '64')).toEqual([false, false, '1:6 0:4'])
  expect(stands(whole, '-6.')).toEqual([true, true, '0:6'])
  expect(stands(whole, '6,45')).toEqual([false, true, '0:6 -1:4 -2:5'])
  expect([stands(whole, '3/8'), stands(whole, '428r4')]).toEqual([undefined, undefined])
  const column: Zone = { high: 1, low: 1, units: 1, narrow: true }
  expect([stands(column, '7'), stands(column, '17'), stands(column, '7.')]).toEqual([
    [false, false, '1:7'],
    [false, false, '1:17'],
    [false, true, '1:7.'],
  ])
})

const fromRight = (id: string, expression: string, school?: Readonly<Record<string, string>>) => {
  const [technique, problem] = [techniqueById(id), readProblem(expression)]
  const done = numberTrace(technique, problem, variantOf(technique, school))
  return writtenFromRight(done, answerPlaces(problem))
}

test('the work goes from the right where the lowest place is written first, and not behind a point', () => {
  expect(fromRight('multiply-crosswise', '23*41')).toBe(true)
  expect(fromRight('add-blocks', '4738+2685')).toBe(true)
  expect(fromRight('add-blocks', '4738.5+2685.5')).toBe(false)
  expect(fromRight('add-running-total', '23+41')).toBe(false)
  expect(fromRight('subtract-complement', '8341-3675')).toBe(false)
  expect(fromRight('divide-short', '2184/6')).toBe(false)
})
