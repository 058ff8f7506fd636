/** What is said when taking away. */
import { present } from '../../number/present.js'
import { digit, len, nextTen, numbersOf, P, type Speaker, say } from './numbers.js'

export const roundUp: Speaker = (problem) => {
  const { terms, s } = numbersOf(problem)
  const [a, b] = terms as [bigint, bigint]
  const [top, bottom] = a < b ? [b, a] : [a, b]
  const round = nextTen(bottom)
  if (round > top) return []
  const end = a < b ? [say(top - bottom, s), say(a - b, s)] : [say(a - b, s)]
  const said = [round, top - round, round - bottom].map((v) => say(v, s))
  return [
    { way: 'the next ten', said: [...said, ...end] },
    {
      way: 'the gap with its sign',
      said: [present(said[0]), present(said[1]), `-${present(said[2])}`, ...end],
    },
  ]
}

export const columnsDown =
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
            const before = present(stands[j])
            stands[j] = (before + 9n) % 10n
            said.push(say(present(stands[j])))
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
      const [lent, lends] = [borrows(k), k > 0 && borrows(k - 1)]
      const held = t - u + (lent ? 10n : 0n)
      if (t === u && lent) {
        glance.push('10', '9')
        continue
      }
      if (lent) glance.push(...decided(k))
      glance.push(say(held))
      if (k > 0) glance.push(say((held + (lends ? 9n : 10n)) % 10n))
    }
    return [
      { way: 'write, then lower', said: mend(false) },
      { way: 'lower, then write', said: mend(true) },
      { way: 'hold and look right', said: [...glance, ...sign] },
      { way: 'at once', said: [say(a - b, s)] },
    ]
  }

export const blocksDown: Speaker = (problem) => {
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
