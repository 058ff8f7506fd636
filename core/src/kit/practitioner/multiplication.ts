/** What is said when multiplying by parts, by rounding and by factors, and when dividing. */
import { firstOf, present } from '../../number/present.js'
import {
  abs,
  factors,
  type Number_,
  nextTen,
  numbersOf,
  P,
  parts,
  pointed,
  type Speaker,
  type Spoken,
  say,
} from './numbers.js'

/** Either factor may be taken apart. */
const eitherApart = (a: bigint, b: bigint) =>
  [
    [a, b],
    [b, a],
  ] as const

export const splitAdd: Speaker = (problem) => {
  const { a, b, s } = factors(problem)
  const ways: Spoken[] = []
  for (const [apart, whole] of eitherApart(a, b)) {
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
      const written: string[] = []
      let [rest, carry] = [apart, 0n]
      while (rest > 0n) {
        const value = (rest % 100n) * whole + carry
        said.push(say(value))
        written.push(rest < 100n ? say(value) : (value % 100n).toString().padStart(2, '0'))
        carry = rest < 100n ? 0n : value / 100n
        rest /= 100n
      }
      ways.push({ way: 'blocks of two from the right', said: [...said, ...end] })
      // The first digits to be written may be a product that is said as well.
      ways.push({ over: true, way: 'blocks of two, the digits to write', said: [...written, ...end] })
    }
  }
  return ways
}

export const roundBack: Speaker = (problem) => {
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

export const byFactors: Speaker = (problem) => {
  const { a, b, s } = factors(problem)
  const ways: Spoken[] = []
  for (const [apart, whole] of eitherApart(a, b)) {
    if (apart < 10n || !oneDigit(apart)) continue
    for (const largest of [true, false]) {
      const said: string[] = []
      let [left, value] = [apart, whole]
      while (left > 9n) {
        const able = [2n, 3n, 4n, 5n, 6n, 7n, 8n, 9n].filter((f) => left % f === 0n)
        const f = largest ? present(able.at(-1)) : present(able[0])
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

export const doubleHalve: Speaker = (problem) => {
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

export const commonFactor: Speaker = (problem) => {
  if (problem.kind !== 'product-pair') return []
  const [p, q] = firstOf(
    2,
    [problem.left, problem.right].map((f) => f.map((n) => n.units)),
  )
  const shared = p.find((n) => {
    const [x, y] = [p.find((m) => m !== n) ?? n, q.find((m) => m !== n) ?? n]
    return q.includes(n) && (BigInt(problem.sign) * y + x) % 10n === 0n && BigInt(problem.sign) * y + x > 0n
  })
  if (shared === undefined) return []
  const other = (some: bigint[]) => some.find((m) => m !== shared) ?? shared
  const together = other(p) + BigInt(problem.sign) * other(q)
  return [{ way: 'taken out', said: [say(shared), say(together), say(shared * together)] }]
}

export const shortDivision: Speaker = (problem, { rest: variant }) => {
  const { each } = numbersOf(problem)
  const [{ n, s }, { n: by }] = each as [Number_, Number_]
  const digits = n.toString().padStart(s + 1, '0')
  const said: string[] = []
  let [rest, begun] = [0n, false]
  const decimals = variant === 'decimals' ? 6 : s
  for (let i = 0; i < digits.length - s + decimals; i += 1) {
    const more = i >= digits.length
    if (more && rest === 0n) break
    const part = rest * 10n + BigInt(digits[i] ?? 0)
    const q = part / by
    rest = part % by
    if (q === 0n && !begun && i < digits.length - s - 1) continue
    begun = true
    const end = i === digits.length - s + decimals - 1 || (i >= digits.length - 1 && variant !== 'decimals')
    said.push(say(q))
    if (rest > 0n && (q > 0n || end) && !(end && variant === 'decimals')) said.push(say(rest))
  }
  return [{ way: 'digit and rest', said }]
}

export const balance: Speaker = (problem) => {
  const { n, s } = present(numbersOf(problem).each[0])
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
