import { expect, test } from 'vitest'
import { readProblem } from '../problem/expression.js'
import { techniqueById } from '../registry/techniques.js'
import { variantOf } from '../technique/driver.js'
import { reduceEvents } from './reduce.js'

const verdicts = (id: string, expression: string, entries: readonly string[]) => {
  const technique = techniqueById(id)
  const task = {
    technique,
    variant: variantOf(technique),
    level: 1,
    support: 'guided' as const,
    problem: readProblem(expression),
  }
  const events = entries.map((text, i) => ({ kind: 'entered' as const, at: 1000 * (i + 1), text }))
  return reduceEvents(task, events).entries.map((e) => `${e.text} ${e.as ?? e.verdict}`)
}

test('ways may be mixed within one product: what is right on the way by another counts as nothing', () => {
  // Rounded up to 50 × 23, which is worked by parts: 50 × 20, 50 × 3.
  expect(verdicts('multiply-subtraction', '48*23', ['50', '1000', '150', '1150', '2', '46', '1104'])).toEqual(
    ['50 right', '1000 so-far', '150 so-far', '1150 right', '2 right', '46 right', '1104 right'],
  )
  // By parts, the first of them by a rounder number: 30 × 30 less 30 × 3.
  expect(verdicts('multiply-addition', '34*27', ['900', '810', '108', '918'])).toEqual([
    '900 so-far',
    '810 right',
    '108 right',
    '918 right',
  ])
  // Half of 38 × 30, to be doubled.
  expect(verdicts('multiply-addition', '38*35', ['570', '1140']).slice(0, 1)).toEqual(['570 so-far'])
  // A mistake with a name of its own is told: 24 and 24 is not 24 × 24.
  expect(verdicts('square-near-base', '76^2', ['24', '52', '48'])).toEqual([
    '24 right',
    '52 right',
    '48 slip',
  ])
  // What is on no way is wrong.
  expect(verdicts('multiply-subtraction', '48*23', ['50', '1010'])).toEqual(['50 right', '1010 wrong'])
})
