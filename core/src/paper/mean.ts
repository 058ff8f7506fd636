/** Paper kind: the mean from an assumed base. */

import { type Decimal, decimal } from '../number/decimal.js'
import { present } from '../number/present.js'
import { said, size } from '../number/whole.js'
import { itemOf } from '../problem/items/forms.js'
import { between, kept, mapped, type ProblemSpace, pairs } from '../problem/space.js'
import { SIGNED } from '../question/kind.js'
import { type Misfit, misfit } from '../technique/make.js'
import { quotient, total } from '../technique/quantities/chains.js'
import { difference, holdsThat, sum } from '../technique/quantities/quantities.js'
import { MEAN } from '../words/paper/numbers.js'
import { answered, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'

/** Means of so many whole numbers around a round one, the mean whole. */
const meansOf = (count: number, spread: number, middle: readonly [number, number]): ProblemSpace => {
  const wide = BigInt(2 * spread + 1)
  const offsets = kept(between(0n, wide ** BigInt(count) - 1n), (index) => {
    const off = offsetsAt(index, count, spread)
    const total = off.reduce((a, b) => a + b, 0n)
    return (
      new Set(off).size === count &&
      total % BigInt(count) === 0n &&
      off.some((n) => n < 0n) &&
      off.some((n) => n > 0n)
    )
  })
  return mapped(pairs(between(...middle, 10), offsets), ([base, index]) =>
    itemOf('mean', { numbers: offsetsAt(index, count, spread).map((n) => decimal(base + n)), signs: [] }),
  )
}

function offsetsAt(index: bigint, count: number, spread: number): bigint[] {
  const wide = BigInt(2 * spread + 1)
  return Array.from({ length: count }, (_, i) => ((index / wide ** BigInt(i)) % wide) - BigInt(spread))
}

export const mean = paperKind({
  id: 'paper-mean',
  words: MEAN,
  needs: ['add-running-total'],
  levels: [
    ['Three numbers', () => meansOf(3, 6, [20, 60])],
    ['Four numbers', () => meansOf(4, 5, [30, 90])],
    ['Five numbers', () => meansOf(5, 3, [100, 300])],
  ],
  read(problem): { readonly numbers: readonly bigint[] } | Misfit {
    const item = itemOfForm(problem, MEAN.none, 'mean')
    if (isMisfit(item)) return item
    return item.numbers.some((n) => n.scale > 0)
      ? misfit(MEAN.none)
      : { numbers: item.numbers.map((n) => n.units) }
  },
  *work({ numbers }) {
    const mind = new Mind()
    const many = BigInt(numbers.length)
    const base = yield* roundBase(mind, numbers)
    const off = numbers.map((n) => n - base)
    const sumOff = total(off)
    const together = yield* mind.find(sumOff, {
      what: 'together',
      ask: MEAN.askTotal,
      why: MEAN.whyTotal,
      slips(slip) {
        slip('wrong-sign', decimal(off.reduce((a, n) => a + size(n), 0n)), 5, MEAN.signs(holdsThat(sumOff)))
      },
    })
    const shared = quotient(together, many)
    const share = yield* mind.number(
      { ...shared, slips: () => undefined },
      {
        what: 'share',
        ask: MEAN.askShare,
        why: MEAN.whyShare(said(many)),
        action: 'quotient',
        slips(slip) {
          slip('not-divided', decimal(together), 4, MEAN.notShared(holdsThat(shared)))
          const less = quotient(together, many - 1n)
          slip('too-few', less.value, 2, MEAN.oneLess(holdsThat(shared)))
        },
      },
    )
    const units = share.units
    const scale = share.scale
    const up = decimal(base * 10n ** BigInt(scale) + units, scale)
    const whole =
      units < 0n
        ? difference(base * 10n ** BigInt(scale), -units, scale)
        : sum(base * 10n ** BigInt(scale), units, scale)
    return yield* answered(up, {
      kind: SIGNED,
      why: MEAN.why,
      reckons: whole.text,
      load: whole.load(),
      slips(slip) {
        slip('part-left-out', share, 4, MEAN.shareOnly(holdsThat(whole)))
        slip('not-divided', decimal(base + together), 4, MEAN.notShared(holdsThat(whole)))
        whole.slips(slip)
      },
    })
  },
})

/** A round number among them, from which each is counted. */
function* roundBase(mind: Mind, numbers: readonly bigint[]) {
  const average = numbers.reduce((a, b) => a + b, 0n) / BigInt(numbers.length)
  const near = ((average + (average < 0n ? -5n : 5n)) / 10n) * 10n
  const ordered = [...numbers].sort((a, b) => Number(a - b))
  const [least, most] = [present(ordered[0]), present(ordered.at(-1))]
  return yield* mind.seeNumber(near, {
    what: 'base',
    ask: MEAN.askBase,
    why: MEAN.whyBase(said(near)),
    action: 'round',
    // Any round number among them will do: what follows goes on from it.
    also: (n: Decimal) =>
      n.scale === 0 && n.units % 5n === 0n && n.units >= least - 20n && n.units <= most + 20n,
    slips: (slip) => slip('wrong-side', decimal(near + 100n), 2, MEAN.whyBase(said(near))),
  })
}
