import { type Decimal, decimal } from '../number/decimal.js'
import { present } from '../number/present.js'
import { digitsAllowed, type Shape, stands } from './shape.js'
import { countColumns, mapped, type Space } from './space.js'

/** What the digits of a generated number must be like. What is left out is free. */
export interface NumberParameters {
  /** The largest digit allowed. */
  readonly largest?: number
  /** Zeros written. */
  readonly zeros?: number
  /** The longest run of zeros within one number. */
  readonly zeroRun?: number
}

interface State {
  readonly zeros: number
  readonly run: number
  readonly longest: number
}

/** Some numbers, each of its own shape, whose digits together satisfy the parameters. */
export function numberSpace(
  shapes: readonly Shape[],
  { largest = 9, zeros, zeroRun }: NumberParameters = {},
): Space<Decimal[]> {
  const cells = shapes.flatMap((shape, number) =>
    Array.from({ length: shape.whole + shape.decimals }, (_, i) => ({
      number,
      shape,
      place: i - shape.decimals,
    })),
  )
  const counted = countColumns<State, number>({
    count: cells.length,
    start: { zeros: 0, run: 0, longest: 0 },
    choices(column, before) {
      const { number, shape, place } = present(cells[column])
      // A run ends with its number.
      const running = column > 0 && present(cells[column - 1]).number === number ? before.run : 0
      return digitsAllowed(shape, place).flatMap((digit) => {
        const isZero = digit === 0 && stands(shape, place)
        const run = isZero ? running + 1 : 0
        const next = { zeros: before.zeros + (isZero ? 1 : 0), run, longest: Math.max(before.longest, run) }
        const beyond =
          digit > largest || next.zeros > (zeros ?? Infinity) || next.longest > (zeroRun ?? Infinity)
        return beyond ? [] : [{ what: digit, next }]
      })
    },
    accepts: (s) => s.zeros === (zeros ?? s.zeros) && s.longest === (zeroRun ?? s.longest),
    key: (s) =>
      `${zeros === undefined ? '' : s.zeros},${zeroRun === undefined ? '' : `${s.run} ${s.longest}`}`,
  })
  return mapped(counted, (digits) =>
    shapes.map((shape, number) => {
      let units = 0n
      for (let i = cells.length - 1; i >= 0; i -= 1)
        if (present(cells[i]).number === number) units = units * 10n + BigInt(present(digits[i]))
      return decimal(units, shape.decimals)
    }),
  )
}
