import fc from 'fast-check'
import { expect, test } from 'vitest'
import { type Decimal, decimal, toText } from '../number/decimal.js'
import { marked } from '../number/marks.js'
import { type AnswerKind, choiceOf, DECIMAL, FRAME, QUOTIENT, ROMAN, SIGNED, WHOLE } from './kind.js'
import { isFull, meets, meetsText } from './question.js'

const CHOICE = choiceOf([
  { id: 'taken', name: 'can be taken' },
  { id: 'short', name: 'is short' },
])
const natural = fc.bigInt(0n, 10n ** 20n)
const number = fc.tuple(natural, fc.nat(6)).map(([units, scale]) => decimal(units, scale))
const KINDS: readonly [AnswerKind<unknown>, fc.Arbitrary<unknown>][] = [
  [WHOLE, natural.map((n) => decimal(n))],
  [DECIMAL, number],
  [FRAME, number],
  [SIGNED, fc.tuple(number, fc.boolean()).map(([n, below]) => (below ? decimal(-n.units, n.scale) : n))],
  [
    QUOTIENT,
    fc.record({ quotient: natural.map((n) => decimal(n)), remainder: natural.map((n) => decimal(n)) }),
  ],
  [CHOICE, fc.constantFrom('taken', 'short')],
  [ROMAN, fc.integer({ min: 1, max: 3999 }).map((n) => decimal(n))],
] as [AnswerKind<unknown>, fc.Arbitrary<unknown>][]

test.each(KINDS.map(([kind, values]) => [kind.id, kind, values] as const))(
  '%s: what is printed reads back, can be typed key by key, and is another value when anything differs',
  (_, kind, values) => {
    fc.assert(
      fc.property(values, values, (value, other) => {
        const text = kind.print(value)
        expect(kind.same(kind.read(text), value)).toBe(true)
        expect(text).not.toMatch(/[\s@]/)
        expect(kind.same(value, other)).toBe(kind.print(other) === text)
        if (!kind.choices)
          for (let i = 0; i <= text.length; i += 1) {
            expect(kind.begins(text.slice(0, i)), text.slice(0, i)).toBe(true)
            if (i > 0) expect(kind.keys).toContain(text[i - 1])
          }
        expect(isFull({ ask: '', kind, expect: value }, kind.choices ? 'a' : text)).toBe(true)
      }),
    )
  },
)

test.each([
  [DECIMAL, '12,5', '12.5'],
  [DECIMAL, '.5', '0.5'],
  [DECIMAL, '12,', undefined],
  [DECIMAL, '1,204.5', '1204.5'],
  [SIGNED, '1 054', '1054'],
  [SIGNED, "1'204'000", '1204000'],
  [SIGNED, '1.204,5', '1204.5'],
  [SIGNED, '12,34,567', '1234567'],
  [SIGNED, '7 thousands', '7000'],
  [SIGNED, '1 05', undefined],
  [DECIMAL, '-3', undefined],
  [SIGNED, '-43', '-43'],
  [SIGNED, '-', undefined],
  [SIGNED, '4-3', undefined],
  // The same number in another dress.
  [SIGNED, '1/2', '0.5'],
  [SIGNED, '87 1/2', '87.5'],
  [SIGNED, ' 1/2 ', '0.5'],
  [SIGNED, '1/2/3', undefined],
  [SIGNED, '4-1/2', undefined],
  [SIGNED, '175/2', '87.5'],
  [SIGNED, '-3/4', '-0.75'],
  [SIGNED, '43 short', '-43'],
  [DECIMAL, '4/12', '0.333333333333'],
  [DECIMAL, '3/', undefined],
  [DECIMAL, '3/0', undefined],
  [WHOLE, '4/2', undefined],
  [WHOLE, '007', '7'],
  [WHOLE, '1.5', undefined],
  [WHOLE, '9'.repeat(41), undefined],
  [QUOTIENT, '428r4', '428r4'],
  [QUOTIENT, '428 r 4', '428r4'],
  [QUOTIENT, '364r0', '364'],
  [QUOTIENT, '428r', undefined],
  [CHOICE, 'b', 'short'],
  [CHOICE, 'short', 'short'],
  [CHOICE, 'c', undefined],
  // Subtractive pairs only in their six forms, no sign four times (common practice, no published source).
  [ROMAN, 'mcdxlvi', 'MCDXLVI'],
  [ROMAN, 'IIII', undefined],
  [ROMAN, 'IC', undefined],
  [ROMAN, 'VX', undefined],
  [ROMAN, 'MMMM', undefined],
  [ROMAN, '', undefined],
] as [AnswerKind<unknown>, string, string | undefined][])('%#: "%s"', (kind, text, printed) => {
  const value = kind.read(text)
  expect(value === undefined ? undefined : kind.print(value)).toBe(printed)
})

test('values are said to people as people write them', () => {
  const said = (kind: AnswerKind<unknown>, text: string) => kind.say(kind.read(text))
  expect([
    said(SIGNED, '-12345.5'),
    said(QUOTIENT, '1428r4'),
    said(QUOTIENT, '1428'),
    said(CHOICE, 'b'),
    said(ROMAN, 'xiv'),
  ]).toEqual([marked('−12\u2009345.5'), '1\u2009428 r 4', '1\u2009428', 'is short', 'XIV'])
})

test('Roman numerals are those of a table', () => {
  const table = {
    1: 'I',
    4: 'IV',
    9: 'IX',
    14: 'XIV',
    40: 'XL',
    90: 'XC',
    400: 'CD',
    944: 'CMXLIV',
    1446: 'MCDXLVI',
  }
  for (const [n, text] of Object.entries({ ...table, 3999: 'MMMCMXCIX' }))
    expect([ROMAN.print(decimal(Number(n))), toText(ROMAN.read(text)!)]).toEqual([text, n])
})

test('a question takes what it expects, what is as right, and an estimate within its share, to the edge', () => {
  const asked = { ask: '', kind: DECIMAL, expect: decimal(200) }
  expect([meets(asked, decimal(200)), meets(asked, decimal(201))]).toEqual([true, false])
  const also = { ...asked, also: (n: Decimal) => n.units === 201n }
  expect([meetsText(also, '201'), meetsText(also, '202'), meetsText(also, 'x')]).toEqual([true, false, false])
  const within = { ...asked, within: decimal(5, 2) }
  expect(['190', '210', '189.9', '210.1'].map((text) => meetsText(within, text))).toEqual([
    true,
    true,
    false,
    false,
  ])
})
