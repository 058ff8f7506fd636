import { decimal } from '../number/decimal.js'
import { present } from '../number/present.js'
import { sumOf } from './problem.js'
import { digitsAllowed, type Shape, stands } from './shape.js'
import { countColumns, type ProblemSpace } from './space.js'

/** What a generated sum must be like. A count left out is free. */
export interface SumParameters {
  readonly terms: readonly Shape[]
  /** Columns that carry into the next. */
  readonly carries?: number
  /** Columns that carry only because a carry came in: digits summing to 9. */
  readonly nines?: number
  /** Zeros written inside the numbers. */
  readonly zeros?: number
}

interface State {
  readonly carry: number
  readonly sum: number
  readonly carries: number
  readonly nines: number
  readonly zeros: number
}

/** All sums of numbers of the given shapes that satisfy the parameters; column by column, term by term within it. */
export function sumSpace(parameters: SumParameters): ProblemSpace {
  const { terms } = parameters
  const low = -Math.max(...terms.map((t) => t.decimals))
  const high = Math.max(...terms.map((t) => t.whole)) - 1
  // Where no carry is counted, none makes a difference to what may follow.
  const carried = parameters.carries !== undefined || parameters.nines !== undefined
  const counted = countColumns<State, number>({
    count: (high - low + 1) * terms.length,
    start: { carry: 0, sum: 0, carries: 0, nines: 0, zeros: 0 },
    choices(cell, before) {
      const place = low + Math.floor(cell / terms.length)
      const index = cell % terms.length
      const term = present(terms[index])
      return digitsAllowed(term, place).flatMap((digit) => {
        const zeros = before.zeros + (digit === 0 && stands(term, place) ? 1 : 0)
        let next: State = { ...before, sum: before.sum + digit, zeros }
        if (index === terms.length - 1) {
          const carry = Math.floor((next.sum + next.carry) / 10)
          next = {
            carry,
            sum: 0,
            carries: next.carries + (carry > 0 ? 1 : 0),
            nines: next.nines + (carry > Math.floor(next.sum / 10) ? 1 : 0),
            zeros,
          }
        }
        return within(next, parameters) ? [{ what: digit, next }] : []
      })
    },
    accepts: (s) =>
      s.carries === (parameters.carries ?? s.carries) &&
      s.nines === (parameters.nines ?? s.nines) &&
      s.zeros === (parameters.zeros ?? s.zeros),
    key: (s) =>
      [
        carried ? s.carry : '',
        carried ? s.sum : '',
        parameters.carries === undefined ? '' : s.carries,
        parameters.nines === undefined ? '' : s.nines,
        parameters.zeros === undefined ? '' : s.zeros,
      ].join(),
  })
  return {
    size: counted.size,
    at(index) {
      const digits = counted.at(index)
      return sumOf(
        ...terms.map((_, t) => {
          let units = 0n
          for (let cell = digits.length - terms.length + t; cell >= 0; cell -= terms.length)
            units = units * 10n + BigInt(present(digits[cell]))
          return decimal(units, -low)
        }),
      )
    },
  }
}

function within(s: State, parameters: SumParameters): boolean {
  return (
    s.carries <= (parameters.carries ?? Infinity) &&
    s.nines <= (parameters.nines ?? Infinity) &&
    s.zeros <= (parameters.zeros ?? Infinity)
  )
}
