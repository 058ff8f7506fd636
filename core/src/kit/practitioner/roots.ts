/** What is said when a root is taken. */

import { present } from '../../number/present.js'
import { duplexOf } from './columns.js'
import { len, numbersOf, P, type Speaker, say } from './numbers.js'

const root = (n: bigint) => {
  let r = BigInt(Math.floor(Math.sqrt(Number(n))))
  while (r * r > n) r -= 1n
  while ((r + 1n) * (r + 1n) <= n) r += 1n
  return r
}

/** Two or three decimals of a quotient. */
const rounded = (x: number, places = 3) => String(Number(x.toFixed(places)))

export const estimate: Speaker = (problem, { square }) => {
  const { n: units, s } = present(numbersOf(problem).each[0])
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

export const rootDuplex: Speaker = (problem, { decimals }) => {
  const { n, s } = present(numbersOf(problem).each[0])
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
  const r0 = present(found[0])
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
    said.push(say(present(found[k])))
    rest = gross - duplex - present(found[k]) * 2n * r0
    if (k < groups + places - 1) said.push(say(rest))
  }
  return [{ way: 'duplex by duplex', said }]
}
