/**
 * What a practitioner says aloud, worked out from the numbers alone: for each technique the ways people work it and the
 * habits they have on the way. Shares no code with the techniques; only the numbers of a problem are read from it.
 */
import { toText } from '../number/decimal.js'
import { type Problem, rowsOf } from '../problem/problem.js'

/** One way of saying a working: what it is called, and the values said one after another. */
export interface Spoken {
  readonly way: string
  readonly said: readonly string[]
  /** Steps are stepped over: a value that is a known mistake at the open step too is taken for that. */
  readonly over?: boolean
}

interface Number_ {
  readonly n: bigint
  /** Digits after the point. */
  readonly s: number
}

const P = (k: number) => 10n ** BigInt(k)
const abs = (n: bigint) => (n < 0n ? -n : n)
const sum = (some: readonly bigint[]) => some.reduce((a, b) => a + b, 0n)
const digit = (n: bigint, k: number) => (abs(n) / P(k)) % 10n
const len = (n: bigint) => abs(n).toString().length

/** A number of so many decimals as it is typed. */
function say(n: bigint, s = 0): string {
  const text = abs(n)
    .toString()
    .padStart(s + 1, '0')
  const [whole, part] = [
    text.slice(0, text.length - s),
    s > 0 ? text.slice(text.length - s).replace(/0+$/, '') : '',
  ]
  return `${n < 0n ? '-' : ''}${whole}${part ? `.${part}` : ''}`
}

function numbersOf(problem: Problem): { terms: bigint[]; signs: (1 | -1)[]; s: number; each: Number_[] } {
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
const changing = (totals: readonly bigint[], from: bigint) =>
  totals.filter((t, i) => t !== (totals[i - 1] ?? from))

const parts = (n: bigint) =>
  Array.from({ length: len(n) }, (_, i) => digit(n, len(n) - 1 - i) * P(len(n) - 1 - i)).filter((p) => p > 0n)

type Speaker = (problem: Problem, school: Readonly<Record<string, string>>) => Spoken[]

const runningTotal: Speaker = (problem) => {
  const { terms, signs, s } = numbersOf(problem)
  const start = BigInt(signs[0]!) * terms[0]!
  const through = (order: (n: bigint) => bigint[]) => {
    let total = start
    return terms.slice(1).flatMap((term, i) =>
      order(term).map((p) => {
        total += BigInt(signs[i + 1]!) * p
        return say(total, s)
      }),
    )
  }
  const left = through(parts)
  const nothing = left.length === 0 ? [say(start, s)] : []
  return [
    { way: 'part by part', said: [...left, ...nothing] },
    { way: 'parts from the right', said: [...through((n) => parts(n).reverse()), ...nothing] },
    { over: true, way: 'number by number', said: [...through((n) => (n === 0n ? [] : [n])), ...nothing] },
    {
      way: 'every total twice',
      said: [...left.flatMap((t) => (t.length > 1 ? [t, t] : [t])), ...nothing].slice(
        0,
        left.length > 0 && left.at(-1)!.length > 1 ? -1 : undefined,
      ),
    },
  ]
}

const placeSweep: Speaker = (problem, { start }) => {
  const { terms, s } = numbersOf(problem)
  const whole = start === 'first-whole'
  const swept = whole ? terms.slice(1) : terms
  const begin = whole ? terms[0]! : 0n
  const high = Math.max(...terms.map(len)) - 1
  const along = (order: (some: bigint[]) => bigint[], grouped = false) => {
    let total = begin
    const said: string[] = []
    for (let k = high; k >= 0; k -= 1) {
      const column = order(swept.map((t) => digit(t, k) * P(k)).filter((p) => p > 0n))
      for (const p of grouped && column.length > 0 ? [sum(column)] : column) {
        total += p
        said.push(say(total, s))
      }
    }
    return said.length > 0 ? said : [say(total, s)]
  }
  return [
    { way: 'from the top', said: along((c) => c) },
    { way: 'from the bottom', said: along((c) => c.toReversed()) },
    { over: true, way: 'a place at once', said: along((c) => c, true) },
  ]
}

const pairs: Speaker = (problem) => {
  const { terms, s } = numbersOf(problem)
  const high = Math.max(...terms.map(len)) - 1
  const along = (groups: (column: bigint[]) => bigint[]) => {
    let total = 0n
    const said: string[] = []
    for (let k = high; k >= 0; k -= 1)
      for (const g of groups(terms.map((t) => digit(t, k)).filter((d) => d > 0n))) {
        total += g * P(k)
        said.push(say(total, s))
      }
    return said
  }
  const tens = (column: bigint[]) => {
    const left = [...column]
    const found: bigint[] = []
    for (let i = 0; i < left.length; i += 1) {
      const j = left.findIndex((d, k) => k > i && d + left[i]! === 10n)
      if (j < 0) continue
      found.push(10n)
      left.splice(j, 1)
      left.splice(i, 1)
      i -= 1
    }
    return [...found, ...left]
  }
  return [
    { way: 'tens first', said: along(tens) },
    { way: 'one by one', said: along((c) => c) },
    { way: 'largest first', said: along((c) => c.toSorted((a, b) => Number(b - a))) },
    { over: true, way: 'a place at once', said: along((c) => (c.length > 0 ? [sum(c)] : [])) },
  ]
}

const columnsLeft: Speaker = (problem) => {
  const { terms, s } = numbersOf(problem)
  const high = Math.max(...terms.map(len)) - 1
  const whole = sum(terms)
  const column = (k: number) => sum(terms.map((t) => digit(t, k)))
  const mend = (first: boolean, totals: boolean) => {
    const said: string[] = []
    // What stands, from the highest column; the first may have two digits.
    const stands: bigint[] = []
    for (let k = high; k >= 0; k -= 1) {
      const c = column(k)
      const raise = () => {
        let carry = k === high ? 0n : c / 10n
        for (let j = high - k - 1; carry > 0n && j >= 0; j -= 1) {
          const up = stands[j]! + carry
          stands[j] = j === 0 ? up : up % 10n
          said.push(say(stands[j]!))
          carry = j === 0 ? 0n : up / 10n
        }
      }
      if (first) raise()
      const d = k === high ? c : c % 10n
      said.push(...(totals && c > 9n && k < high ? [say(c), say(d)] : [say(d)]))
      stands[high - k] = d
      if (!first) raise()
    }
    return said
  }
  const final = Array.from({ length: high + 1 }, (_, i) =>
    i === 0 ? whole / P(high) : digit(whole, high - i),
  )
  const carried = (k: number) => (sum(terms.map((t) => t % P(k + 1))) - column(k) * P(k)) / P(k)
  const glanceTotals = Array.from({ length: high + 1 }, (_, i) => say(column(high - i) + carried(high - i)))
  const blocks: string[] = []
  for (let i = 0; i < final.length; i += 2) blocks.push(final.slice(i, i + 2).join(''))
  return [
    { way: 'write, then change', said: mend(false, false) },
    { way: 'change, then write', said: mend(true, false) },
    { way: 'the total, then its digit', said: mend(false, true) },
    { way: 'look right first', said: final.map((d) => say(d)) },
    { way: 'look right, saying totals', said: glanceTotals },
    { over: true, way: 'two digits at once', said: blocks },
    { way: 'at once', said: [say(whole, s)] },
  ]
}

const blocksUp: Speaker = (problem) => {
  const { terms, s } = numbersOf(problem)
  const high = Math.max(...terms.map(len)) - 1
  const along = (spoken: (total: bigint, carry: bigint, parts: bigint[], last: boolean) => string[]) => {
    let carry = 0n
    const said: string[] = []
    for (let k = 0; k <= high; k += 2) {
      const parts = terms.map((t) => (t / P(k)) % 100n).filter((p) => p > 0n)
      const total = sum(parts) + carry
      said.push(...spoken(total, carry, parts, k + 2 > high))
      carry = total / 100n
    }
    return said
  }
  const written = (total: bigint, last: boolean) =>
    last ? say(total) : (total % 100n).toString().padStart(2, '0')
  return [
    { way: 'block by block', said: along((total) => [say(total)]) },
    { way: 'the digits to write', said: along((total, _, __, last) => [written(total, last)]) },
    {
      way: 'the total, then its digits',
      said: along((total, _, __, last) =>
        last || total < 100n ? [say(total)] : [say(total), written(total, last)],
      ),
    },
    {
      // The carry and the first number may come to what the numbers come to without it.
      over: true,
      way: 'number by number, the carry first',
      said: along((_, carry, parts) => {
        const totals = parts.map((__, i) => say(carry + sum(parts.slice(0, i + 1))))
        return totals.length > 0 ? totals.slice(carry > 0n ? 0 : totals.length > 1 ? 1 : 0) : [say(carry)]
      }),
    },
    { way: 'at once', said: [say(sum(terms), s)] },
  ]
}

const columnTotals: Speaker = (problem) => {
  const { terms, s } = numbersOf(problem)
  const high = Math.max(...terms.map(len)) - 1
  const along = (running: boolean, estimates: boolean) => {
    let estimate = 0n
    const said: string[] = []
    for (let k = high; k >= 0; k -= 1) {
      const digits = terms.map((t) => digit(t, k)).filter((d) => d > 0n)
      let total = 0n
      for (const [i, d] of digits.entries()) {
        total += d
        if (running && i > 0 && i < digits.length - 1) said.push(say(total))
      }
      estimate += total * P(k)
      said.push(say(total), ...(estimates || k === 0 ? [say(estimate, s)] : [say(estimate, s)]))
    }
    return said
  }
  return [
    { way: 'totals and estimates', said: along(false, true) },
    { way: 'running totals in the column', said: along(true, true) },
  ]
}

/** The round number a practitioner takes: the next ten, hundred, thousand above. */
const nextTen = (n: bigint) => (n / 10n + 1n) * 10n

const compensation: Speaker = (problem) => {
  const { terms, s } = numbersOf(problem)
  const ways = [0, 1].filter((i) => terms[i]! % 10n !== 0n && terms[i]! > 9n && terms[1 - i]! > 0n)
  return ways.flatMap((i) => {
    const [n, other] = [terms[i]!, terms[1 - i]!]
    const round = nextTen(n)
    const said = [round, round + other, round - n, n + other].map((v) => say(v, s))
    return [{ way: `rounding number ${i + 1}`, said }]
  })
}

const roundUp: Speaker = (problem) => {
  const { terms, s } = numbersOf(problem)
  const [a, b] = terms as [bigint, bigint]
  const [top, bottom] = a < b ? [b, a] : [a, b]
  const round = nextTen(bottom)
  if (round > top) return []
  const end = a < b ? [say(top - bottom, s), say(a - b, s)] : [say(a - b, s)]
  const said = [round, top - round, round - bottom].map((v) => say(v, s))
  return [
    { way: 'the next ten', said: [...said, ...end] },
    { way: 'the gap with its sign', said: [said[0]!, said[1]!, `-${said[2]!}`, ...end] },
  ]
}

const columnsDown =
  (complement: boolean): Speaker =>
  (problem) => {
    const { terms, s } = numbersOf(problem)
    const [a, b] = terms as [bigint, bigint]
    const [top, bottom] = a < b ? [b, a] : [a, b]
    // With decimals the units of 0 are columns too.
    const high = Math.max(len(top) - 1, s)
    const sign = a < b ? [say(a - b, s)] : []
    const borrows = (k: number) => top % P(k + 1) < bottom % P(k + 1)
    const decided = (k: number) => (complement && digit(bottom, k) > 0n ? [say(10n - digit(bottom, k))] : [])
    const mend = (first: boolean) => {
      const said: string[] = []
      const stands: bigint[] = []
      for (let k = high; k >= 0; k -= 1) {
        const [t, u] = [digit(top, k), digit(bottom, k)]
        const lower = () => {
          for (let j = high - k - 1; j >= 0; j -= 1) {
            const before = stands[j]!
            stands[j] = (before + 9n) % 10n
            said.push(say(stands[j]!))
            if (before > 0n) break
          }
        }
        if (t < u && first) lower()
        said.push(...(t < u ? decided(k) : []), say((10n + t - u) % 10n))
        stands[high - k] = (10n + t - u) % 10n
        if (t < u && !first) lower()
      }
      return [...said, ...sign]
    }
    const glance: string[] = []
    for (let k = high; k >= 0; k -= 1) {
      const [t, u] = [digit(top, k), digit(bottom, k)]
      const [lent, drops] = [borrows(k), k > 0 && borrows(k - 1)]
      const held = t - u + (lent ? 10n : 0n)
      if (t === u && lent) {
        glance.push('10', '9')
        continue
      }
      if (lent) glance.push(...decided(k))
      glance.push(say(held))
      if (k > 0) glance.push(say((held + (drops ? 9n : 10n)) % 10n))
    }
    return [
      { way: 'write, then lower', said: mend(false) },
      { way: 'lower, then write', said: mend(true) },
      { way: 'hold and look right', said: [...glance, ...sign] },
      { way: 'at once', said: [say(a - b, s)] },
    ]
  }

const blocksDown: Speaker = (problem) => {
  const { terms, s } = numbersOf(problem)
  const [a, b] = terms as [bigint, bigint]
  const [top, bottom] = a < b ? [b, a] : [a, b]
  const said: string[] = []
  const signed: string[] = []
  let [t, u, lent] = [top, bottom, 0n]
  for (let k = 0; t > 0n || u > 0n || k === 0 || lent > 0n; k += 2) {
    const d = (t % 100n) - lent - (u % 100n)
    if (d < 0n) {
      said.push(say(-d), say(100n + d))
      signed.push(say(d), say(100n + d))
    } else {
      said.push(say(d))
      signed.push(say(d))
    }
    lent = d < 0n ? 1n : 0n
    t /= 100n
    u /= 100n
  }
  const sign = a < b ? [say(a - b, s)] : []
  return [
    { way: 'two at a time', said: [...said, ...sign] },
    { way: 'short said with a minus', said: [...signed, ...sign] },
  ]
}

/** The two factors in whole units, and the decimals of their product. */
function factors(problem: Problem): { a: bigint; b: bigint; s: number } {
  const { each } = numbersOf(problem)
  const [x, y = each[0]!] = each
  return { a: x!.n, b: y.n, s: x!.s + y.s }
}

/** The answer once the point is put: said only where there is one. */
const pointed = (value: bigint, s: number) => (s > 0 ? [say(value, s)] : [])

const splitAdd: Speaker = (problem) => {
  const { a, b, s } = factors(problem)
  const ways: Spoken[] = []
  for (const [apart, whole] of [
    [a, b],
    [b, a],
  ] as const) {
    if (apart < 10n) continue
    const by = (some: bigint[], products: boolean) => {
      let total = 0n
      return some.flatMap((p, i) => {
        total += p * whole
        return i === 0 ? [say(p * whole)] : products ? [say(p * whole), say(total)] : [say(total)]
      })
    }
    const end = pointed(a * b, s)
    ways.push({ way: 'parts from the left', said: [...by(parts(apart), true), ...end] })
    ways.push({ way: 'parts from the right', said: [...by(parts(apart).reverse(), true), ...end] })
    ways.push({ over: true, way: 'only the totals', said: [...by(parts(apart), false), ...end] })
    if (whole < 10n) {
      const said: string[] = []
      let [rest, carry] = [apart, 0n]
      while (rest > 0n) {
        const value = (rest % 100n) * whole + carry
        said.push(say(value))
        carry = rest < 100n ? 0n : value / 100n
        rest /= 100n
      }
      ways.push({ way: 'blocks of two from the right', said: [...said, ...end] })
    }
  }
  return ways
}

const roundBack: Speaker = (problem) => {
  const { each } = numbersOf(problem)
  const [x, y, z] = each as [Number_, Number_, Number_?]
  const s = x.s + y.s
  const more = problem.kind === 'product-sum' ? BigInt(problem.term.sign) * z!.n : 0n
  return [
    [x.n, y.n],
    [y.n, x.n],
  ].flatMap(([n, whole]) => {
    if (n! % 10n === 0n || n! < 10n) return []
    const round = nextTen(n!)
    const over = round - n!
    const middle = over === 1n ? [] : [say(over), say(over * whole!)]
    const end = more === 0n ? [] : [say(n! * whole! + more)]
    return [
      {
        way: 'the next ten',
        said: [
          say(round),
          say(round * whole!),
          ...middle,
          say(n! * whole!),
          ...end,
          ...pointed(n! * whole!, s),
        ],
      },
    ]
  })
}

const oneDigit = (n: bigint): boolean =>
  [2n, 3n, 5n, 7n].reduce((m, p) => {
    let r = m
    while (r % p === 0n) r /= p
    return r
  }, n) === 1n

const byFactors: Speaker = (problem) => {
  const { a, b, s } = factors(problem)
  const ways: Spoken[] = []
  for (const [apart, whole] of [
    [a, b],
    [b, a],
  ] as const) {
    if (apart < 10n || !oneDigit(apart)) continue
    for (const largest of [true, false]) {
      const said: string[] = []
      let [left, value] = [apart, whole]
      while (left > 9n) {
        const able = [2n, 3n, 4n, 5n, 6n, 7n, 8n, 9n].filter((f) => left % f === 0n)
        const f = largest ? able.at(-1)! : able[0]!
        value *= f
        left /= f
        said.push(say(f), say(value))
      }
      if (left > 1n) said.push(say(value * left))
      ways.push({
        way: largest ? 'largest factor first' : 'smallest factor first',
        said: [...said, ...pointed(a * b, s)],
      })
    }
  }
  return ways
}

/** The columns of a product from the units up, each as its products. */
function crossProducts(a: bigint, b: bigint): bigint[][] {
  return Array.from({ length: len(a) + len(b) - 1 }, (_, k) =>
    Array.from({ length: k + 1 }, (_, j) => k - j)
      .filter((i) => i < len(a) && k - i < len(b))
      .map((i) => digit(a, i) * digit(b, k - i)),
  )
}

/** Columns from the right, written and carried as people say it. */
function writtenOut(
  columns: readonly bigint[][],
  habit: 'digits' | 'totals' | 'carry first' | 'running',
): string[] {
  const said: string[] = []
  let carry = 0n
  for (const [k, products] of columns.entries()) {
    const [raw, last] = [sum(products), k === columns.length - 1]
    const total = raw + carry
    const unit = say(last ? total : total % 10n)
    if (habit === 'carry first' && carry > 0n && products.length > 1 && products[0]! + carry !== total) {
      said.push(say(products[0]! + carry), say(total))
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

const crosswise: Speaker = (problem) => {
  const { a, b, s } = factors(problem)
  const columns = crossProducts(a, b)
  const raw = raws(columns)
  const end = pointed(a * b, s)
  const ends: bigint[] = []
  for (let [low, high] = [0, raw.length - 1]; low <= high; low += 1, high -= 1)
    ends.push(...(low === high ? [raw[low]!] : [raw[high]!, raw[low]!]))
  const left: string[] = []
  let stands = 0n
  for (let k = raw.length - 1; k >= 0; k -= 1) {
    left.push(say(raw[k]!))
    if (raw[k]! > 9n && stands > 0n) left.push(say(stands * 10n + raw[k]!))
    stands = stands * 10n + raw[k]!
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

const repunit: Speaker = (problem) => {
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

/** Front and back in either order, and the whole where they do not just stand side by side. */
function halves(
  front: readonly string[],
  back: string,
  value: bigint,
  width: number,
  taken: boolean,
  s: number,
  name = '',
): Spoken[] {
  const joined = !taken && back.length === width ? [] : [say(value)]
  const end = pointed(value, s)
  return [
    { way: `front, then back${name}`, said: [...front, back, ...joined, ...end] },
    { way: `back, then front${name}`, said: [back, ...front, ...joined, ...end] },
  ]
}

const near = (n: bigint) =>
  [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12].find((k) =>
    k === 1 ? n >= 5n && n <= 19n : 2n * abs(n - P(k)) <= P(k),
  )!

const nearBase: Speaker = (problem) => {
  const { a, b } = factors(problem)
  const k = near(a)
  const [d, e] = [a - P(k), b - P(k)]
  const taken = d < 0n !== e < 0n
  const all = (x: string, y: string, back: string, name: string) =>
    halves([say(a + e)], back, a * b, k, taken, 0, name).map(({ way, said }) => ({
      way,
      said: [x, y, ...said],
    }))
  return [
    ...all(say(abs(d)), say(abs(e)), say(abs(d * e)), ''),
    ...all(say(d), say(e), say(d * e), ', with signs'),
  ]
}

const squareNear: Speaker = (problem) => {
  const { each } = numbersOf(problem)
  const { n, s } = each[0]!
  const k = near(n)
  const d = n - P(k)
  return [say(abs(d)), say(d)].flatMap((gap) =>
    halves([say(n + d)], say(d * d), n * n, k, false, 2 * s).map(({ way, said }) => ({
      way,
      said: [gap, ...said],
    })),
  )
}

const byNines: Speaker = (problem) => {
  const { a, b, s } = factors(problem)
  const [n, nines] = /^9+$/.test(b.toString()) ? [a, b] : [b, a]
  const [k, base] = [len(nines), nines + 1n]
  const missing = base - (n % base)
  return halves([say(n - n / base - 1n)], say(missing), a * b, k, false, s)
}

/** Head times the next: one product, or crosswise where both have two digits and neither is a round ten. */
function head(h: bigint): string[] {
  const next = h + 1n
  if (h < 10n || h % 10n === 0n || next % 10n === 0n) return [say(next), say(h * next)]
  return [say(next), ...writtenOut(crossProducts(h, next), 'digits')]
}

const sameHead: Speaker = (problem) => {
  const { a, b } = factors(problem)
  return halves(head(a / 10n), say((a % 10n) * (b % 10n)), a * b, 2, false, 0)
}

const repdigit: Speaker = (problem) => {
  const { a, b } = factors(problem)
  const pair = a / 10n + (a % 10n) === 10n && b % 11n === 0n ? a : b
  const same = (pair === a ? b : a) % 10n
  return halves([say((pair / 10n + 1n) * same)], say((pair % 10n) * same), a * b, 2, false, 0)
}

const endingFive: Speaker = (problem) => {
  const { n, s } = numbersOf(problem).each[0]!
  const front = head(n / 10n)
  const end = pointed(n * n, 2 * s)
  const ways = [{ way: 'the whole', said: [...front, say(n * n), ...end] }]
  // 2 and 25 could be a front with a 5 behind it.
  return n / 10n === 1n ? ways : [...ways, { way: 'just the 25', said: [...front, '25', ...end] }]
}

const doubleHalve: Speaker = (problem) => {
  const { a, b, s } = factors(problem)
  const plain = (n: bigint) => BigInt(n.toString().replace(/0+$/, ''))
  const walk = (x: bigint, y: bigint): { said: string[]; left: number } | undefined => {
    if (y < 3n || plain(x) % 5n !== 0n) return undefined
    const said: string[] = []
    let [up, down, often] = [x, y, 0]
    while (down % 2n === 0n && plain(up) % 5n === 0n) {
      up *= 2n
      down /= 2n
      often += 1
      said.push(say(up), say(down))
    }
    let later = 0
    if (often === 0)
      while (plain(up) % 5n === 0n && later < 6) {
        up *= 2n
        later += 1
        said.push(say(up))
      }
    if (often === 0 && !/^10*$/.test(up.toString())) return undefined
    let value = up * down
    said.push(say(value))
    for (let i = 0; i < later; i += 1) {
      value /= 2n
      said.push(say((up * down * P(6)) / 2n ** BigInt(i + 1), 6))
    }
    return { said, left: up.toString().replace(/0/g, '').length + 2 * later }
  }
  const ways = [walk(a, b), walk(b, a)].filter((w) => w !== undefined)
  const best = ways.toSorted((v, w) => v.left - w.left)[0]
  return best ? [{ way: 'twice and half', said: [...best.said, ...pointed(a * b, s)] }] : []
}

const commonFactor: Speaker = (problem) => {
  if (problem.kind !== 'product-pair') return []
  const [p, q] = [problem.left, problem.right].map((f) => f.map((n) => n.units))
  const shared = p!.find((n) => {
    const [x, y] = [p!.find((m) => m !== n) ?? n, q!.find((m) => m !== n) ?? n]
    return q!.includes(n) && (BigInt(problem.sign) * y + x) % 10n === 0n && BigInt(problem.sign) * y + x > 0n
  })
  if (shared === undefined) return []
  const other = (some: bigint[]) => some.find((m) => m !== shared) ?? shared
  const together = other(p!) + BigInt(problem.sign) * other(q!)
  return [{ way: 'taken out', said: [say(shared), say(together), say(shared * together)] }]
}

const shortDivision: Speaker = (problem, { rest: school }) => {
  const { each } = numbersOf(problem)
  const [{ n, s }, { n: by }] = each as [Number_, Number_]
  const digits = n.toString().padStart(s + 1, '0')
  const said: string[] = []
  let [rest, begun] = [0n, false]
  const decimals = school === 'decimals' ? 6 : s
  for (let i = 0; i < digits.length - s + decimals; i += 1) {
    const more = i >= digits.length
    if (more && rest === 0n) break
    const part = rest * 10n + BigInt(digits[i] ?? 0)
    const q = part / by
    rest = part % by
    if (q === 0n && !begun && i < digits.length - s - 1) continue
    begun = true
    const end = i === digits.length - s + decimals - 1 || (i >= digits.length - 1 && school !== 'decimals')
    said.push(say(q))
    if (rest > 0n && (q > 0n || end) && !(end && school === 'decimals')) said.push(say(rest))
  }
  return [{ way: 'digit and rest', said }]
}

const balance: Speaker = (problem) => {
  const { n, s } = numbersOf(problem).each[0]!
  return [(n / 10n) * 10n, (n / 10n + 1n) * 10n]
    .filter((r) => r > 0n && r !== n)
    .map((r) => {
      const [other, d] = [2n * n - r, abs(n - r)]
      return {
        way: r > n ? 'rounding up' : 'rounding down',
        said: [say(r), say(other), say(r * other), say(r * other + d * d), ...pointed(n * n, 2 * s)],
      }
    })
}

const duplexOf = (group: readonly bigint[]) => sum(group.map((d, i) => d * group[group.length - 1 - i]!))

const squareDuplex: Speaker = (problem) => {
  const { n, s } = numbersOf(problem).each[0]!
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

const root = (n: bigint) => {
  let r = BigInt(Math.floor(Math.sqrt(Number(n))))
  while (r * r > n) r -= 1n
  while ((r + 1n) * (r + 1n) <= n) r += 1n
  return r
}

/** Two or three decimals of a quotient. */
const rounded = (x: number, places = 3) => String(Number(x.toFixed(places)))

const estimate: Speaker = (problem, { square }) => {
  const { n: units, s } = numbersOf(problem).each[0]!
  const n = Number(units) / 10 ** s
  const below = Number(root(units / P(s)))
  const r = square === 'nearest' && (below + 1) ** 2 - n < n - below ** 2 ? below + 1 : below
  const gap = Math.abs(n - r * r)
  if (gap === 0) return [{ way: 'a square', said: [String(r), '0'] }]
  const left = rounded(gap, 6)
  const decided = (said: string[]) => {
    const [a, b] = [Math.round(gap), 2 * r]
    if (s > 0) return said
    let [x, y] = [a, b]
    while (y > 0) [x, y] = [y, x % y]
    return x > 1 ? [...said, String(x)] : said
  }
  const c = gap / (2 * r)
  const sign = r * r > n ? -1 : 1
  const said = [...decided([String(r), left, String(2 * r)]), rounded(c)]
  let e = Number(rounded(r + sign * Number(rounded(c))))
  said.push(rounded(e))
  // Again where the part left out would show in the second decimal.
  let again = Number(rounded(c)) ** 2 / (2 * (square === 'nearest' ? r : below)) >= 0.01
  for (let i = 0; again && i < 4; i += 1) {
    const q = Number(rounded(n / e))
    again = Math.abs(e - q) / 2 >= 0 && (Math.abs(e - q) / 2) ** 2 / (2 * r) >= 0.01
    e = Number(rounded((e + q) / 2))
    said.push(rounded(q), rounded(e))
  }
  return [{ way: 'square, rest, twice, correction', said }]
}

const rootDuplex: Speaker = (problem, { decimals }) => {
  const { n, s } = numbersOf(problem).each[0]!
  const asked = Number(decimals)
  const whole = n / P(s)
  const groups = Math.ceil(len(whole) / 2)
  // The root stops where it comes out.
  let places = asked
  for (let p = 0; p < asked; p += 1) {
    if (s > 2 * p) continue
    const at = n * P(2 * p - s)
    if (root(at) ** 2n === at) {
      places = p
      break
    }
  }
  const cut = s <= 2 * places ? n * P(2 * places - s) : n / P(s - 2 * places)
  const found = root(cut).toString().split('').map(BigInt)
  const digits = n.toString()
  const first = whole / P(2 * (groups - 1))
  const r0 = found[0]!
  const said = [say(r0)]
  if (groups + places === 1) return [{ way: 'one digit', said }]
  let rest = first - r0 * r0
  said.push(say(rest), say(2n * r0))
  const from = first.toString().length
  for (let k = 1; k < groups + places; k += 1) {
    const next = BigInt(digits[from + k - 1] ?? 0)
    const gross = rest * 10n + next
    const duplex = duplexOf(found.slice(1, k))
    if (duplex > 0n) said.push(say(duplex), say(gross - duplex))
    said.push(say(found[k]!))
    rest = gross - duplex - found[k]! * 2n * r0
    if (k < groups + places - 1) said.push(say(rest))
  }
  return [{ way: 'duplex by duplex', said }]
}

const beadsAdd: Speaker = (problem) => {
  const { terms, signs, s } = numbersOf(problem)
  let total = terms[0]!
  const said = [say(total, s)]
  for (const [i, term] of terms.slice(1).entries())
    for (const p of parts(term)) {
      total += BigInt(signs[i + 1]!) * p
      said.push(say(total, s))
    }
  return [
    { way: 'rod by rod', said },
    {
      way: 'number by number',
      said: changing(
        terms.map((_, i) => sum(terms.slice(0, i + 1).map((t, j) => BigInt(signs[j]!) * t))),
        -1n,
      ).map((t) => say(t, s)),
    },
  ]
}

const beadsMultiply: Speaker = (problem) => {
  const { each } = numbersOf(problem)
  const [x, y] = each as [Number_, Number_]
  const s = x.s + y.s
  return [
    [x, y],
    [y, x],
  ].map(([outer, inner], w) => {
    const said: string[] = []
    let total = 0n
    for (let i = len(outer!.n) - 1; i >= 0; i -= 1) {
      if (digit(outer!.n, i) === 0n) continue
      // Rods are counted from the unit rod, which is 1.
      said.push(say(BigInt(i + len(inner!.n) - s + 1)))
      for (let j = len(inner!.n) - 1; j >= 0; j -= 1) {
        const product = digit(outer!.n, i) * digit(inner!.n, j)
        if (product === 0n) continue
        if (product < 10n) said.push('0')
        total += product * P(i + j)
        said.push(say(total, s))
      }
    }
    return { way: w === 0 ? 'first number outside' : 'second number outside', said }
  })
}

const flash: Speaker = (problem) => {
  const { terms, signs, s } = numbersOf(problem)
  const totals = terms.map((_, i) => sum(terms.slice(0, i + 1).map((t, j) => BigInt(signs[j]!) * t)))
  return [{ way: 'number by number', said: totals.slice(1).map((t) => say(t, s)) }]
}

const alone: Speaker = (problem) => {
  const { n, s } = numbersOf(problem).each[0]!
  return [{ way: 'at once', said: [say(n, s)] }]
}

/** What is said, by technique. */
export const PRACTITIONER: Readonly<Record<string, Speaker>> = {
  'add-running-total': runningTotal,
  'add-place-sweep': placeSweep,
  'add-pairs': pairs,
  'add-columns-left': columnsLeft,
  'add-column-totals': columnTotals,
  'add-compensation': compensation,
  'subtract-hold-drop': columnsDown(false),
  'subtract-complement': columnsDown(true),
  'add-blocks': blocksUp,
  'subtract-blocks': blocksDown,
  'subtract-round-up': roundUp,
  'multiply-addition': splitAdd,
  'multiply-subtraction': roundBack,
  'multiply-factors': byFactors,
  'multiply-crosswise': crosswise,
  'multiply-repunit': repunit,
  'multiply-complement-repdigit': repdigit,
  'multiply-same-head': sameHead,
  'multiply-near-base': nearBase,
  'multiply-by-nines': byNines,
  'multiply-double-halve': doubleHalve,
  'multiply-common-factor': commonFactor,
  'divide-short': shortDivision,
  'square-ending-five': endingFive,
  'square-near-base': squareNear,
  'square-round-balance': balance,
  'square-duplex': squareDuplex,
  'root-estimate': estimate,
  'root-duplex': rootDuplex,
  'soroban-read': alone,
  'soroban-set': alone,
  'soroban-add': beadsAdd,
  'soroban-multiply': beadsMultiply,
  'flash-sum': flash,
}
