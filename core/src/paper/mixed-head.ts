/** Paper kind: mixed numbers with the same head whose parts make one. */
import { decimal } from '../number/decimal.js'
import { fraction, gcf } from '../number/fraction.js'
import { itemOf } from '../problem/items/forms.js'
import { between, kept, listed, mapped, type ProblemSpace, pairs } from '../problem/space.js'
import { MIXED } from '../question/fractions.js'
import { type Misfit, misfit } from '../technique/make.js'
import { holdsThat, product, square } from '../technique/quantities/quantities.js'
import { MIXED_HEAD } from '../words/paper/fractions.js'
import { wrongValue } from './fractions.js'
import { answered, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'

interface SameHead {
  readonly head: bigint
  readonly a: bigint
  readonly b: bigint
  readonly under: bigint
}

const sameHeads = (heads: readonly [number, number], unders: readonly bigint[]): ProblemSpace =>
  mapped(
    kept(
      pairs(between(...heads), pairs(listed(unders), between(1, 11))),
      ([, [u, a]]) => a < u && gcf(a, u) === 1n,
    ),
    ([w, [u, a]]) =>
      itemOf('fractions', { numbers: [w, a, u, w, u - a, u].map((n) => decimal(n)), signs: ['*'] }),
  )

export const mixedHead = paperKind({
  id: 'paper-mixed-head',
  words: MIXED_HEAD,
  needs: ['multiply-same-head'],
  levels: [
    ['Halves, thirds and quarters, heads to 9', () => sameHeads([2, 9], [2n, 3n, 4n])],
    ['Fifths, sixths and eighths, heads to 12', () => sameHeads([3, 12], [5n, 6n, 8n])],
    ['Sevenths to twelfths, heads to 20', () => sameHeads([6, 20], [7n, 9n, 10n, 11n, 12n])],
  ],
  read(problem): SameHead | Misfit {
    const item = itemOfForm(problem, MIXED_HEAD.none, 'fractions')
    if (isMisfit(item)) return item
    const [w, a, u, v, b, t] = item.numbers.map((n) => n.units) as [
      bigint,
      bigint,
      bigint,
      bigint,
      bigint,
      bigint,
    ]
    const fits = item.signs[0] === '*' && w === v && w > 0n && u === t && a > 0n && b > 0n && a + b === u
    return fits ? { head: w, a, b, under: u } : misfit(MIXED_HEAD.none)
  },
  *work({ head, a, b, under }) {
    const mind = new Mind()
    const front = product(head, head + 1n)
    const whole = yield* mind.find(front, {
      what: 'front',
      ask: MIXED_HEAD.askHead,
      why: MIXED_HEAD.whyHead,
      action: 'product',
      slips: (slip) =>
        slip('one-more-forgotten', decimal(head * head), 6, MIXED_HEAD.noNext(holdsThat(front))),
    })
    const above = product(a, b)
    const over = yield* mind.find(above, {
      what: 'above',
      ask: MIXED_HEAD.askOver,
      why: MIXED_HEAD.whyOver,
      action: 'product',
      slips: (slip) => slip('added-not-multiplied', decimal(a + b), 4, MIXED_HEAD.added(holdsThat(above))),
    })
    const squared = square(under)
    const below = yield* mind.find(squared, {
      what: 'below',
      ask: MIXED_HEAD.askUnder,
      why: MIXED_HEAD.whyUnder,
      action: 'product',
      slips: (slip) => slip('not-squared', decimal(under), 5, MIXED_HEAD.notSquared(holdsThat(squared))),
    })
    const parts = below === 0n ? 1n : below
    return yield* answered(fraction(whole * parts + over, parts), {
      kind: MIXED,
      why: MIXED_HEAD.why,
      slips(slip) {
        slip('part-left-out', fraction(whole), 5, MIXED_HEAD.partsMissing)
        slip('added-not-multiplied', fraction(whole + 1n), 4, MIXED_HEAD.one)
        wrongValue(slip, whole * under + over, under)(
          3,
          'not-squared',
          MIXED_HEAD.notSquared(holdsThat(squared)),
        )
      },
    })
  },
})
