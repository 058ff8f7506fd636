/** The dials of generated problems. Every board counts its problems, so it can say at once when there are none. */

import { differenceSpace } from '../problem/differences.js'
import { InputError } from '../problem/error.js'
import { shape } from '../problem/shape.js'
import { sumSpace } from '../problem/sums.js'
import type { Dial, DialBoard, DialValues } from './contract.js'

export function dial(key: string, name: string, least: number, most: number, usual?: number): Dial {
  return { key, name, least, most, ...(usual !== undefined && { usual }) }
}

/** The values a board starts with. */
export function usualValues({ dials }: DialBoard): DialValues {
  return Object.fromEntries(dials.flatMap((d) => (d.usual === undefined ? [] : [[d.key, d.usual]])))
}

/**
 * Checks dial values against the board; whatever is missing and not open stands where it usually does.
 * @throws InputError for a dial that is not there or a value it does not have.
 */
export function dialValuesOf(board: DialBoard, given: DialValues): DialValues {
  for (const [key, value] of Object.entries(given)) {
    const known = board.dials.find((d) => d.key === key)
    if (!known) throw new InputError(`There is no dial "${key}" here.`)
    if (!Number.isInteger(value) || value < known.least || value > known.most)
      throw new InputError(`${known.name} goes from ${known.least} to ${known.most}, not ${value}.`)
  }
  return { ...usualValues(board), ...given }
}

const DIGITS_TO = 30

/** @param terms the least and the most numbers the technique adds. */
export function sumBoard(terms: readonly [least: number, most: number] = [2, 12]): DialBoard {
  return {
    dials: [
      ...(terms[0] === terms[1] ? [] : [dial('terms', 'Numbers', terms[0], terms[1], terms[0])]),
      dial('digits', 'Digits before the point', 1, 20, 2),
      dial('decimals', 'Decimals', 0, 6, 0),
      dial('carries', 'Columns that carry', 0, 26),
      dial('nines', 'Carries through a nine', 0, 25),
      dial('zeros', 'Zeros written', 0, 30),
    ],
    problems({ terms: count = terms[0], digits = 2, decimals = 0, ...counts }) {
      return sumSpace({ ...counts, terms: Array.from({ length: count }, () => shape(digits, decimals)) })
    },
  }
}

export const DIFFERENCE_BOARD: DialBoard = {
  dials: [
    dial('minuend', 'Digits above, before the point', 1, DIGITS_TO, 3),
    dial('subtrahend', 'Digits below, before the point', 1, DIGITS_TO, 3),
    dial('decimals', 'Decimals above', 0, 6, 0),
    dial('below', 'Decimals below', 0, 6, 0),
    dial('short', 'Short columns', 0, DIGITS_TO),
    dial('through', 'Equal columns under a drop', 0, DIGITS_TO),
    dial('zeros', 'Zeros above', 0, DIGITS_TO),
    dial('zeroRun', 'Longest run of zeros above', 0, DIGITS_TO - 1),
    dial('negative', 'Smaller number first (1) or not (0)', 0, 1, 0),
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
