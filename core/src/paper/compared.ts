/** Paper kind: fractions compared across. */

import { decimal } from '../number/decimal.js'
import { present } from '../number/present.js'
import { said } from '../number/whole.js'
import { type ItemProblem, itemAnswer, itemKind, itemOf } from '../problem/items/forms.js'
import { kept, mapped, type ProblemSpace, pairs, type Space } from '../problem/space.js'
import type { AnswerKind } from '../question/kind.js'
import type { Value } from '../question/value.js'
import type { Step } from '../technique/contract.js'
import type { Misfit, SlipSink } from '../technique/make.js'
import { holdsThat, product, type Quantity } from '../technique/quantities/quantities.js'
import { COMPARED } from '../words/paper/fractions.js'
import { type Pair, proper } from './fractions.js'
import { answered, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'

const comparedOf = (space: Space<readonly [Pair, Pair]>): ProblemSpace =>
  mapped(space, ([f, g]) => itemOf('compare', { numbers: [...f, ...g].map((n) => decimal(n)), signs: [] }))

/** Two fractions close to one another: across they differ by at most so much. */
const near = (most: number, apart: bigint) =>
  kept(pairs(proper(most), proper(most)), ([[a, b], [c, d]]) => {
    const gap = a * d - b * c
    return a !== c && b !== d && gap !== 0n && (gap < 0n ? -gap : gap) <= apart
  })

const text = ([a, b]: Pair) => `${a}/${b}`

export const compared = paperKind({
  id: 'paper-compare',
  words: COMPARED,
  levels: [
    ['Two fractions, one digit', () => comparedOf(near(9, 6n))],
    ['Two fractions to 16, close together', () => comparedOf(near(16, 2n))],
    [
      'Three fractions',
      () =>
        mapped(
          kept(
            pairs(near(9, 4n), proper(9)),
            ([[[a, b], [c, d]], [e, f]]) =>
              a * f !== b * e && c * f !== d * e && ![b, d].includes(f) && e > 1n && b < d,
          ),
          ([[f, g], h]) => itemOf('order', { numbers: [...f, ...g, ...h].map((n) => decimal(n)), signs: [] }),
        ),
    ],
  ],
  read(problem): { readonly item: ItemProblem; readonly all: readonly Pair[] } | Misfit {
    const item = itemOfForm(problem, COMPARED.none, 'compare', 'order')
    if (isMisfit(item)) return item
    const n = item.numbers.map((x) => x.units)
    const all = n.flatMap((over, i): Pair[] => (i % 2 ? [] : [[over, present(n[i + 1])]]))
    return { item, all }
  },
  *work({ item, all }) {
    const mind = new Mind()
    const products: string[] = []
    const compare = function* (f: Pair, g: Pair): Generator<Step, number, Value> {
      const [there, back] = [product(f[0], g[1]), product(g[0], f[1])]
      const straight = (right: Quantity, n: bigint) => (slip: SlipSink) =>
        slip('straight-not-cross', decimal(n), 5, COMPARED.straight(holdsThat(right)))
      const x = yield* mind.find(there, {
        what: text(f),
        ask: COMPARED.ask(text(f), text(g)),
        why: COMPARED.why,
        action: 'product',
        slips: straight(there, f[0] * g[0]),
      })
      const y = yield* mind.find(back, {
        what: text(g),
        ask: COMPARED.askBack(text(f), text(g)),
        why: COMPARED.why,
        action: 'product',
        slips: straight(back, g[0] * f[0]),
      })
      mind.letGo(text(f), text(g))
      products.push(COMPARED.beside(said(x), said(y)))
      return x === y ? 0 : x > y ? 1 : -1
    }
    const right = itemAnswer(item) as string
    const [f, g, h] = all as readonly [Pair, Pair, Pair | undefined]
    const first = yield* compare(f, g)
    const kind = itemKind(item) as AnswerKind<string>
    if (h === undefined) {
      const found = first > 0 ? 'first' : first < 0 ? 'second' : 'equal'
      return yield* answered(found, {
        kind,
        why: COMPARED.whyLarger(text(f), text(g)),
        slips(slip) {
          slip('wrong-way', found === 'first' ? 'second' : 'first', 5, COMPARED.turned)
          slip('not-done', 'equal', 2, COMPARED.notEqual)
        },
      })
    }
    const [second, third] = [yield* compare(g, h), yield* compare(f, h)]
    const order = [0, 1, 2].sort((i, j) => {
      const signs: Readonly<Record<string, number>> = { '01': first, '12': second, '02': third }
      return i < j ? present(signs[`${i}${j}`]) : -present(signs[`${j}${i}`])
    })
    const found = order.join('')
    return yield* answered(found, {
      kind,
      why: COMPARED.whyOrder(products),
      slips(slip) {
        slip('wrong-way', [...found].reverse().join(''), 5, COMPARED.reversed)
        for (const other of ['012', '021', '102', '120', '201', '210'])
          if (other !== found && other !== right) slip('fact', other, 1, COMPARED.whyOrder(products))
      },
    })
  },
})
