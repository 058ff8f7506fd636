/** The shape of a number in a generated problem: how many digits stand before and after the point. */
export interface Shape {
  readonly whole: number
  readonly decimals: number
}

export function shape(whole: number, decimals = 0): Shape {
  return { whole, decimals }
}

/**
 * Digits a number of this shape may have at a place: never 0 at its highest place, nor at its last decimal
 * (it would not be written), and nothing but 0 outside the number.
 */
export function digitsAllowed({ whole, decimals }: Shape, place: number): readonly number[] {
  if (place >= whole || place < -decimals) return NOTHING
  return place === whole - 1 || (decimals > 0 && place === -decimals) ? NOT_ZERO : ANY_DIGIT
}

export function stands({ whole, decimals }: Shape, place: number): boolean {
  return place < whole && place >= -decimals
}

const NOTHING = [0]
const ANY_DIGIT = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9]
const NOT_ZERO = ANY_DIGIT.slice(1)
