import fc from 'fast-check'
import { expect, test } from 'vitest'
import { numberAnswer } from '../kit/rule.js'
import { decimal, equal } from '../number/decimal.js'
import { marked } from '../number/marks.js'
import { seeded } from '../number/random.js'
import { readProblem } from '../problem/expression.js'
import { isExact } from '../problem/problem.js'
import { draw } from '../problem/space.js'
import { meetsText } from '../question/question.js'
import { TECHNIQUES } from '../registry/techniques.js'
import { type CheckKind, checkQuestions, hasChecks, randomChecking, readChecking } from './checking.js'
import { drillById, practiceName } from './drills.js'
import { fitRemark, randomFit, readFit, TRICKS } from './fits.js'
import { areWaysToChoose, choiceCosts, randomWays, readWays, wayRemark } from './ways.js'

test('does it fit: half fit, each condition is missed as often, and only the right answer is taken', () => {
  for (const { id, conditions } of TRICKS) {
    const seen = new Map<string, number>()
    const random = seeded(11)
    for (let i = 0; i < 400; i += 1) {
      const item = readFit(randomFit(id, random))
      const [question] = item.questions
      const right = item.missed?.id ?? 'fits'
      seen.set(right, (seen.get(right) ?? 0) + 1)
      expect(item.trick.fits(item.problem).fits).toBe(item.missed === undefined)
      const taken = question!.kind.choices!.filter((c) => meetsText(question!, c.id)).map((c) => c.id)
      expect(taken).toEqual([right])
    }
    expect(seen.get('fits')).toBeGreaterThan(150)
    expect(seen.get('fits')).toBeLessThan(250)
    for (const c of conditions) expect(seen.get(c.id), c.id).toBeGreaterThan(120 / conditions.length)
  }
})

test('a wrong answer is told what is missing', () => {
  const heads = readFit('multiply-same-head: 63*57')
  expect(heads.says).toBe('63 × 57: Same head')
  expect(fitRemark(heads, 'fits')).toBe('Same head does not fit: the heads differ: 6 and 5.')
  expect(fitRemark(heads, 'same-head/units')).toBe(
    'It does not fit, but for another reason: the heads are different.',
  )
  expect(fitRemark(readFit('multiply-same-head: 63*67'), 'same-head/units')).toBe(
    'All that is needed is there: Same head fits.',
  )
  expect(() => readFit('multiply-crosswise: 63*67')).toThrow('fits every problem')
  // Misses two things at once: nobody could say which.
  expect(() => readFit('multiply-same-head: 63*52')).toThrow('no problem to ask')
})

test('which way: what needs the least effort is right, and one point more as well', () => {
  const item = readWays('multiply-addition multiply-crosswise multiply-same-head multiply-near-base: 63*67')
  const [question] = item.questions
  expect(question!.kind.choices!.filter((c) => meetsText(question!, c.id)).map((c) => c.id)).toEqual([
    'multiply-same-head',
  ])
  expect(wayRemark(item, 'multiply-near-base')).toMatch(
    /^Near a base takes \d+ points of effort, Same head only \d+\.$/,
  )
  // One point more than the least is as right, two are not.
  const near = readWays('add-running-total add-pairs add-compensation: 398+257')
  expect(near.ways.map((w) => w.effort)).toEqual([9, 8, 7])
  const [choice] = near.questions
  expect(near.ways.map((w) => meetsText(choice!, w.technique.id))).toEqual([false, true, true])
  const twins = readWays('multiply-addition multiply-complement-repdigit: 64*33')
  expect(wayRemark(readWays('multiply-addition multiply-same-head: 64*33'), 'multiply-same-head')).toBe(
    'Same head does not fit: the heads differ: 6 and 3.',
  )
  expect(twins.ways.map((w) => Number.isFinite(w.effort))).toEqual([true, true])
  for (const wrong of [
    'multiply-addition: 63*67',
    'add-pairs subtract-blocks: 63*67',
    'add-pairs add-pairs: 6+7',
  ])
    expect(() => readWays(wrong)).toThrow()
})

test('what a choice costs, by own times', () => {
  const item = readWays('multiply-addition multiply-crosswise multiply-same-head: 63*67')
  expect(choiceCosts(item, 'multiply-addition', [9000, 7000, 4000])).toBe(
    marked('Split and add would cost you about 5.0 s more than Same head.'),
  )
  expect(choiceCosts(item, 'multiply-same-head', [9000, 7000, 4000])).toBe(
    'Same head is the quickest of them for you.',
  )
  // Nothing is known of the learner, or of this way.
  expect(choiceCosts(item, 'multiply-addition', [undefined, undefined, undefined])).toBe(undefined)
  expect(choiceCosts(item, 'multiply-crosswise', [9000, undefined, 4000])).toBe(undefined)
})

test('which way: its own way is among those to choose, with others that tempt', () => {
  const known = [
    'multiply-addition',
    'multiply-same-head',
    'multiply-near-base',
    'square-ending-five',
    'add-pairs',
  ].map((technique) => ({ technique, level: 1 }))
  const random = seeded(3)
  const misfits: number[] = []
  for (let i = 0; i < 200; i += 1) {
    const { ways, problem } = readWays(randomWays(known, random))
    expect(ways.some((w) => w.work)).toBe(true)
    misfits.push(ways.filter((w) => !w.technique.fits(problem).fits).length)
    expect(ways.map((w) => TECHNIQUES.indexOf(w.technique))).toEqual(
      ways.map((w) => TECHNIQUES.indexOf(w.technique)).toSorted((a, b) => a - b),
    )
  }
  expect(misfits.filter((n) => n > 0).length).toBeGreaterThan(100)
  expect(areWaysToChoose(known)).toBe(true)
  expect(areWaysToChoose([{ technique: 'add-pairs' }, { technique: 'multiply-addition' }])).toBe(false)
})

/** Thin spaces as plain ones. */
const plain = (text: string) => text.replaceAll('\u2009', ' ')

/** The digit sum as any schoolbook has it, apart from the code. */
const left = (n: bigint, check: CheckKind) => Number(check === 'nines' ? n % 9n : n % 11n)

test('checking: what is left of each number, and passing just where the difference is a multiple', () => {
  const whole = fc.bigInt({ min: 2n, max: 99_999n })
  fc.assert(
    fc.property(
      whole,
      whole,
      fc.bigInt({ min: 0n, max: 500n }),
      fc.constantFrom<CheckKind>('nines', 'elevens'),
      (a, b, off, check) => {
        const claimed = a * b + off
        const { questions, passes } = checkQuestions(check, readProblem(`${a}*${b}`), decimal(claimed))!
        expect(passes).toBe(off % (check === 'nines' ? 9n : 11n) === 0n)
        const expected = [...new Set([a, b]), claimed].map((n) => String(left(n, check)))
        const asked = [...questions.slice(0, expected.length - 1), questions.at(-2)!]
        expect(asked.map((q) => q.kind.print(q.expect))).toEqual(expected)
      },
    ),
  )
})

test('checking: 9 for 0 and a digit sum on the way are as right; more than the digits make is not', () => {
  const { questions } = checkQuestions('nines', readProblem('4971*18'), decimal(89_478n))!
  const [first, second] = questions
  expect(['3', '12', '21', '30', '2', '4971'].map((t) => meetsText(first!, t))).toEqual([
    true,
    true,
    true,
    false,
    false,
    false,
  ])
  expect(['0', '9', '18'].map((t) => meetsText(second!, t))).toEqual([true, true, false])
  const [elevens] = checkQuestions('elevens', readProblem('4971*18'), decimal(89_478n))!.questions
  // 1 - 7 + 9 - 4 = -1, that is 10.
  expect(['10', '-1', '21'].map((t) => meetsText(elevens!, t))).toEqual([true, false, false])
})

test('checking: what passes proves nothing; what fails proves a mistake', () => {
  const swapped = readChecking('nines: 63*67 = 4212')
  expect(plain(swapped.says)).toBe('63 × 67 = 4 212')
  const known = swapped.questions.at(-1)!
  expect([meetsText(known, 'wrong'), meetsText(known, 'open')]).toEqual([false, true])
  expect(plain(swapped.truth)).toBe(
    'It passes, and yet it is wrong: right is 4 221. It is off by 9, a multiple of 9, and such an error is not noticed.',
  )
  const found = readChecking('nines: 63*67 = 4211')
  expect(meetsText(found.questions.at(-1)!, 'wrong')).toBe(true)
  expect(plain(found.truth)).toBe('It is wrong, and the check found it: right is 4 221.')
  expect(readChecking('elevens: 63*67 = 4221').truth).toContain('it is right')
  // Elevens find what nines let through.
  expect(readChecking('elevens: 63*67 = 4212').passes).toBe(false)
  for (const none of ['nines: 63*67', 'tens: 63*67 = 4221', 'nines: 63* = 4', 'nines: sqrt(70) = 8.366'])
    expect(() => readChecking(none)).toThrow()
})

test('checking: a third right, a third found out, a third wrong that passes', () => {
  for (const check of ['nines', 'elevens'] as const) {
    const random = seeded(4)
    const kinds = { right: 0, found: 0, passing: 0 }
    for (let i = 0; i < 300; i += 1) {
      const { problem, claimed, passes } = readChecking(
        randomChecking(check, { technique: 'multiply-crosswise', level: 5 }, random),
      )
      const right = equal(numberAnswer(problem), claimed)
      kinds[right ? 'right' : passes ? 'passing' : 'found'] += 1
    }
    for (const count of Object.values(kinds)) expect(count).toBeGreaterThan(70)
  }
})

test('a drill is known by its id, a technique is none', () => {
  expect(practiceName('fits')).toBe('Does it fit?')
  expect(practiceName('add-pairs')).toBe('Tens first')
  expect(drillById('add-pairs')).toBe(undefined)
  expect(drillById('toString')).toBe(undefined)
  expect(drillById('grid')!.read('12 34; 56 78').inOrder).toBe(false)
})

test('checking: of every technique and level either each item can be asked, or none is', () => {
  for (const { id, levels } of TECHNIQUES)
    for (let level = 1; level <= levels.length; level += 1) {
      const at = { technique: id, level }
      if (!hasChecks('nines', at)) {
        // One number, a root, a product and a sum, or below zero: not one of them has an equation of digits.
        const problem = draw(levels[level - 1]!.problems(), seeded(2)).next().value!
        const odd = ['number', 'root', 'product-sum', 'item'].includes(problem.kind)
        expect(
          odd || numberAnswer(problem).units < 0n || !isExact(problem, numberAnswer(problem)),
          `${id} ${level}`,
        ).toBe(true)
        continue
      }
      const random = seeded(level)
      for (let i = 0; i < 4; i += 1) {
        const { claimed, problem } = readChecking(randomChecking('nines', at, random))
        expect(claimed.units >= 0n && numberAnswer(problem).units >= 0n).toBe(true)
      }
    }
  expect(hasChecks('nines', { technique: 'root-estimate', level: 1 })).toBe(false)
  // A product and a number added: no equation of products alone.
  expect(hasChecks('nines', { technique: 'multiply-subtraction', level: 10 })).toBe(false)
  expect(hasChecks('nines', { technique: 'multiply-subtraction', level: 1 })).toBe(true)
  expect(checkQuestions('nines', readProblem('6-9'), decimal(-3n))).toBe(undefined)
})
