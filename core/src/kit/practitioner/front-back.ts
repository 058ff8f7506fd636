/** What is said where a product comes as a front and a back. */
import { present } from '../../number/present.js'
import { crossProducts, writtenOut } from './columns.js'
import { abs, factors, len, numbersOf, P, pointed, type Speaker, type Spoken, say } from './numbers.js'

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
  present(
    [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12].find((k) =>
      k === 1 ? n >= 5n && n <= 19n : 2n * abs(n - P(k)) <= P(k),
    ),
  )

export const nearBase: Speaker = (problem) => {
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

export const squareNear: Speaker = (problem) => {
  const { each } = numbersOf(problem)
  const { n, s } = present(each[0])
  const k = near(n)
  const d = n - P(k)
  return [say(abs(d)), say(d)].flatMap((gap) =>
    halves([say(n + d)], say(d * d), n * n, k, false, 2 * s).map(({ way, said }) => ({
      way,
      said: [gap, ...said],
    })),
  )
}

export const byNines: Speaker = (problem) => {
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

export const sameHead: Speaker = (problem) => {
  const { a, b } = factors(problem)
  return halves(head(a / 10n), say((a % 10n) * (b % 10n)), a * b, 2, false, 0)
}

export const repdigit: Speaker = (problem) => {
  const { a, b } = factors(problem)
  const pair = a / 10n + (a % 10n) === 10n && b % 11n === 0n ? a : b
  const same = (pair === a ? b : a) % 10n
  return halves([say((pair / 10n + 1n) * same)], say((pair % 10n) * same), a * b, 2, false, 0)
}

export const endingFive: Speaker = (problem) => {
  const { n, s } = present(numbersOf(problem).each[0])
  const front = head(n / 10n)
  const end = pointed(n * n, 2 * s)
  const ways = [{ way: 'the whole', said: [...front, say(n * n), ...end] }]
  // 2 and 25 could be a front with a 5 behind it.
  return n / 10n === 1n ? ways : [...ways, { way: 'just the 25', said: [...front, '25', ...end] }]
}
