import fc from 'fast-check'
import { expect, test } from 'vitest'
import { numberAnswer } from '../kit/rule.js'
import { equal, readDecimal, toText } from '../number/decimal.js'
import { readProblem } from '../problem/expression.js'
import type { PaperRow } from './sheet.js'
import { workedOnPaper, writtenEffort } from './work.js'

/** A row as it would be read: the sign, the digits, the point. */
function read({ before, cells, decimals }: PaperRow): string {
  const sorted = cells.toSorted((a, b) => b.column - a.column)
  const digits = sorted
    .map((c) => (decimals > 0 && c.column === decimals - 1 ? `.${c.text}` : c.text))
    .join('')
  return `${before === '−' ? '-' : ''}${digits}`
}

const rowsOf = (expression: string) => workedOnPaper(readProblem(expression)).steps.at(-1)!.rows

/** Every "a op b = c" in a sentence, with as many numbers as there are. */
function equations(says: string): { left: string; right: number }[] {
  const plain = says
    .replace(/(\d)\s(?=\d{3}\b)/g, '$1')
    .replaceAll('−', '-')
    .replaceAll('×', '*')
  return [...plain.matchAll(/(\d+(?: [-+*] \d+)+) = (\d+)/g)].map((m) => ({
    left: m[1]!,
    right: Number(m[2]),
  }))
}

function worth(left: string): number {
  const [first, ...rest] = left.split(' ')
  let value = Number(first)
  for (let i = 0; i < rest.length; i += 2) {
    const n = Number(rest[i + 1])
    value = rest[i] === '+' ? value + n : rest[i] === '-' ? value - n : value * n
  }
  return value
}

const number = fc.integer({ min: 1, max: 99_999 })
const decimals = fc.tuple(fc.integer({ min: 1, max: 9999 }), fc.integer({ min: 0, max: 3 }))
const written = decimals.map(([n, scale]) => String(n / 10 ** scale))

test.each<[string, fc.Arbitrary<string>]>([
  ['sums', fc.array(written, { minLength: 2, maxLength: 5 }).map((all) => all.join('+'))],
  [
    'signed sums',
    fc
      .array(fc.tuple(fc.constantFrom('+', '-'), written), { minLength: 2, maxLength: 4 })
      .map((all) => all.map(([sign, n], i) => (i === 0 && sign === '+' ? n : sign + n)).join('')),
  ],
  ['products', fc.tuple(written, written).map((both) => both.join('*'))],
  ['two products', fc.tuple(number, number, number, number).map(([a, b, c, d]) => `${a}*${b}-${c}*${d}`)],
])('%s: the last row is the answer, and every equation said is true', (_, made) => {
  fc.assert(
    fc.property(made, (expression) => {
      const problem = readProblem(expression)
      const { steps } = workedOnPaper(problem)
      expect(equal(readDecimal(read(steps.at(-1)!.rows.at(-1)!))!, numberAnswer(problem)), expression).toBe(
        true,
      )
      for (const { says } of steps)
        for (const { left, right } of equations(says))
          expect(worth(left), `${expression}: ${says}`).toBe(right)
    }),
    { numRuns: 60 },
  )
})

test('a quotient stands above, and what is left over below; a root above the pairs of its digits', () => {
  fc.assert(
    fc.property(number, fc.integer({ min: 2, max: 99 }), (a, b) => {
      fc.pre(a >= b)
      const rows = rowsOf(`${a}/${b}`)
      expect(read(rows[0]!)).toBe(String(Math.floor(a / b)))
      expect(Number(read(rows.at(-1)!))).toBe(a % b)
    }),
    { numRuns: 60 },
  )
  expect(read(rowsOf('7.5/4')[0]!)).toBe('1.875')
  expect(read(rowsOf('0.5/4')[0]!)).toBe('0.125')
  // 36 - 5.9^2 and so on by hand: 234 x 234 = 54 756; 8.366 x 8.366 is just below 70.
  expect(
    rowsOf('sqrt(54756)')[0]!
      .cells.map((c) => c.text)
      .join(''),
  ).toBe('234')
  expect(
    rowsOf('sqrt(70)')[0]!
      .cells.map((c) => c.text)
      .join(''),
  ).toBe('8366')
})

test('the steps as a schoolbook says them; the numbers stand there before anything is worked', () => {
  const says = (expression: string) => workedOnPaper(readProblem(expression)).steps.map((s) => s.says)
  expect(says('457+68')).toEqual([
    '7 + 8 = 15: write 5, carry 1.',
    '5 + 6 + 1 = 12: write 2, carry 1.',
    '4 + 1 = 5: write 5.',
  ])
  expect(says('400-37')).toEqual([
    "0 − 7 can't be done: borrow 1, 10 − 7 = 3.",
    'A 0 has nothing to lend: borrow 1, lend it, and 9 is left: 9 − 3 = 6.',
    'The 4 lent 1, so it is 3: write 3.',
  ])
  expect(says('6-9')).toEqual(['9 is more than 6: take 6 from 9, and put a minus in front.', '9 − 6 = 3.'])
  expect(says('36*50')).toEqual([
    'The next row ends 1 place further left.',
    '5 × 6 = 30: write 0, carry 3.',
    '5 × 3 = 15, and 3 carried is 18: write 18.',
    'Write the 0 at the end.',
  ])
  const { before, steps } = workedOnPaper(readProblem('36*52'))
  expect(before.map((r) => `${r.before}${read(r)}`)).toEqual(['36', '×52'])
  // What is new in a step is marked, and only that.
  const fresh = steps[1]!.rows.flatMap((r) => r.cells.filter((c) => c.fresh).map((c) => c.text))
  expect(fresh).toEqual(['7'])
  expect(toText(numberAnswer(readProblem('36*52')))).toBe(read(steps.at(-1)!.rows.at(-1)!))
})

// Counted by hand on paper: facts, carries.
test.each([
  // 7 + 8, then 5 + 6 raised by the 1: 12, as it is said.
  ['57+68', 2, 1],
  ['52-38', 2, 1],
  // 2×6, 2×3 raised by 1; 5×6, 5×3 + 3; 72 under 1800 meets only zeros.
  ['36*52', 5, 2],
  ['84/6', 6, 0],
  ['8^2', 1, 0],
  // 187 by 36 guessed, 5×6, 5×3 + 3, 187 - 180; 72 by 36 guessed, 2×6, 2×3 raised by 1, 72 - 72.
  ['1872/36', 11, 2],
  // Pairs 2 and 25: guess 1, 2 - 1; 125 by 25 guessed, 5×5, 5×2 meeting 2 on a 0, 125 - 125.
  ['sqrt(2.25)', 8, 1],
])('%s on paper: %i facts, %i carries', (expression, facts, carries) => {
  expect(writtenEffort(readProblem(expression))).toMatchObject({ facts, carries })
})
