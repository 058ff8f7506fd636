/** Paper kind: sums of runs. */

import { decimal } from '../number/decimal.js'
import { present } from '../number/present.js'
import { said } from '../number/whole.js'
import { itemOf } from '../problem/items/forms.js'
import { between, mapped, type ProblemSpace, pairs, type Space } from '../problem/space.js'
import type { Misfit } from '../technique/make.js'
import { quotient } from '../technique/quantities/chains.js'
import { difference, holdsThat, product, type Quantity, sum } from '../technique/quantities/quantities.js'
import { RUNS } from '../words/paper/numbers.js'
import { answeredBy, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'

interface Run {
  readonly first: bigint
  readonly gap: bigint
  readonly last: bigint
}

const runsOf = (space: Space<Run>): ProblemSpace =>
  mapped(space, ({ first, gap, last }) =>
    itemOf('run', {
      numbers: [first, first + gap, first + 2n * gap, last].map((n) => decimal(n)),
      signs: [],
    }),
  )

export const runs = paperKind({
  id: 'paper-runs',
  words: RUNS,
  levels: [
    ['From 1 by ones', () => runsOf(mapped(between(8, 60), (last) => ({ first: 1n, gap: 1n, last })))],
    [
      'Odd numbers and even ones',
      () =>
        runsOf(
          mapped(pairs(between(1, 2), between(6, 25)), ([first, n]) => ({
            first,
            gap: 2n,
            last: first + 2n * (n - 1n),
          })),
        ),
    ],
    [
      'By threes, fours and fives',
      () =>
        runsOf(
          mapped(pairs(between(3, 5), pairs(between(1, 9), between(6, 20))), ([gap, [first, n]]) => ({
            first,
            gap,
            last: first + gap * (n - 1n),
          })),
        ),
    ],
  ],
  read(problem): Run | Misfit {
    const item = itemOfForm(problem, RUNS.none, 'run')
    if (isMisfit(item)) return item
    const members = item.numbers.map((n) => n.units)
    return {
      first: present(members[0]),
      gap: present(members[1]) - present(members[0]),
      last: present(members.at(-1)),
    }
  },
  *work({ first, gap, last }) {
    const mind = new Mind()
    const away = gap === 1n ? difference(last, first) : quotient(last - first, gap)
    const steps = yield* mind.find(away, {
      what: 'steps',
      ask: RUNS.askSteps,
      why: RUNS.whySteps(said(last), said(first), said(gap)),
      slips(slip) {
        if (gap > 1n) slip('not-divided', decimal(last - first), 4, RUNS.stepsOf(holdsThat(away)))
      },
    })
    const more = sum(steps, 1n)
    const count = yield* mind.find(more, {
      what: 'numbers',
      ask: RUNS.askCount,
      why: RUNS.whyCount,
      slips(slip) {
        slip('one-more-forgotten', decimal(steps), 5, RUNS.countOff(holdsThat(more)))
        if (last !== steps + 1n) slip('wrong-question', decimal(last), 3, RUNS.countLast)
      },
    })
    mind.letGo('steps')
    const both = sum(first, last)
    const pair = yield* mind.find(both, { what: 'pair', ask: RUNS.askPair, why: RUNS.whyPair })
    const twice = product(count, pair)
    const [x, y] = count % 2n === 0n ? [count / 2n, pair] : [pair / 2n, count]
    // Half of one of them, where one is even.
    const whole: Quantity = (count * pair) % 2n === 0n ? product(x, y) : quotient(count * pair, 2n)
    return yield* answeredBy(whole, {
      why: RUNS.why,
      slips(slip) {
        slip('not-halved', twice.value, 5, RUNS.notHalved(holdsThat(whole)))
        if (first !== 1n || gap !== 2n) slip('squared', decimal(count * count), 3, RUNS.squared)
      },
    })
  },
})
