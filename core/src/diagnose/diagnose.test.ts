import { expect, test } from 'vitest'
import { counting } from '../kit/testing.js'
import { decimal, readDecimal } from '../number/decimal.js'
import { readProblem } from '../problem/expression.js'
import { valueText } from '../question/value.js'
import { techniqueById } from '../registry/techniques.js'
import { trace, variantOf } from '../technique/driver.js'
import { diagnose, workingWith } from './diagnose.js'
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
  expect(first!.slips).toMatchObject([{ step: 6, place: 1, id: 'borrow-missed' }])
  expect(ids('subtract-hold-drop', '8341-3675', '4676').at(-1)).toBe('key-digit')
})

test('without a budget nothing is looked for, and it is said so', () => {
  expect(of('add-running-total', '364+278', '534', 0)).toEqual({ right: false, causes: [], complete: false })
})

test('two slips are found when one does not explain the answer', () => {
  // 364+278 with both carries lost: 564, 534, 532.
  expect(ids('add-running-total', '364+278', '532')[0]).toBe('carry-lost and carry-lost')
  // 52-38: not dropped, and the smaller digit taken from the larger.
  expect(ids('subtract-hold-drop', '52-38', '26')[0]).toBe('borrow-missed and smaller-from-larger')
})

test('the search for two slips keeps to its effort and says when it was cut short', () => {
  const long = of('subtract-hold-drop', `${'7'.repeat(30)}-${'38'.repeat(15)}`, '1', 500)
  expect(long).toEqual({ right: false, causes: [], complete: false })
})

test('work is bounded whatever the numbers are, and twice as much finds no less', () => {
  const sum = Array.from({ length: 15 }, (_, i) => '7384659281746352918273'.slice(i % 3, 20)).join('+')
  for (const [id, expression] of [
    ['multiply-crosswise', '73846592*69251374'],
    ['soroban-multiply', '73846592*69251374'],
    ['add-running-total', sum],
    ['add-pairs', sum],
    ['subtract-hold-drop', `${'9'.repeat(30)}-${'38'.repeat(15)}`],
  ] as const) {
    const { technique, asked } = counting(techniqueById(id))
    const problem = readProblem(expression)
    const variant = variantOf(technique)
    const answer = readDecimal('13579')!
    const [small, large] = [2000, 4000].map((most) => {
      const before = asked()
      const found = diagnose(technique, problem, variant, answer, most)
      return { found, steps: asked() - before }
    })
    const whole = trace(technique, problem, variant).steps.length
    // A step costs one at least; the right working and one run over come on top.
    expect(large!.steps, id).toBeLessThan(4000 + 2 * whole)
    expect(small!.steps, id).toBeLessThanOrEqual(large!.steps)
    expect(small!.found.complete, id).toBe(false)
    expect(diagnose(technique, problem, variant, answer, 2000)).toEqual(small!.found)
    // A cause that is found before the end does not make the search complete.
    if (id !== 'multiply-crosswise') continue
    const { steps } = trace(technique, problem, variant)
    const of = (s: (typeof steps)[number]) => s.slips().reduce((sum, slip) => sum + slip.odds, 0)
    const [likeliest] = steps
      .flatMap((s, at) => s.slips().map((slip) => ({ at, slip, share: slip.odds / of(s) })))
      .toSorted((a, b) => b.share - a.share)
    const slipped = trace(technique, problem, variant, (_, i) =>
      i === likeliest!.at ? likeliest!.slip.entry : undefined,
    )
    const cut = diagnose(technique, problem, variant, slipped.answer, 9000)
    expect([cut.causes.length > 0, cut.complete], id).toEqual([true, false])
  }
})

test.each([
  ['4666', '4466', 'key-digit', 2, 'Typed wrong? 4 instead of 6.'],
  ['4267', '4627', 'key-swapped', 2, 'Two digits changed places: 62 instead of 26.'],
  ['4267', '42267', 'key-doubled', 2, 'The 2 was typed twice.'],
  ['4267', '467', 'key-missing', 2, 'A 2 is missing.'],
  ['4267', '42697', 'key-extra', 0, 'There is a 9 too many.'],
  ['42.67', '4.267', 'key-point', 0, 'The digits are right. Check where the point goes.'],
  ['4267', '7624', undefined, 0, ''],
  ['4267', '-4267', undefined, 0, ''],
])('%s entered as %s is %s', (right, entered, id, place, remark) => {
  const slip = keyingSlip(readDecimal(right)!, readDecimal(entered)!)
  expect(slip?.id).toBe(id)
  if (slip) expect(slip).toMatchObject({ place, remark })
})

test.each([
  ['add-running-total', '64+2', '62'],
  ['subtract-blocks', '45-3', '48'],
])('%s, %s answered %s: by another operation, not typed wrong', (id, expression, entered) => {
  const technique = techniqueById(id)
  const answer = readDecimal(entered)!
  const { causes } = diagnose(technique, readProblem(expression), variantOf(technique), answer, 10_000)
  expect(causes.flatMap((c) => c.slips).filter((s) => s.id.startsWith('key-'))).toEqual([])
})

test('the working as it was with the mistakes found: what each value was, where they lead to the answer', () => {
  const technique = techniqueById('add-running-total')
  const problem = readProblem('364+278')
  const variant = variantOf(technique)
  // 534 for 564 + 70 forgets a carry; 542 is what 8 more then makes.
  const [cause] = diagnose(technique, problem, variant, decimal(542), 100).causes
  const own = workingWith(technique, problem, variant, cause!.slips, decimal(542))
  expect(own!.entries.map((e) => Number(valueText(e)))).toEqual([564, 534, 542])
  // Only kept by its id, the first of that name is taken, and has to lead there.
  const kept = cause!.slips.map(({ step, place, id }) => ({ step, place, id }))
  expect(workingWith(technique, problem, variant, kept, decimal(542))?.answer).toEqual(decimal(542))
  expect(workingWith(technique, problem, variant, kept, decimal(543))).toBe(undefined)
})

test('a factor of nothing, which two slips together come to, ends no search', () => {
  const technique = techniqueById('paper-gcf-lcm')
  const problem = readProblem('lcm(8,9)')
  // Nothing known leads there, so everything is tried: also that 8 and 9 are 0 apart, and 0 their common factor.
  const found = diagnose(technique, problem, variantOf(technique), decimal(12_345), 1e9)
  expect(found).toMatchObject({ right: false, causes: [], complete: true })
})
