import { type Decimal, decimal } from '../number/decimal.js'
import { digitsAllowed, type Shape, stands } from './shape.js'
import { countColumns, mapped, type Space } from './space.js'

/** What the digits of a generated number must be like. What is left out is free. */
export interface NumberDials {
  /** The largest digit allowed. */
  readonly largest?: number
  /** Zeros written. */
  readonly zeros?: number
}

/** Some numbers, each of its own shape, whose digits together satisfy the dials. */
export function numberSpace(
  shapes: readonly Shape[],
  { largest = 9, zeros }: NumberDials = {},
): Space<Decimal[]> {
  const cells = shapes.flatMap((shape, number) =>
    Array.from({ length: shape.whole + shape.decimals }, (_, i) => ({
      number,
      shape,
      place: i - shape.decimals,
    })),
  )
  const counted = countColumns<number, number>({
    count: cells.length,
    start: 0,
    choices(column, before) {
      const { shape, place } = cells[column]!
      return digitsAllowed(shape, place).flatMap((digit) => {
        const next = before + (digit === 0 && stands(shape, place) ? 1 : 0)
        return digit > largest || next > (zeros ?? Infinity) ? [] : [{ what: digit, next }]
      })
    },
    accepts: (found) => zeros === undefined || found === zeros,
    key: (found) => (zeros === undefined ? '' : String(found)),
  })
  return mapped(counted, (digits) =>
    shapes.map((shape, number) => {
      let units = 0n
      for (let i = cells.length - 1; i >= 0; i -= 1)
        if (cells[i]!.number === number) units = units * 10n + BigInt(digits[i]!)
      return decimal(units, shape.decimals)
    }),
  )
}
