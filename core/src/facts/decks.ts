/** The elementary facts that all the work rests on, to be recalled at once and not counted out. */

import { type Decimal, decimal } from '../number/decimal.js'
import { present } from '../number/present.js'
import { choiceOf, DECIMAL, QUOTIENT, ROMAN, WHOLE } from '../question/kind.js'
import type { AnyQuestion } from '../question/question.js'

/** One fact, asked and answered without Enter: it is taken at the last key of the answer. */
export interface FactCard extends AnyQuestion {
  /** Stable and readable: "7x8", "13-6", "c100:37", "1/8", "r:196". */
  readonly id: string
}

/** Facts that are learnt together. */
export interface FactDeck {
  /** Its id, kept in settings and records. */
  readonly id: string
  /** Its name, as it is offered. */
  readonly name: string
  /** Recalled within this time, in milliseconds; slower counts as not recalled (common practice, no published source). */
  readonly withinMs: number
  /** Its facts, from easy to hard. */
  readonly cards: readonly FactCard[]
}

const card = (id: string, ask: string, answer: number | Decimal): FactCard => ({
  id,
  ask,
  kind: typeof answer === 'number' ? WHOLE : DECIMAL,
  expect: typeof answer === 'number' ? decimal(answer) : answer,
})

const range = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i)

function complements(to: number, from = 0): FactCard[] {
  return range(from, to).map((n) => card(`c${to}:${n}`, `${n} to ${to}`, to - n))
}

function tables(from: number, to: number): FactCard[] {
  return range(2, to).flatMap((a) =>
    range(Math.max(2, from), to).flatMap((b) => (a <= b ? [card(`${a}x${b}`, `${a} × ${b}`, a * b)] : [])),
  )
}

/** Parts of 1 as a decimal of at most four places and as a percent; those that do not end are cut off. */
function parts(): FactCard[] {
  return [2, 4, 8, 3, 6, 9, 11].flatMap((d) =>
    range(1, d - 1)
      .filter((n) => gcd(n, d) === 1)
      .flatMap((n) => {
        const places = [2, 4, 8].includes(d) ? 3 : 2
        const units = Math.floor((n * 10 ** places) / d)
        const cut =
          (units * d) % 10 ** places === 0 && units * d === n * 10 ** places ? '' : ', cut to two places'
        return [
          card(`d${n}/${d}`, `${n}/${d} as a decimal${cut}`, decimal(BigInt(units), places)),
          card(
            `p${n}/${d}`,
            `${n}/${d} as a percent${cut && ', whole percents only'}`,
            decimal(BigInt(units), places - 2),
          ),
        ]
      }),
  )
}

/** Divisions by 3 to 9 that leave one over, or one too few. */
function remainders(): FactCard[] {
  return range(3, 9).flatMap((d) =>
    range(2, 9).flatMap((q) =>
      [1, d - 1].map((r): FactCard => {
        const n = q * d + r
        const expect = { quotient: decimal(q), remainder: decimal(r) }
        return { id: `${n}r${d}`, ask: `${n} ÷ ${d}, with remainder`, kind: QUOTIENT, expect }
      }),
    ),
  )
}

const TAKEN_OR_SHORT = choiceOf([
  { id: 'taken', name: 'can be taken' },
  { id: 'short', name: 'is short' },
])

/** Can the bottom digit of a column be taken from the top one, or is the column short? */
function shortColumns(): FactCard[] {
  return range(0, 9).flatMap((top) =>
    range(1, 9).map((bottom): FactCard => {
      const expect = top < bottom ? 'short' : 'taken'
      return { id: `k${top}-${bottom}`, ask: `${top} − ${bottom}`, kind: TAKEN_OR_SHORT, expect }
    }),
  )
}

const ROMANS = [...range(1, 20), 30, 40, 50, 60, 70, 80, 90, 100, 400, 500, 600, 900, 1000]

function gcd(a: number, b: number): number {
  return b === 0 ? a : gcd(b, a % b)
}

/** The decks in teaching order. */
export const FACT_DECKS: readonly FactDeck[] = [
  { id: 'to-five', name: 'Complements to 5', withinMs: 1000, cards: complements(5) },
  { id: 'to-ten', name: 'Complements to 10', withinMs: 1000, cards: complements(10) },
  { id: 'to-nine', name: 'Complements to 9', withinMs: 1000, cards: complements(9) },
  {
    id: 'sums',
    name: 'Sums to 18',
    withinMs: 1000,
    cards: range(2, 9).flatMap((a) => range(a, 9).map((b) => card(`${a}+${b}`, `${a} + ${b}`, a + b))),
  },
  {
    id: 'differences',
    name: 'Differences from 18',
    withinMs: 1000,
    cards: range(11, 18).flatMap((a) => range(a - 9, 9).map((b) => card(`${a}-${b}`, `${a} − ${b}`, a - b))),
  },
  { id: 'tables', name: 'Tables to 9 × 9', withinMs: 1200, cards: tables(2, 9) },
  { id: 'tables-12', name: 'Tables to 12 × 12', withinMs: 1500, cards: tables(10, 12) },
  { id: 'tables-19', name: 'Tables to 19 × 19', withinMs: 2500, cards: tables(13, 19) },
  {
    id: 'to-hundred',
    name: 'Complements to 100',
    withinMs: 1800,
    cards: complements(100, 1).filter((c) => !c.id.endsWith(':100')),
  },
  {
    id: 'to-thousand',
    name: 'Complements to 1000',
    withinMs: 3000,
    cards: complements(1000, 1).filter((c) => !c.id.endsWith(':1000')),
  },
  {
    id: 'squares',
    name: 'Squares to 25',
    withinMs: 1800,
    cards: range(2, 25).map((n) => card(`s${n}`, `${n} squared`, n * n)),
  },
  {
    id: 'roots',
    name: 'Roots of squares',
    withinMs: 1800,
    cards: range(2, 25).map((n) => card(`r${n * n}`, `√${n * n}`, n)),
  },
  { id: 'parts', name: 'Parts of one', withinMs: 2500, cards: parts() },
  { id: 'short', name: 'Short columns', withinMs: 1200, cards: shortColumns() },
  { id: 'remainders', name: 'Divisions with remainder', withinMs: 2500, cards: remainders() },
  {
    id: 'roman',
    name: 'Roman numerals',
    withinMs: 3000,
    cards: ROMANS.map((n) => ({
      id: `m${n}`,
      ask: `${n} in Roman numerals`,
      kind: ROMAN,
      expect: decimal(n),
    })),
  },
]

const BY_ID = new Map(FACT_DECKS.flatMap((deck) => deck.cards.map((c) => [c.id, { deck, card: c }])))

/** A fact with its deck; undefined for an unknown id. */
export function factById(id: string): { readonly deck: FactDeck; readonly card: FactCard } | undefined {
  return BY_ID.get(id)
}

/** The card behind a fact that a step of written work rests on ("8x7", "6+0"); undefined where none is drilled. */
export function cardOfFact(fact: string): FactCard | undefined {
  const found = /^(\d+)([+x-])(\d+)$/.exec(fact)
  if (!found) return undefined
  const [a, sign, b] = [Number(found[1]), present(found[2]), Number(found[3])]
  if (sign === '-') return (a === 10 || a === 5 ? BY_ID.get(`c${a}:${b}`) : BY_ID.get(`${a}-${b}`))?.card
  return BY_ID.get(`${Math.min(a, b)}${sign}${Math.max(a, b)}`)?.card
}
