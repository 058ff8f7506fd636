/** Numbers of a problem as a practitioner reads them, and how they are said. Nothing else is shared with the techniques. */

import { toText } from '../../number/decimal.js'
import { firstOf } from '../../number/present.js'
import { type Problem, rowsOf } from '../../problem/problem.js'

/** One way of saying a working: what it is called, and the values said one after another. */
export interface Spoken {
  readonly way: string
  readonly said: readonly string[]
  /** Steps are stepped over: a value that is a known mistake at the open step too is taken for that. */
  readonly over?: boolean
}

export interface Number_ {
  readonly n: bigint
  /** Digits after the point. */
  readonly s: number
}

export const P = (k: number) => 10n ** BigInt(k)

export const abs = (n: bigint) => (n < 0n ? -n : n)

export const sum = (some: readonly bigint[]) => some.reduce((a, b) => a + b, 0n)

export const digit = (n: bigint, k: number) => (abs(n) / P(k)) % 10n

export const len = (n: bigint) => abs(n).toString().length

/** A number of so many decimals as it is typed. */
export function say(n: bigint, s = 0): string {
  const text = abs(n)
    .toString()
    .padStart(s + 1, '0')
  const [whole, part] = [
    text.slice(0, text.length - s),
    s > 0 ? text.slice(text.length - s).replace(/0+$/, '') : '',
  ]
  return `${n < 0n ? '-' : ''}${whole}${part ? `.${part}` : ''}`
}

export function numbersOf(problem: Problem): {
  terms: bigint[]
  signs: (1 | -1)[]
  s: number
  each: Number_[]
} {
  const rows = rowsOf(problem)
  const each = rows.map(({ size }): Number_ => {
    const [whole = '', part = ''] = toText(size).split('.')
    return { n: BigInt(whole + part), s: part.length }
  })
  const s = Math.max(...each.map((e) => e.s))
  return {
    terms: each.map((e) => e.n * P(s - e.s)),
    signs: rows.map((r) => (r.before === '−' ? -1 : 1)),
    s,
    each,
  }
}

/** Only what changes is said: nobody repeats a total that an empty place leaves as it was. */
export const changing = (totals: readonly bigint[], from: bigint) =>
  totals.filter((t, i) => t !== (totals[i - 1] ?? from))

export const parts = (n: bigint) =>
  Array.from({ length: len(n) }, (_, i) => digit(n, len(n) - 1 - i) * P(len(n) - 1 - i)).filter((p) => p > 0n)

export type Speaker = (problem: Problem, variant: Readonly<Record<string, string>>) => Spoken[]

/** The round number a practitioner takes: the next ten, hundred, thousand above. */
export const nextTen = (n: bigint) => (n / 10n + 1n) * 10n

/** The two factors in whole units, and the decimals of their product. */
export function factors(problem: Problem): { a: bigint; b: bigint; s: number } {
  const { each } = numbersOf(problem)
  const [x, y = x] = firstOf(1, each)
  return { a: x.n, b: y.n, s: x.s + y.s }
}

/** The answer once the point is put: said only where there is one. */
export const pointed = (value: bigint, s: number) => (s > 0 ? [say(value, s)] : [])
