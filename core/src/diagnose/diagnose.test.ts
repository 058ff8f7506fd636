import { expect, test } from 'vitest'
import { readDecimal } from '../number/decimal.js'
import { readProblem } from '../problem/expression.js'
import { techniqueById } from '../technique/registry.js'
import { diagnose } from './diagnose.js'
import { keyingSlip } from './keying.js'

const of = (by: string, expression: string, answer: string, effort?: number) =>
  diagnose(techniqueById(by), readProblem(expression), {}, readDecimal(answer)!, effort)
const ids = (by: string, expression: string, answer: string) =>
  of(by, expression, answer).causes.map((c) => c.slips.map((s) => s.id).join(' and '))

test('the right answer has no cause, in any spelling of the number', () => {
  expect(of('add-running-total', '1.25+1.75', '3.00')).toEqual({ right: true, causes: [], complete: true })
})

test('one slip: its place and step are named, the keying slip comes last', () => {
  const [first] = of('subtract-hold-drop', '8341-3675', '4676').causes
  expect(first!.slips).toMatchObject([{ step: 6, place: 1, id: 'missed-drop' }])
  expect(ids('subtract-hold-drop', '8341-3675', '4676').at(-1)).toBe('key-digit')
})

test('two slips are found when one does not explain the answer', () => {
  // 364+278 with both carries lost: 564, 534, 532.
  expect(ids('add-running-total', '364+278', '532')[0]).toBe('lost-carry and lost-carry')
  // 52-38: not dropped, and the smaller digit taken from the larger.
  expect(ids('subtract-hold-drop', '52-38', '26')[0]).toBe('missed-drop and smaller-from-larger')
})

test('the search for two slips keeps to its effort and says when it was cut short', () => {
  const long = of('subtract-hold-drop', `${'7'.repeat(30)}-${'38'.repeat(15)}`, '1', 500)
  expect(long).toEqual({ right: false, causes: [], complete: false })
})

test.each([
  ['4666', '4466', 'key-digit', 2],
  ['4267', '4627', 'key-swapped', 2],
  ['4267', '42267', 'key-doubled', 2],
  ['4267', '467', 'key-missing', 2],
  ['4267', '42697', 'key-extra', 0],
  ['42.67', '4.267', 'key-point', 0],
  ['4267', '7624', undefined, 0],
  ['4267', '-4267', undefined, 0],
])('%s entered as %s is %s', (right, entered, id, place) => {
  const slip = keyingSlip(readDecimal(right)!, readDecimal(entered)!)
  expect(slip?.id).toBe(id)
  if (slip) expect(slip.place).toBe(place)
})
