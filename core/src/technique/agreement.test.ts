import { Decimal as Reference } from 'decimal.js'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { expectWorked, family } from '../kit/agree.js'
import { numberAnswer, numberTrace } from '../kit/rule.js'
import { recognition, slipAtRandom } from '../kit/testing.js'
import { thorough } from '../kit/thorough.js'
import { decimal, isNegative, toText } from '../number/decimal.js'
import { seeded } from '../number/random.js'
import { readProblem } from '../problem/expression.js'
import { type Problem, productOf, rootOf, sumOf } from '../problem/problem.js'
import { meets } from '../question/question.js'
import { valueText } from '../question/value.js'
import { COURSE, TECHNIQUES, techniqueById } from '../registry/techniques.js'
import type { Step, Variant } from './contract.js'
import { momentAfter, trace, variantOf, variantsOf } from './driver.js'
import { lineText } from './line.js'
import { slipAt } from './listening/reading.js'

const Exact = Reference.clone({ precision: 80, rounding: Reference.ROUND_DOWN })

test.each([
  ['square-ending-five', '38.5^2', '1482.25'],
  ['square-ending-five', '3.125^2', '9.765625'],
  ['square-near-base', '108^2', '11664'],
  ['square-round-balance', '68^2', '4624'],
])('%s: %s is %s', (id, expression, want) => {
  const technique = techniqueById(id)
  expect(toText(numberTrace(technique, readProblem(expression), variantOf(technique)).answer)).toBe(want)
})

/** Decimals at which the variant cuts an answer off; a remainder is stated at the dividend's last place. */
function placesAsked(problem: Problem, { rest, decimals }: Variant): number {
  return problem.kind === 'quotient' && rest === 'remainder' ? problem.dividend.scale : Number(decimals ?? 40)
}

test('long work agrees too: every level, variant and size', () => {
  const anyProblem = fc.constantFrom(...COURSE).chain((technique) =>
    fc.constantFrom(...technique.levels.map((l) => l.problems())).chain((space) =>
      fc.record({
        technique: fc.constant(technique),
        problem: fc.bigInt(0n, space.size - 1n).map((i) => space.at(i)),
        variant: fc.constantFrom(...variantsOf(technique)),
      }),
    ),
  )
  fc.assert(
    fc.property(anyProblem, ({ technique, problem, variant }) => {
      const got = new Exact(toText(numberTrace(technique, problem, variant).answer))
      const exact = new Exact(toText(numberAnswer(problem)))
      if (technique.id === 'root-estimate') expect(got.minus(exact).abs().toNumber()).toBeLessThan(0.011)
      else expect(got.toFixed()).toBe(exact.toDecimalPlaces(placesAsked(problem, variant)).toFixed())
    }),
    { numRuns: thorough(3000, 600) },
  )
  const digits = (most: number) => fc.bigInt(1n, 10n ** BigInt(most) - 1n)
  fc.assert(
    fc.property(
      digits(8),
      digits(8),
      (a, b) =>
        expectWorked([techniqueById('multiply-crosswise')], productOf(decimal(a), decimal(b)), decimal(a * b))
          .length === 1,
    ),
    { numRuns: thorough(1000, 200) },
  )
  fc.assert(
    fc.property(digits(30), digits(30), fc.integer({ min: 0, max: 9 }), (a, b, scale) => {
      const [x, y] = [decimal(a, scale), decimal(b)]
      expectWorked(
        family('subtraction'),
        readProblem(`${toText(x)}-${toText(y)}`),
        decimal(a - b * 10n ** BigInt(scale), scale),
      )
    }),
    { numRuns: thorough(1500, 300) },
  )
  fc.assert(
    fc.property(
      fc.array(digits(20), { minLength: 2, maxLength: 8 }),
      fc.integer({ min: 0, max: 6 }),
      (terms, scale) => {
        const problem = sumOf(...terms.map((t) => decimal(t, scale)))
        expectWorked(
          family('addition'),
          problem,
          decimal(
            terms.reduce((x, y) => x + y),
            scale,
          ),
        )
      },
    ),
    { numRuns: thorough(200, 60) },
  )
  fc.assert(
    fc.property(
      digits(12),
      fc.integer({ min: 0, max: 6 }),
      fc.integer({ min: 0, max: 6 }),
      (n, scale, places) => {
        const radicand = decimal(n, scale)
        const technique = techniqueById('root-duplex')
        if (!technique.fits(rootOf(radicand)).fits) return
        const { steps, answer } = numberTrace(technique, rootOf(radicand), { decimals: String(places) })
        expect(toText(answer)).toBe(new Exact(toText(radicand)).sqrt().toDecimalPlaces(places).toString())
        expect(steps.filter((s) => isNegative(s.expect))).toEqual([])
      },
    ),
    { numRuns: thorough(1500, 300) },
  )
})

// Decimal expansions of roots as printed in tables since Barlow's (1814); values from memory.
test.each([
  ['2', '1.414213'],
  ['3', '1.732050'],
  ['5', '2.236067'],
  ['10', '3.162277'],
  ['0.25', undefined],
  ['1234321', '1111'],
])('the root of %s is %s', (radicand, root) => {
  const technique = techniqueById('root-duplex')
  const problem = readProblem(`sqrt(${radicand})`)
  if (!root)
    expect(technique.fits(problem)).toMatchObject({
      fits: false,
      because: expect.stringContaining('below 1'),
    })
  else expect(toText(numberTrace(technique, problem, { decimals: '6' }).answer)).toBe(root.replace(/0+$/, ''))
})

test('what a step says does not change while the working goes on', () => {
  const random = seeded(43)
  const said = (step: Step) =>
    JSON.stringify([step.ask, step.why, step.writes, step.holds, step.facts, step.carries], (_, v) =>
      typeof v === 'bigint' ? String(v) : v,
    )
  for (const technique of TECHNIQUES)
    for (let i = 0; i < 25; i += 1) {
      const { problem, variant } = slipAtRandom(technique, random)
      const work = technique.work(problem, variant)
      const steps: [Step, string][] = []
      for (let state = work.next(); !state.done; state = work.next(state.value.expect))
        steps.push([state.value, said(state.value)])
      for (const [step, first] of steps) expect(said(step), technique.id).toBe(first)
    }
})

test('a valid value is never called a slip, and every slip has a remark of its own', () => {
  const random = seeded(41)
  for (const technique of TECHNIQUES)
    for (let i = 0; i < 25; i += 1) {
      const { problem, variant } = slipAtRandom(technique, random)
      for (const step of trace(technique, problem, variant).steps) {
        expect(meets(step, step.expect)).toBe(true)
        const slips = step.slips()
        // Nothing a teacher says is a slip; only both digits of a total are one when they are left standing.
        const right = slips.filter((s) => meets(step, s.entry))
        expect(right.filter((s) => s.id !== 'both-digits-written')).toEqual([])
        expect(new Set(slips.map((s) => valueText(s.entry))).size).toBe(slips.length)
        for (const slip of slips) {
          expect(slipAt(step, slip.entry)?.id).toBe(slip.id)
          expect(`${slip.id}: ${slip.remark}`).toMatch(/^[a-z-]+: [A-Z0-9−].*\.$/)
        }
      }
    }
})

test('however many slips are made, the working goes on from what was entered and comes to an end', () => {
  const random = seeded(77)
  for (const technique of TECHNIQUES)
    for (let i = 0; i < 30; i += 1) {
      const { problem, variant } = slipAtRandom(technique, random)
      const right = trace(technique, problem, variant)
      const { steps, entries } = trace(technique, problem, variant, (step) => {
        const slips = step.slips()
        return random.unit() < 0.6 ? slips[Math.floor(random.unit() * slips.length)]?.entry : undefined
      })
      expect(steps.length).toBeLessThanOrEqual(3 * right.steps.length + 10)
      for (const [n, step] of steps.entries()) {
        const { writes, holds } = momentAfter(step, entries[n]!)
        for (const text of [step.ask, step.why, lineText(writes, 3, -3), ...holds.map((h) => h.what)])
          expect(text).not.toMatch(/undefined|null|NaN|\[object|^$/)
      }
    }
})

// Of three or six orders to choose from several mistakes lead to each.
test.each(TECHNIQUES.filter((t) => t.id !== 'paper-compare').map((t) => [t.id, t] as const))(
  '%s: one slip is recognised from the answer',
  (_, technique) => {
    const { first, firstThree } = recognition(technique, 150, 7)
    expect(first).toBeGreaterThanOrEqual(0.8)
    expect(firstThree).toBeGreaterThanOrEqual(0.97)
  },
)
