import { type Decimal, digitAt, highestPlace, isNegative } from '../number/decimal.js'
import type { AnswerLine } from './contract.js'

/** The answer line showing a whole value from its highest place down to `lowest`. */
export function lineOf(value: Decimal, lowest: number, draft = false): AnswerLine {
  const cells = []
  for (let place = highestPlace(value); place >= lowest; place -= 1)
    cells.push({ place, digits: String(digitAt(value, place)), draft })
  return { negative: isNegative(value), cells }
}

/** A line as one string from the highest place, "_" for a place not written yet, for printing. */
export function lineText(line: AnswerLine, highest: number, lowest: number): string {
  const top = Math.max(highest, ...line.cells.map((c) => c.place))
  let text = line.negative ? '-' : ''
  for (let place = top; place >= lowest; place -= 1) {
    if (place === -1) text += '.'
    text += line.cells.find((c) => c.place === place)?.digits ?? '_'
  }
  return text
}
