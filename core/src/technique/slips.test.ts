import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { diagnose } from '../diagnose/diagnose.js'
import { numberTrace } from '../kit/rule.js'
import { add, type Decimal, decimal, digitAt, readDecimal, toText, ZERO } from '../number/decimal.js'
import { readProblem } from '../problem/expression.js'
import type { Problem } from '../problem/problem.js'
import { meets } from '../question/question.js'
import { asDecimal } from '../question/value.js'
import { techniqueById } from '../registry/techniques.js'
import type { Technique } from './contract.js'
import { momentAfter, readAnswerOf, variantOf } from './driver.js'
import { lineText } from './line.js'
import { Walk } from './listening/walks.js'

/** Where entries lead to. */
const walked = (technique: Technique, problem: Problem, entries: readonly Decimal[]) =>
  entries.reduce((walk, entry) => walk.take(entry), Walk.begin(technique, problem, {}))

// The same from the answer alone: what a learner writes who does not show any step.
test.each([
  ['subtract-complement', '8341-3675', '4676', 'borrow-missed'],
  ['multiply-crosswise', '36*52', '1572', 'carry-lost'],
  ['square-near-base', '96^2', '10016', 'gap-wrong-way'],
  ['square-near-base', '88^2', '76144', 'excess-not-carried'],
  ['square-ending-five', '75^2', '4925', 'one-more-forgotten'],
  ['divide-short', '6018/3', '206', 'zero-left-out'],
  ['add-columns-left', '457+386', '7143', 'both-digits-written'],
  ['multiply-crosswise', '36*52', '1782', 'key-swapped'],
])('%s %s answered %s: likeliest %s', (id, expression, answer, slip) => {
  const technique = techniqueById(id)
  const problem = readProblem(expression)
  const variant = variantOf(technique)
  const value = readAnswerOf(technique, problem, variant, answer)!
  const { causes } = diagnose(technique, problem, variant, value)
  expect(causes.flatMap((c) => c.slips.map((s) => s.id))).toContain(slip)
  if (!slip.startsWith('key')) expect(causes[0]!.slips[0].id).toBe(slip)
})

describe('tens first: the order is free', () => {
  const technique = techniqueById('add-pairs')
  const lists = fc.array(fc.integer({ min: 1, max: 999 }), { minLength: 3, maxLength: 12 })

  /** Totals said one after another, with the answers to whether there is a ten before them. */
  const entriesOf = (problem: Problem, totals: readonly Decimal[]): Decimal[] => {
    const entries: Decimal[] = []
    for (const total of totals) {
      const { next } = walked(technique, problem, entries)
      if (next?.action === 'decide') entries.push(asDecimal(next.expect)!)
      entries.push(total)
    }
    return entries
  }

  /** The digits of a list at a place, as a learner sees them. */
  const digitsAt = (terms: readonly number[], place: number) =>
    terms.map((t) => digitAt(decimal(t), place)).filter((d) => d > 0)

  test('any digits left at a place may be added next, and the working goes on to the sum', () => {
    fc.assert(
      fc.property(lists, fc.infiniteStream(fc.nat()), (terms, choices) => {
        const problem = readProblem(terms.join('+'))
        const said: Decimal[] = []
        let total = ZERO
        for (let place = 2; place >= 0; place -= 1) {
          const left = digitsAt(terms, place)
          while (left.length > 0) {
            // One, two or three of what is left, wherever they stand.
            let sum = 0
            for (let n = 1 + (choices.next().value! % 3); n > 0 && left.length > 0; n -= 1)
              sum += left.splice(choices.next().value! % left.length, 1)[0]!
            const entry = add(total, decimal(sum, -place))
            const entries = entriesOf(problem, [...said, entry])
            const { next } = walked(technique, problem, entries.slice(0, -1))
            expect(meets(next!, entry), `${terms.join('+')}: ${entries.map(toText)}`).toBe(true)
            expect(lineText(momentAfter(next!, entry).writes, 0, 0)).toBe(toText(entry))
            said.push(entry)
            total = entry
          }
        }
        expect(walked(technique, problem, entriesOf(problem, said)).answer).toEqual(
          decimal(terms.reduce((a, b) => a + b)),
        )
      }),
      { numRuns: 400 },
    )
  })

  test('what no digits left can make is a slip; tens found are counted against those there are', () => {
    fc.assert(
      fc.property(lists, fc.integer({ min: 1, max: 40 }), (terms, sum) => {
        const { steps } = numberTrace(technique, readProblem(terms.join('+')), {})
        const first = steps.find((s) => s.action === 'add-part')
        const place = first!.place
        const left = digitsAt(terms, place)
        const sums = new Set([0])
        for (const d of left) for (const s of [...sums]) sums.add(s + d)
        expect(meets(first!, decimal(sum, -place))).toBe(sums.has(sum))
      }),
      { numRuns: 400 },
    )
    const tens = (expression: string, ...entries: number[]) =>
      technique.tally!(
        readProblem(expression),
        entriesOf(
          readProblem(expression),
          entries.map((n) => decimal(n)),
        ),
      )
    expect(tens('47+63+28+52', 100, 120, 170, 180, 190)).toMatchObject({ found: 3, of: 3 })
    expect(tens('47+63+28+52', 40, 60, 120, 170, 177, 180, 188, 190)).toMatchObject({ found: 0, of: 3 })
    expect(tens('2+3+5', 10)).toMatchObject({ found: 1, of: 1 })
  })

  test('digits taken by touch come to their total', () => {
    const { steps } = numberTrace(technique, readProblem('47+63+28+52'), {})
    const { picks } = steps[0]!
    expect(picks!.spots).toEqual([
      [0, 1],
      [1, 1],
      [2, 1],
      [3, 1],
    ])
    expect(
      picks!.value([
        [0, 1],
        [3, 1],
      ]),
    ).toEqual(decimal(90))
  })
})

test('an estimate is right to two decimals, better than itself too, and no further off', () => {
  const technique = techniqueById('root-estimate')
  const last = numberTrace(technique, readProblem('sqrt(70)'), variantOf(technique)).steps.at(-1)!
  for (const right of ['8.375', '8.38', '8.37', '8.3666', '8.36666'])
    expect(meets(last, readDecimal(right)!)).toBe(true)
  for (const wrong of ['8.3', '8.4', '8.36', '7.625'])
    expect(meets(last, readDecimal(wrong)!), wrong).toBe(false)
  expect(lineText(momentAfter(last, readDecimal('8.38')!).writes, 0, -2)).toBe('8.38')
})

test('a front and a back stand apart until they are joined, the pad an empty place', () => {
  const lines = (id: string, expression: string) => {
    const technique = techniqueById(id)
    return numberTrace(technique, readProblem(expression), variantOf(technique)).steps.map((s) =>
      lineText(s.writes, 0, 0),
    )
  }
  expect(lines('multiply-complement-repdigit', '91*22')).toEqual(['20|__', '20|_2', '20|02'])
  expect(lines('square-near-base', '88^2')).toEqual(['_', '76|__', '76|_(144)', '77|44'])
  expect(lines('add-column-totals', '68+97+55')).toEqual(['(20)_', '(20)_', '(20)(20)', '220'])
  expect(lines('multiply-crosswise', '36*52')).toEqual(['(12)', '2', '(36)2', '72', '(15)72', '1872'])
})
