/** The parameters of generated problems. Every board counts its problems, so it can say at once when there are none. */

import { decimal } from '../../number/decimal.js'
import { differenceSpace } from '../../problem/differences.js'
import { InputError } from '../../problem/error.js'
import { type Problem, sumOf, type Term } from '../../problem/problem.js'
import { type Shape, shape } from '../../problem/shape.js'
import { between, mapped, type ProblemSpace, pairs } from '../../problem/space.js'
import { sumSpace } from '../../problem/sums.js'
import type { Parameter, ParameterSpace, ParameterValues } from '../contract.js'

export function parameter(key: string, name: string, least: number, most: number, usual?: number): Parameter {
  return { key, name, least, most, ...(usual !== undefined && { usual }) }
}

/** The values a board starts with. */
export function usualValues({ parameters }: ParameterSpace): ParameterValues {
  return Object.fromEntries(parameters.flatMap((d) => (d.usual === undefined ? [] : [[d.key, d.usual]])))
}

/**
 * Checks parameter values against the board; whatever is missing and not open stands where it usually does.
 * @throws InputError for a parameter that is not there or a value it does not have.
 */
export function parameterValuesOf(board: ParameterSpace, given: ParameterValues): ParameterValues {
  for (const [key, value] of Object.entries(given)) {
    const known = board.parameters.find((d) => d.key === key)
    if (!known) throw new InputError(`There is no parameter "${key}" here.`)
    if (!Number.isInteger(value) || value < known.least || value > known.most)
      throw new InputError(`${known.name} goes from ${known.least} to ${known.most}, not ${value}.`)
  }
  return { ...usualValues(board), ...given }
}

const DIGITS_TO = 30

/** The shapes of some numbers of different length: the first the longest, then from the shortest up again. */
export function uneven(
  terms: number,
  digits: number,
  shortest = digits,
  decimals = 0,
  others = decimals,
): Shape[] {
  const spread = Math.max(0, digits - shortest) + 1
  return Array.from({ length: terms }, (_, i) =>
    shape(i === 0 ? digits : digits - spread + 1 + ((i - 1) % spread), i % 2 ? others : decimals),
  )
}

/**
 * @param terms the least and the most numbers the technique adds
 * @param signed numbers may be taken away too, so that the total falls below zero
 * @param digitsBefore the fewest digits before the point, and the usual number of them
 */
export function sumBoard(
  terms: readonly [least: number, most: number] = [2, 12],
  signed = false,
  digitsBefore: readonly [fewest: number, usual: number] = [1, 2],
): ParameterSpace {
  const [fewest, usual] = digitsBefore
  return {
    parameters: [
      parameter('terms', 'Numbers', terms[0], terms[1], terms[0]),
      parameter('digits', 'Digits before the point', fewest, 20, usual),
      parameter('shortest', 'Digits of the shortest number', 1, 20),
      parameter('decimals', 'Decimals', 0, 6, 0),
      parameter('others', 'Decimals of every second number', 0, 6),
      parameter('carries', 'Columns that carry', 0, 26),
      parameter('nines', 'Carries through a nine', 0, 25),
      parameter('zeros', 'Zeros written', 0, 30),
      ...(signed ? [parameter('minus', 'Taking away too (1) or not (0)', 0, 1, 0)] : []),
    ],
    problems({
      terms: count = terms[0],
      digits = usual,
      shortest,
      decimals = 0,
      others,
      minus = 0,
      ...counts
    }) {
      if (minus === 1) return signedSums(count, digits, counts)
      return sumSpace({ ...counts, terms: uneven(count, digits, shortest, decimals, others) })
    },
  }
}

/** All sums of so many whole numbers of so many digits, some added and some taken away, the first never. */
function signedSums(terms: number, digits: number, counts: ParameterValues): ProblemSpace {
  if (Object.keys(counts).length > 0)
    throw new InputError('Carries and zeros are counted only where nothing is taken away.')
  const low = 10n ** BigInt(digits - 1)
  const many = 9n * low
  if (terms < 3) return { size: 0n, at: () => sumOf() }
  // Every number but the first has a sign; neither all plus nor all minus.
  const signs = between(1, 2n ** BigInt(terms - 1) - 2n)
  return mapped(pairs(signs, between(0, many ** BigInt(terms) - 1n)), ([sign, index]): Problem => {
    let rest = index
    return {
      kind: 'sum',
      terms: Array.from({ length: terms }, (_, i): Term => {
        const size = decimal(low + (rest % many))
        rest /= many
        return { sign: i > 0 && (sign >> BigInt(i - 1)) % 2n === 1n ? -1 : 1, size }
      }),
    }
  })
}

export const DIFFERENCE_BOARD: ParameterSpace = {
  parameters: [
    parameter('minuend', 'Digits above, before the point', 1, DIGITS_TO, 3),
    parameter('subtrahend', 'Digits below, before the point', 1, DIGITS_TO, 3),
    parameter('decimals', 'Decimals above', 0, 6, 0),
    parameter('below', 'Decimals below', 0, 6, 0),
    parameter('short', 'Columns that borrow', 0, DIGITS_TO),
    parameter('through', 'Equal digits next to a borrow', 0, DIGITS_TO),
    parameter('zeros', 'Zeros above', 0, DIGITS_TO),
    parameter('zeroRun', 'Longest run of zeros above', 0, DIGITS_TO - 1),
    parameter('negative', 'Smaller number first', 0, 1, 0),
  ],
  problems({ minuend = 3, subtrahend = 3, decimals = 0, below = 0, negative = 0, ...counts }) {
    return differenceSpace({
      ...counts,
      minuend: shape(minuend, decimals),
      subtrahend: shape(subtrahend, below),
      negative: negative === 1,
    })
  },
}
