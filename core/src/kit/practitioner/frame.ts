/** What is said at the frame, and of a flashed list. */
import { present } from '../../number/present.js'
import { changing, digit, len, type Number_, numbersOf, P, parts, type Speaker, say, sum } from './numbers.js'

export const beadsAdd: Speaker = (problem) => {
  const { terms, signs, s } = numbersOf(problem)
  let total = present(terms[0])
  const said = [say(total, s)]
  for (const [i, term] of terms.slice(1).entries())
    for (const p of parts(term)) {
      total += BigInt(present(signs[i + 1])) * p
      said.push(say(total, s))
    }
  return [
    { way: 'rod by rod', said },
    {
      way: 'number by number',
      said: changing(
        terms.map((_, i) => sum(terms.slice(0, i + 1).map((t, j) => BigInt(present(signs[j])) * t))),
        -1n,
      ).map((t) => say(t, s)),
    },
  ]
}

export const beadsMultiply: Speaker = (problem) => {
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

export const flash: Speaker = (problem) => {
  const { terms, signs, s } = numbersOf(problem)
  const totals = terms.map((_, i) => sum(terms.slice(0, i + 1).map((t, j) => BigInt(present(signs[j])) * t)))
  return [{ way: 'number by number', said: totals.slice(1).map((t) => say(t, s)) }]
}

export const alone: Speaker = (problem) => {
  const { n, s } = present(numbersOf(problem).each[0])
  return [{ way: 'at once', said: [say(n, s)] }]
}
