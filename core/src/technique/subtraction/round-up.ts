/** subtract-round-up: take away a rounder number, give back the complement. 2300−168: 2300−200 = 2100, +32: 2132. */
import { compare, decimal, toWords, unitsAt } from '../../number/decimal.js'
import { differenceOf } from '../../problem/problem.js'
import { kept, mapped, pairs } from '../../problem/space.js'
import { dial } from '../boards.js'
import { differenceLoad, sumLoad } from '../facts.js'
import { level } from '../level.js'
import { BLANK, lineOf } from '../line.js'
import { type Misfit, misfit, step, technique } from '../make.js'
import { justBelow, ofDigits, type Rounded, roundedUp, roundStep } from '../rounding.js'
import { additionSlips, scaled, takingSlips } from '../slips.js'
import { readDifference, signStep } from './columns.js'

interface Rounding extends Rounded {
  /** In units of 10^-scale, like the rounded number. */
  readonly minuend: bigint
  readonly scale: number
  readonly turned: boolean
}

/** Differences whose minuend has at least one digit more, so that the round number can be taken away. */
const space = (minuend: number, subtrahend: number, over?: number, decimals = 0) =>
  mapped(pairs(ofDigits(minuend), justBelow(subtrahend, over)), ([a, b]) =>
    differenceOf(decimal(a, decimals), decimal(b, decimals)),
  )
const roundAbove = (zeros: number, over?: number) =>
  mapped(
    pairs(
      kept(ofDigits(2), (n) => n >= 10n),
      justBelow(3, over),
    ),
    ([a, b]) => differenceOf(decimal(a * 10n ** BigInt(zeros)), decimal(b)),
  )

export const subtractRoundUp = technique({
  id: 'subtract-round-up',
  name: 'Round up and add back',
  family: 'subtraction',
  about: 'Take away a rounder number and add back what that was too much.',
  needs: ['subtract-complement'],
  lesson: {
    example: '2300-168',
    when: 'The number taken away lies just below a round one.',
    whenNot: 'It lies well below, like 142: subtract by columns.',
    because: [
      '168 is 200 − 32.',
      '2300 − 168 = 2300 − 200 + 32.',
      'Taking away a round number needs no drops; adding back needs no thought.',
    ],
  },
  schools: [],
  // Targets: common practice, no published source.
  levels: [
    level('Three digits, one below a ten', 3, () => space(3, 2, 1)),
    level('Three digits, up to three below a ten', 3.5, () => space(3, 2)),
    level('Round above, three digits below', 5, () => roundAbove(2)),
    level('Four digits, up to three below a round number', 4, () => space(4, 3, 3)),
    level('Four digits', 6, () => space(4, 3)),
    level('Two decimals', 5, () => space(4, 3, 3, 2)),
    level('Five digits', 7, () => space(5, 4, 33)),
  ],
  dials: {
    dials: [
      dial('minuend', 'Digits above', 2, 12, 4),
      dial('subtrahend', 'Digits below, fewer than above', 1, 5, 3),
      dial('over', 'Below the round number at most', 1, 333),
      dial('decimals', 'Decimals', 0, 4, 0),
    ],
    problems: ({ minuend = 4, subtrahend = 3, over, decimals = 0 }) =>
      minuend > subtrahend
        ? space(minuend, subtrahend, over, decimals)
        : { size: 0n, at: () => differenceOf(decimal(0), decimal(0)) },
  },
  read(problem): Rounding | Misfit {
    const found = readDifference(problem)
    if ('because' in found) return found
    const turned = compare(found.minuend, found.subtrahend) < 0
    const [upper, lower] = turned ? [found.subtrahend, found.minuend] : [found.minuend, found.subtrahend]
    const scale = Math.max(upper.scale, lower.scale)
    const [minuend, subtrahend] = [unitsAt(upper, scale), unitsAt(lower, scale)]
    const rounded = roundedUp(subtrahend)
    if (!rounded) return misfit('the number taken away does not lie just below a round one')
    return rounded.round > minuend
      ? misfit('the round number would be more than there is to take it from')
      : { ...rounded, minuend, scale, turned }
  },
  *work({ minuend, round, over: surplus, scale, turned }) {
    const number = round - surplus
    const words = (n: bigint) => toWords(decimal(n, scale))
    const opening = turned ? 'The first number is the smaller: work it the other way round. ' : ''
    const up = yield* roundStep({ number, round, scale, opening })
    const over = up - number
    const back = unitsAt(
      yield step({
        action: 'complement',
        place: -scale,
        ask: `How much is ${words(number)} short of ${words(up)}?`,
        why: 'By so much too much is taken away.',
        expect: decimal(over, scale),
        writes: BLANK,
        holds: [
          { what: 'round', value: decimal(up, scale) },
          { what: 'to add back', value: decimal(over, scale) },
        ],
        load: () => ({ facts: [`${Number(up)}-${Number(number)}`], carries: 0 }),
        slips: (slip) => {
          const right = `${words(number)} + ${words(over)} = ${words(up)}`
          if (over > 9n || (over + 10n) % 10n > 0n)
            slip(
              'complement-tens',
              decimal(over + 10n, scale),
              5,
              `Only the last digit's complement is to ten, the others' to nine: ${right}.`,
            )
          slip('fact', decimal(over - 1n, scale), 2, `One too few. ${right}.`)
          slip('fact', decimal(over + 1n, scale), 2, `One too many. ${right}.`)
        },
      }),
      scale,
    )
    const rest = unitsAt(
      yield step({
        action: 'running-total',
        place: -scale,
        ask: `${words(minuend)} less ${words(up)}: how much?`,
        why: 'A round number is taken away without drops.',
        expect: decimal(minuend - up, scale),
        writes: () => lineOf(decimal(minuend - up, scale), -scale, true),
        holds: [
          { what: 'so far', value: decimal(minuend - up, scale) },
          { what: 'to add back', value: decimal(back, scale) },
        ],
        load: () => differenceLoad(minuend, up),
        slips: (slip) => takingSlips(scaled(slip, scale), minuend, up),
      }),
      scale,
    )
    const size = yield step({
      action: 'give-back',
      place: -scale,
      ask: `Add back ${words(back)} to ${words(rest)}: what is the difference?`,
      why: `${words(back)} too much was taken away.`,
      expect: decimal(rest + back, scale),
      writes: () => lineOf(decimal(rest + back, scale), -scale),
      load: () => sumLoad(rest, back),
      slips: (slip) => {
        slip(
          'given-wrong-way',
          decimal(rest - back, scale),
          7,
          `Too much was taken away: add ${words(back)} back.`,
        )
        slip('not-given-back', decimal(rest, scale), 4, `The ${words(back)} is still to be added back.`)
        additionSlips(scaled(slip, scale), rest, back)
      },
    })
    return turned ? yield signStep(size, -scale, { ...lineOf(size, -scale), negative: true }) : size
  },
})
