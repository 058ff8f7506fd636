import { decimal } from '../number/decimal.js'
import { differenceOf } from './problem.js'
import { digitsAllowed, type Shape, stands } from './shape.js'
import { countColumns, type ProblemSpace } from './space.js'

/** What a generated difference must be like. A count left out is free. */
export interface DifferenceParameters {
  readonly minuend: Shape
  readonly subtrahend: Shape
  /** Short columns: top digit smaller than bottom digit. */
  readonly short?: number
  /** Equal columns that a borrow passes through: the next unequal column to their right is short. */
  readonly through?: number
  /** Zeros written in the minuend. */
  readonly zeros?: number
  /** The longest run of zeros in the minuend. */
  readonly zeroRun?: number
  /** True: the minuend is the smaller number. Otherwise it is the larger. */
  readonly negative?: boolean
}

interface State {
  /** The last unequal column met, going from the lowest place up. */
  readonly below: 'none' | 'short' | 'ample'
  readonly short: number
  readonly through: number
  readonly zeros: number
  /** Zeros of the run that the last column belongs to, and of the longest run so far. */
  readonly run: number
  readonly longest: number
}

/** All differences of numbers of the given shapes that satisfy the parameters. A difference of 0 is left out. */
export function differenceSpace(parameters: DifferenceParameters): ProblemSpace {
  const { minuend, subtrahend } = parameters
  const low = -Math.max(minuend.decimals, subtrahend.decimals)
  const high = Math.max(minuend.whole, subtrahend.whole) - 1
  // For a minuend that is the smaller number the work is done the other way round, and so are the counts.
  const [upper, lower] = parameters.negative ? [subtrahend, minuend] : [minuend, subtrahend]
  const counted = countColumns<State, readonly [number, number]>({
    count: high - low + 1,
    start: { below: 'none', short: 0, through: 0, zeros: 0, run: 0, longest: 0 },
    choices(column, before) {
      const place = low + column
      return digitsAllowed(upper, place).flatMap((top) =>
        digitsAllowed(lower, place).flatMap((bottom) => {
          const zeroStands = parameters.negative
            ? bottom === 0 && stands(lower, place)
            : top === 0 && stands(upper, place)
          const run = zeroStands ? before.run + 1 : 0
          const next: State = {
            below: top === bottom ? before.below : top < bottom ? 'short' : 'ample',
            short: before.short + (top < bottom ? 1 : 0),
            through: before.through + (top === bottom && before.below === 'short' ? 1 : 0),
            zeros: before.zeros + (zeroStands ? 1 : 0),
            run,
            longest: Math.max(before.longest, run),
          }
          const beyond =
            next.short > (parameters.short ?? Infinity) ||
            next.through > (parameters.through ?? Infinity) ||
            next.zeros > (parameters.zeros ?? Infinity) ||
            next.longest > (parameters.zeroRun ?? Infinity)
          return beyond ? [] : [{ what: [top, bottom] as const, next }]
        }),
      )
    },
    accepts: (s) =>
      s.below === 'ample' &&
      s.short === (parameters.short ?? s.short) &&
      s.through === (parameters.through ?? s.through) &&
      s.zeros === (parameters.zeros ?? s.zeros) &&
      s.longest === (parameters.zeroRun ?? s.longest),
    key: (s) =>
      [
        s.below,
        parameters.short === undefined ? '' : s.short,
        parameters.through === undefined ? '' : s.through,
        parameters.zeros === undefined ? '' : s.zeros,
        parameters.zeroRun === undefined ? '' : `${s.run} ${s.longest}`,
      ].join(),
  })
  return {
    size: counted.size,
    at(index) {
      const columns = counted.at(index)
      const read = (side: 0 | 1) => columns.reduceRight((units, c) => units * 10n + BigInt(c[side]), 0n)
      const [top, bottom] = parameters.negative ? [read(1), read(0)] : [read(0), read(1)]
      return differenceOf(decimal(top, -low), decimal(bottom, -low))
    },
  }
}
