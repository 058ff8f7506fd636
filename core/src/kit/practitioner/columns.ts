/** What is said where products are worked column by column. */
import { present } from '../../number/present.js'
import { digit, factors, len, numbersOf, pointed, type Speaker, say, sum } from './numbers.js'

/** The columns of a product from the units up, each as its products. */
export function crossProducts(a: bigint, b: bigint): bigint[][] {
  return Array.from({ length: len(a) + len(b) - 1 }, (_, k) =>
    Array.from({ length: k + 1 }, (_, j) => k - j)
      .filter((i) => i < len(a) && k - i < len(b))
      .map((i) => digit(a, i) * digit(b, k - i)),
  )
}

/** Columns from the right, written and carried as people say it. */
export function writtenOut(
  columns: readonly bigint[][],
  habit: 'digits' | 'totals' | 'carry first' | 'running',
): string[] {
  const said: string[] = []
  let carry = 0n
  for (const [k, products] of columns.entries()) {
    const [raw, last] = [sum(products), k === columns.length - 1]
    const total = raw + carry
    const unit = say(last ? total : total % 10n)
    if (
      habit === 'carry first' &&
      carry > 0n &&
      products.length > 1 &&
      present(products[0]) + carry !== total
    ) {
      said.push(say(present(products[0]) + carry), say(total))
    } else if (habit === 'totals' && carry > 0n) said.push(say(total), ...(total > 9n && !last ? [unit] : []))
    else {
      const so = (products[0] ?? 0n) + (products[1] ?? 0n)
      if (habit === 'running' && so > 0n && so < raw) said.push(say(so))
      said.push(say(raw))
      if (carry > 0n || (raw > 9n && !last))
        said.push(...(habit === 'running' && total > 9n ? [say(total)] : [unit]))
    }
    carry = last ? 0n : total / 10n
  }
  return said
}

const raws = (columns: readonly bigint[][]) => columns.map(sum)

function settled(columns: readonly bigint[]): string[] {
  const said: string[] = []
  let carry = 0n
  for (const [k, c] of columns.entries()) {
    const [total, last] = [c + carry, k === columns.length - 1]
    if (carry > 0n || (c > 9n && !last)) said.push(say(last ? total : total % 10n))
    carry = last ? 0n : total / 10n
  }
  return said
}

export const crosswise: Speaker = (problem) => {
  const { a, b, s } = factors(problem)
  const columns = crossProducts(a, b)
  const raw = raws(columns)
  const end = pointed(a * b, s)
  const ends: bigint[] = []
  for (let [low, high] = [0, raw.length - 1]; low <= high; low += 1, high -= 1)
    ends.push(...(low === high ? [present(raw[low])] : [present(raw[high]), present(raw[low])]))
  const left: string[] = []
  let stands = 0n
  for (let k = raw.length - 1; k >= 0; k -= 1) {
    left.push(say(present(raw[k])))
    if (present(raw[k]) > 9n && stands > 0n) left.push(say(stands * 10n + present(raw[k])))
    stands = stands * 10n + present(raw[k])
  }
  const needs = raw.some((c, k) => c > 9n && k < raw.length - 1)
  return [
    { way: 'digit and carry', said: [...writtenOut(columns, 'digits'), ...end] },
    { way: 'the carried total, then its digit', said: [...writtenOut(columns, 'totals'), ...end] },
    { way: 'the carry first', said: [...writtenOut(columns, 'carry first'), ...end] },
    { way: 'running totals in the column', said: [...writtenOut(columns, 'running'), ...end] },
    { way: 'raw, settled digit by digit', said: [...raw.map((c) => say(c)), ...settled(raw), ...end] },
    {
      way: 'raw, settled at once',
      said: [...raw.map((c) => say(c)), ...(needs ? [say(a * b)] : []), ...end],
    },
    { way: 'from the left', said: [...left, ...end] },
    { way: 'ends first', said: [...ends.map((c) => say(c)), ...settled(raw), ...end] },
  ]
}

export const repunit: Speaker = (problem) => {
  const { a, b, s } = factors(problem)
  const columns = crossProducts(a, b)
  const end = pointed(a * b, s)
  return [
    {
      way: 'digit and carry',
      said: [
        ...writtenOut(
          raws(columns).map((c) => [c]),
          'digits',
        ),
        ...end,
      ],
    },
    {
      way: 'the carried total',
      said: [
        ...writtenOut(
          raws(columns).map((c) => [c]),
          'totals',
        ),
        ...end,
      ],
    },
  ]
}

export const duplexOf = (group: readonly bigint[]) =>
  sum(group.map((d, i) => d * present(group[group.length - 1 - i])))

export const squareDuplex: Speaker = (problem) => {
  const { n, s } = present(numbersOf(problem).each[0])
  const digits = Array.from({ length: len(n) }, (_, k) => digit(n, k))
  const columns = Array.from({ length: 2 * digits.length - 1 }, (_, k) => [
    duplexOf(digits.slice(Math.max(0, k - digits.length + 1), k + 1)),
  ])
  const end = pointed(n * n, 2 * s)
  return [
    { way: 'digit and carry', said: [...writtenOut(columns, 'digits'), ...end] },
    { way: 'the carried total', said: [...writtenOut(columns, 'totals'), ...end] },
  ]
}
