import { type Decimal, isNegative, toText } from '../number/decimal.js'
import { present } from '../number/present.js'
import { KEYING } from '../words/entry.js'

/** A slip of the fingers, not of the reckoning: how the entered text differs from the right one. */
export interface KeyingSlip {
  readonly id: 'key-swapped' | 'key-doubled' | 'key-missing' | 'key-point' | 'key-digit' | 'key-extra'
  /** The place of the digit concerned. */
  readonly place: number
  readonly remark: string
}

/**
 * The keying slip that turns `right` into `entered`, if one does: two neighbours swapped, a digit doubled,
 * missing, added or changed, the point misplaced. Signs are not looked at.
 */
export function keyingSlip(right: Decimal, entered: Decimal): KeyingSlip | undefined {
  if (isNegative(right) !== isNegative(entered)) return undefined
  const a = toText(right).replace('-', '')
  const b = toText(entered).replace('-', '')
  if (a === b) return undefined
  const digitsA = a.replace('.', '')
  const digitsB = b.replace('.', '')
  // Places are counted on the right answer: index 0 is its highest place.
  const whole = (a.split('.')[0] ?? '').length
  const place = (index: number) => whole - 1 - Math.min(index, digitsA.length - 1)
  let i = 0
  while (i < digitsA.length && digitsA[i] === digitsB[i]) i += 1
  const tailA = digitsA.slice(i)
  const tailB = digitsB.slice(i)

  if (digitsA === digitsB) return { id: 'key-point', place: 0, remark: KEYING.point }
  if (digitsA.length === digitsB.length) {
    if (tailA.slice(1) === tailB.slice(1))
      return {
        id: 'key-digit',
        place: place(i),
        remark: KEYING.digit(present(tailB[0]), present(tailA[0])),
      }
    const swapped = tailB[0] === tailA[1] && tailB[1] === tailA[0] && tailA.slice(2) === tailB.slice(2)
    if (swapped)
      return {
        id: 'key-swapped',
        place: place(i),
        remark: KEYING.swapped(tailB.slice(0, 2), tailA.slice(0, 2)),
      }
  }
  if (digitsB.length === digitsA.length + 1 && tailB.slice(1) === tailA) {
    const doubled = i > 0 && tailB[0] === digitsA[i - 1]
    return doubled
      ? { id: 'key-doubled', place: place(i - 1), remark: KEYING.doubled(present(tailB[0])) }
      : { id: 'key-extra', place: place(i), remark: KEYING.extra(present(tailB[0])) }
  }
  if (digitsA.length === digitsB.length + 1 && tailA.slice(1) === tailB)
    return { id: 'key-missing', place: place(i), remark: KEYING.missing(present(tailA[0])) }
  return undefined
}
