/** Paper kind: linear equations with one unknown. */
import { type Decimal, decimal } from '../number/decimal.js'
import { decimalOf, fraction } from '../number/fraction.js'
import { itemOf } from '../problem/items/forms.js'
import { between, kept, mapped, pairs } from '../problem/space.js'
import { SIGNED } from '../question/kind.js'
import { type Misfit, misfit } from '../technique/make.js'
import { quotient, total } from '../technique/quantities/chains.js'
import { holdsThat, product } from '../technique/quantities/quantities.js'
import { EQUATION } from '../words/paper/measures.js'
import { answered, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'

interface Equation {
  readonly a: bigint
  readonly b: bigint
  /** What is added, with its sign. */
  readonly c: bigint
  readonly d: bigint
}

const equationOf = (a: bigint, b: bigint, c: bigint, d: bigint) =>
  itemOf('equation', {
    numbers: [a, b, c < 0n ? -c : c, d].map((n) => decimal(n)),
    signs: [c < 0n ? '-' : '+'],
  })

const solvedBy = (
  xs: readonly [number, number],
  factors: readonly [number, number],
  cs: readonly [number, number],
) =>
  kept(
    pairs(between(...xs), pairs(between(...factors), between(...cs))),
    ([x, [, c]]) => c !== 0n && x !== 0n,
  )

export const equation = paperKind({
  id: 'paper-equation',
  words: EQUATION,
  levels: [
    [
      'Small numbers',
      () =>
        mapped(
          kept(solvedBy([2, 12], [2, 9], [-9, 20]), ([x, [a, c]]) => a * x + c > 0n),
          ([x, [a, c]]) => equationOf(a, 1n, c, a * x + c),
        ),
    ],
    [
      'The unknown divided',
      () =>
        mapped(
          kept(solvedBy([2, 15], [2, 9], [-9, 20]), ([x, [, c]]) => x + c > 0n),
          ([x, [b, c]]) => equationOf(1n, b, c, x + c),
        ),
    ],
    [
      'Larger and negative numbers',
      () => mapped(solvedBy([-12, 25], [3, 15], [-60, 60]), ([x, [a, c]]) => equationOf(a, 1n, c, a * x + c)),
    ],
  ],
  read(problem): Equation | Misfit {
    const item = itemOfForm(problem, EQUATION.none, 'equation')
    if (isMisfit(item)) return item
    const [a, b, c, d] = item.numbers.map((n) => n.units) as [bigint, bigint, bigint, bigint]
    const signed = item.signs[0] === '-' ? -c : c
    const [top, under] = [(d - signed) * b, a]
    return decimalOf(fraction(top, under)) && c > 0n && (a > 1n || b > 1n)
      ? { a, b, c: signed, d }
      : misfit(EQUATION.none)
  },
  *work({ a, b, c, d }) {
    const mind = new Mind()
    const [added, n] = [c > 0n, c > 0n ? c : -c]
    const undone = total([d, added ? -n : n])
    const is = holdsThat(undone)
    const left = yield* mind.find(
      { ...undone, slips: () => undefined },
      {
        what: 'left',
        ask: EQUATION.askUndone,
        why: added ? EQUATION.whyAdded : EQUATION.whyTaken,
        slips(slip) {
          slip(added ? 'added' : 'wrong-sign', decimal(added ? d + n : d - n), 5, EQUATION.wrongWay(is))
          for (const off of [1n, -1n])
            slip('fact', decimal(undone.value.units + off), 2, EQUATION.wrongWay(is))
        },
      },
    )
    const divides = a > 1n
    const last = divides ? quotient(left, a) : product(left, b)
    return yield* answered<Decimal>(last.value, {
      kind: SIGNED,
      why: divides ? EQUATION.whyDivide : EQUATION.whyMultiply,
      reckons: last.text,
      load: last.load(),
      slips(slip) {
        const right = holdsThat(last)
        slip(
          divides ? 'not-divided' : 'not-multiplied',
          decimal(left),
          4,
          divides ? EQUATION.notDivided(right) : EQUATION.notMultiplied(right),
        )
        slip('wrong-sign', decimal(-last.value.units, last.value.scale), 3, EQUATION.wrongWay(right))
        const early = divides ? quotient(d, a).value : decimal(d * b)
        slip('not-done', early, 4, EQUATION.tooEarly(is))
        if (last.value.scale === 0)
          for (const off of [1n, -1n])
            slip('fact', decimal(last.value.units + off), 2, EQUATION.wrongWay(right))
      },
    })
  },
})
