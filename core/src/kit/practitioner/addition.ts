/** What is said when adding. */
import { present } from '../../number/present.js'
import { digit, len, nextTen, numbersOf, P, parts, type Speaker, say, sum } from './numbers.js'

export const runningTotal: Speaker = (problem) => {
  const { terms, signs, s } = numbersOf(problem)
  const start = BigInt(present(signs[0])) * present(terms[0])
  const through = (order: (n: bigint) => bigint[]) => {
    let total = start
    return terms.slice(1).flatMap((term, i) =>
      order(term).map((p) => {
        total += BigInt(present(signs[i + 1])) * p
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
        left.length > 0 && present(left.at(-1)).length > 1 ? -1 : undefined,
      ),
    },
  ]
}

export const placeSweep: Speaker = (problem, { start }) => {
  const { terms, s } = numbersOf(problem)
  const whole = start === 'first-whole'
  const swept = whole ? terms.slice(1) : terms
  const begin = whole ? present(terms[0]) : 0n
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

/** The tens among some digits, and what is left of them. */
const tens = (column: bigint[]) => {
  const left = [...column]
  const found: bigint[] = []
  for (let i = 0; i < left.length; i += 1) {
    const j = left.findIndex((d, k) => k > i && d + present(left[i]) === 10n)
    if (j < 0) continue
    found.push(10n)
    left.splice(j, 1)
    left.splice(i, 1)
    i -= 1
  }
  return [...found, ...left]
}

export const pairs: Speaker = (problem) => {
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
  return [
    { way: 'tens first', said: along(tens) },
    { way: 'one by one', said: along((c) => c) },
    { way: 'largest first', said: along((c) => c.toSorted((a, b) => Number(b - a))) },
    { over: true, way: 'a place at once', said: along((c) => (c.length > 0 ? [sum(c)] : [])) },
  ]
}

export const columnsLeft: Speaker = (problem) => {
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
          const up = present(stands[j]) + carry
          stands[j] = j === 0 ? up : up % 10n
          said.push(say(present(stands[j])))
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

export const blocksUp: Speaker = (problem) => {
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

export const columnTotals: Speaker = (problem) => {
  const { terms, s } = numbersOf(problem)
  const high = Math.max(...terms.map(len)) - 1
  const along = (running: boolean, order = (column: bigint[]) => column) => {
    let estimate = 0n
    const said: string[] = []
    for (let k = high; k >= 0; k -= 1) {
      const digits = order(terms.map((t) => digit(t, k)).filter((d) => d > 0n))
      let total = 0n
      for (const [i, d] of digits.entries()) {
        total += d
        if (running && i < digits.length - 1 && (i > 0 || d === 10n)) said.push(say(total))
      }
      estimate += total * P(k)
      said.push(say(total), say(estimate, s))
    }
    return said
  }
  return [
    { way: 'totals and estimates', said: along(false) },
    { way: 'running totals in the column', said: along(true) },
    { way: 'tens in the column first', said: along(true, tens) },
  ]
}

export const compensation: Speaker = (problem) => {
  const { terms, s } = numbersOf(problem)
  const ways = [0, 1].filter(
    (i) => present(terms[i]) % 10n !== 0n && present(terms[i]) > 9n && present(terms[1 - i]) > 0n,
  )
  return ways.flatMap((i) => {
    const [n, other] = [present(terms[i]), present(terms[1 - i])]
    const round = nextTen(n)
    const said = [round, round + other, round - n, n + other].map((v) => say(v, s))
    return [{ way: `rounding number ${i + 1}`, said }]
  })
}
