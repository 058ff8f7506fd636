/** Paper kind: several operations in their order. */

import { type Decimal, decimal, toWords } from '../number/decimal.js'
import { dividedBy, type Fraction, fractionOf, minus, plus, times } from '../number/fraction.js'
import { present } from '../number/present.js'
import { said } from '../number/whole.js'
import { type Chain, chainsOf, chainValue } from '../problem/items/expressions.js'
import { itemOf } from '../problem/items/forms.js'
import {
  between,
  either,
  kept,
  listed,
  mapped,
  type ProblemSpace,
  pairs,
  type Space,
} from '../problem/space.js'
import { SIGNED } from '../question/kind.js'
import { productLoad, quotientLoad, together } from '../technique/facts.js'
import { type Misfit, misfit } from '../technique/make.js'
import { difference, holdsThat, type Quantity, sum } from '../technique/quantities/quantities.js'
import { OPERATIONS } from '../words/paper/measures.js'
import { answered, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'

/** Items that are expressions, from their numbers and signs in order. */
export const expressionsOf = (
  space: Space<readonly (bigint | string)[]>,
  form: 'operations' | 'estimate' = 'operations',
): ProblemSpace =>
  mapped(space, (all) =>
    itemOf(form, {
      numbers: all.filter((x) => typeof x === 'bigint').map((n) => decimal(n)),
      signs: all.filter((x) => typeof x === 'string'),
    }),
  )

const digit = between(2, 9)
const table = pairs(digit, digit)

export const operations = paperKind({
  id: 'paper-operations',
  words: OPERATIONS,
  levels: [
    [
      'One product among sums',
      () =>
        either(
          expressionsOf(mapped(pairs(between(2, 20), table), ([a, [b, c]]) => [a, '+', b, '*', c])),
          expressionsOf(
            mapped(
              kept(pairs(between(40, 99), table), ([a, [b, c]]) => a > b * c),
              ([a, [b, c]]) => [a, '-', b, '*', c],
            ),
          ),
        ),
    ],
    [
      'A quotient and a product',
      () =>
        expressionsOf(
          mapped(pairs(table, pairs(table, listed(['+', '-']))), ([[a, b], [[c, d], sign]]) =>
            sign === '+' ? [a * b, '/', b, '+', c, '*', d] : [c * d, '-', a * b, '/', b],
          ),
        ),
    ],
    [
      'Three parts',
      () =>
        expressionsOf(
          mapped(pairs(table, pairs(table, between(2, 12))), ([[a, b], [[c, d], e]]) => [
            a * b,
            '/',
            b,
            '+',
            c,
            '*',
            d,
            '-',
            e,
          ]),
        ),
    ],
    [
      'Longer products',
      () =>
        expressionsOf(
          mapped(pairs(table, pairs(table, pairs(digit, between(2, 30)))), ([[a, b], [[c, d], [e, f]]]) => [
            a * b,
            '/',
            b,
            '*',
            e,
            '+',
            c,
            '*',
            d,
            '-',
            f,
          ]),
        ),
    ],
  ],
  read(problem): { readonly chains: readonly Chain[]; readonly fromLeft: bigint | undefined } | Misfit {
    const item = itemOfForm(problem, OPERATIONS.none, 'operations')
    if (isMisfit(item)) return item
    const chains = chainsOf(item)
    if (chains.some((c) => chainSteps(c) === undefined)) return misfit(OPERATIONS.broken)
    if (chains.length < 2 || chains.every((c) => c.numbers.length < 2)) return misfit(OPERATIONS.none)
    return { chains, fromLeft: fromTheLeft(item) }
  },
  *work({ chains, fromLeft }) {
    const mind = new Mind()
    const values: bigint[] = []
    for (const [i, chain] of chains.entries()) {
      if (chain.numbers.length < 2) {
        values.push(present(chain.numbers[0]).units)
        continue
      }
      const worked = chainQuantity(chain)
      const before = i > 0 ? present(values.at(-1)) : undefined
      values.push(
        yield* mind.find(worked, {
          what: `part ${i + 1}`,
          ask: OPERATIONS.ask,
          why: OPERATIONS.why,
          action: 'product',
          slips(slip) {
            const [sign] = chain.signs
            const first = present(chain.numbers[0]).units
            // What stands before it taken along: 4 + 7, and only then times 5.
            if (before !== undefined && sign === '*')
              slip(
                'wrong-question',
                decimal(before + BigInt(chain.sign) * first),
                4,
                OPERATIONS.fromLeft(holdsThat(worked)),
              )
            slip(
              sign === '*' ? 'added-not-multiplied' : 'not-divided',
              decimal(sign === '*' ? first + present(chain.numbers[1]).units : first),
              3,
              OPERATIONS.fromLeft(holdsThat(worked)),
            )
          },
        }),
      )
    }
    const total = values.reduce((sum, v, i) => sum + BigInt(present(chains[i]).sign) * v, 0n)
    const text = values
      .map((v, i) => (i === 0 ? said(v) : `${present(chains[i]).sign < 0 ? ' − ' : ' + '}${said(v)}`))
      .join('')
    const right = `${text} = ${said(total)}`
    return yield* answered(decimal(total), {
      kind: SIGNED,
      why: OPERATIONS.whySum,
      reckons: text,
      load: sumsLoad(values, chains),
      slips(slip) {
        if (fromLeft !== undefined) slip('wrong-question', decimal(fromLeft), 6, OPERATIONS.fromLeft(right))
        const last = BigInt(present(chains.at(-1)).sign) * present(values.at(-1))
        slip('wrong-sign', decimal(total - 2n * last), 4, OPERATIONS.sign(right))
        slip('part-left-out', decimal(total - last), 3, OPERATIONS.missing(right))
      },
    })
  },
})

function sumsLoad(values: readonly bigint[], chains: readonly Chain[]) {
  let total = present(values[0])
  const loads = values.slice(1).map((v, i) => {
    const plus = present(chains[i + 1]).sign > 0
    const quantity = plus ? sum(total, v) : difference(total, v)
    total = plus ? total + v : total - v
    return quantity.load()
  })
  return together(...loads)
}

/** The whole values of a chain from the left; undefined where one does not come out even. */
function chainSteps({ numbers, signs }: Chain): readonly bigint[] | undefined {
  const values: bigint[] = []
  for (let i = 1; i <= numbers.length; i += 1) {
    const value = chainValue({ numbers: numbers.slice(0, i), signs: signs.slice(0, i - 1) })
    if (value.under !== 1n) return undefined
    values.push(value.over)
  }
  return values
}

function chainQuantity(chain: Chain): Quantity {
  const values = present(chainSteps(chain))
  const text = chain.numbers
    .map((n, i) => (i === 0 ? toWords(n) : `${chain.signs[i - 1] === '*' ? ' × ' : ' ÷ '}${toWords(n)}`))
    .join('')
  const loads = chain.numbers
    .slice(1)
    .map((n, i) =>
      chain.signs[i] === '*'
        ? productLoad(present(values[i]), n.units)
        : quotientLoad(present(values[i]), n.units),
    )
  const value = present(values.at(-1))
  return {
    value: decimal(value),
    text,
    load: () => together(...loads),
    // What a longer chain comes to on the way.
    parts: () => values.slice(1, -1).map((n) => decimal(n)),
    slips(slip) {
      for (const off of [-1n, 1n])
        if (value + off > 0n)
          slip('fact', decimal(value + off), 2, OPERATIONS.missing(`${text} = ${said(value)}`))
    },
  }
}

/** Worked one after another as it is read, whatever the signs; undefined where that does not come out even. */
function fromTheLeft({
  numbers,
  signs,
}: {
  readonly numbers: readonly Decimal[]
  readonly signs: readonly string[]
}): bigint | undefined {
  const work: Readonly<Record<string, (a: Fraction, b: Fraction) => Fraction>> = {
    '+': plus,
    '-': minus,
    '*': times,
    '/': dividedBy,
  }
  const value = numbers
    .slice(1)
    .reduce(
      (total, n, i) => present(work[present(signs[i])])(total, fractionOf(n)),
      fractionOf(present(numbers[0])),
    )
  return value.under === 1n ? value.over : undefined
}
