/** add-compensation: round a number up, add, give back what was too much. 398+257: 400 + 257 − 2. */
import { type Decimal, decimal, toWords, unitsAt } from '../../number/decimal.js'
import { sumOf } from '../../problem/problem.js'
import { mapped } from '../../problem/space.js'
import { dial } from '../boards.js'
import { differenceLoad, sumLoad } from '../facts.js'
import { level } from '../level.js'
import { lineOf } from '../line.js'
import { type Misfit, misfit, step, technique } from '../make.js'
import { eitherWay, justBelow, ofDigits, type Rounded, roundedUp, roundStep } from '../rounding.js'
import { additionSlips, scaled, takingSlips } from '../slips.js'
import { readPlainSum } from './parts.js'

interface Compensating extends Rounded {
  /** The number left as it is, in units of 10^-scale like the others. */
  readonly other: bigint
  readonly scale: number
}

const space = (digits: number, other: number, over?: number, decimals = 0) =>
  mapped(eitherWay(justBelow(digits, over), ofDigits(other, 2n)), ([a, b]) =>
    sumOf(decimal(a, decimals), decimal(b, decimals)),
  )

export const addCompensation = technique({
  id: 'add-compensation',
  name: 'Round up and give back',
  family: 'addition',
  about: 'Round one number up, add it, and give back what was too much.',
  needs: ['add-running-total'],
  lesson: {
    example: '398+257',
    when: 'One number lies just below a round one: 398, 79, 2997.',
    whenNot: 'Neither does: there is nothing to gain.',
    because: [
      '398 is 400 − 2.',
      '398 + 257 = 400 + 257 − 2.',
      'A round number adds without carries, and giving back a little is easy.',
    ],
  },
  schools: [],
  // Targets: common practice, no published source.
  levels: [
    level('One below a ten', 2.5, () => space(2, 2, 1)),
    level('Up to three below a ten', 3, () => space(2, 2)),
    level('Three digits, up to three below a round number', 3.5, () => space(3, 3, 3)),
    level('Three digits', 4.5, () => space(3, 3)),
    level('Four digits, up to three below a round number', 5, () => space(4, 4, 3)),
    level('Two decimals', 5, () => space(3, 3, 3, 2)),
  ],
  dials: {
    dials: [
      dial('digits', 'Digits of the number to round', 1, 5, 3),
      dial('other', 'Digits of the other number', 1, 12, 3),
      dial('over', 'Below the round number at most', 1, 333),
      dial('decimals', 'Decimals', 0, 4, 0),
    ],
    problems: ({ digits = 3, other = 3, over, decimals = 0 }) => space(digits, other, over, decimals),
  },
  read(problem): Compensating | Misfit {
    const sum = readPlainSum(problem)
    if ('because' in sum) return sum
    if (sum.terms.length !== 2) return misfit('it adds two numbers')
    const sizes = sum.terms.map((t) => t.size) as [Decimal, Decimal]
    const scale = Math.max(...sizes.map((n) => n.scale))
    const [a, b] = sizes.map((n) => unitsAt(n, scale)) as [bigint, bigint]
    const ways = [
      { rounded: roundedUp(a), other: b },
      { rounded: roundedUp(b), other: a },
    ].flatMap(({ rounded, other }) => (rounded && other > 0n ? [{ ...rounded, other, scale }] : []))
    // The smaller surplus is the lighter to give back; between equals, the longer number is rounded.
    const best = ways.sort((x, y) => Number(x.over - y.over) || Number(y.round - x.round))[0]
    return best ?? misfit('no number lies just below a round one')
  },
  *work({ round, over: surplus, other, scale }) {
    const number = round - surplus
    const words = (n: bigint) => toWords(decimal(n, scale))
    const up = yield* roundStep({ number, round, scale })
    const over = up - number
    const total = unitsAt(
      yield step({
        action: 'running-total',
        place: -scale,
        ask: `${words(up)} and ${words(other)}: how much?`,
        why: 'A round number adds without trouble.',
        expect: decimal(up + other, scale),
        writes: () => lineOf(decimal(up + other, scale), -scale, true),
        holds: [
          { what: 'total', value: decimal(up + other, scale) },
          { what: 'to give back', value: decimal(over, scale) },
        ],
        load: () => sumLoad(up, other),
        slips: (slip) => additionSlips(scaled(slip, scale), up, other),
      }),
      scale,
    )
    return yield step({
      action: 'give-back',
      place: -scale,
      ask: `Give back ${words(over)} from ${words(total)}: what is the sum?`,
      why: `The number was rounded up by ${words(over)}, so the total is too large by as much.`,
      expect: decimal(total - over, scale),
      writes: () => lineOf(decimal(total - over, scale), -scale),
      load: () => differenceLoad(total, over),
      slips: (slip) => {
        slip(
          'given-wrong-way',
          decimal(total + over, scale),
          7,
          `The number was rounded up: take ${words(over)} away.`,
        )
        slip('not-given-back', decimal(total, scale), 4, `The ${words(over)} is still to be given back.`)
        takingSlips(scaled(slip, scale), total, over)
      },
    })
  },
})
