import { type Decimal, digitAt, highestPlace, isNegative } from '../number/decimal.js'
import type { AnswerCell, AnswerLine } from './contract.js'

export const BLANK: AnswerLine = { negative: false, cells: [] }

/** The digits that stand for good, by place. */
export function settled({ cells }: AnswerLine): Map<number, string> {
  return new Map(cells.filter((c) => !c.draft && c.digits.length === 1).map((c) => [c.place, c.digits]))
}

/** The answer line showing a whole value from its highest place down to `lowest`. */
export function lineOf(value: Decimal, lowest: number, draft = false): AnswerLine {
  const cells = []
  for (let place = highestPlace(value); place >= lowest; place -= 1)
    cells.push({ place, digits: String(digitAt(value, place)), draft })
  return { negative: isNegative(value), cells }
}

/** The cells of a row of digits, the last of them standing at a place. */
export function digitCells(digits: string, lowest: number, draft = false): AnswerCell[] {
  return [...digits].map((d, i) => ({ place: lowest + digits.length - 1 - i, digits: d, draft }))
}

/** A whole number worked with the point forgotten, where its digits stand in a problem of so many decimals. */
export function wholeLine(value: bigint, scale = 0, draft = false): AnswerLine {
  return { negative: false, cells: digitCells(String(value), -scale, draft) }
}

/**
 * An answer in two parts, side by side: the back has `width` places. Places the back leaves empty show as such
 * until it is padded; a back that does not fit, or is to be taken away, stands raw at its last place. `draft`: they may
 * still change, the front only by what comes over from the back.
 */
export function twoParts(
  front: bigint | undefined,
  back: bigint | undefined,
  width: number,
  { taken = false, scale = 0, draft = false } = {},
): AnswerLine {
  const text = back === undefined ? '' : String(back)
  const fits = !taken && text.length <= width
  return {
    negative: false,
    back: width - scale,
    cells: [
      ...(front === undefined
        ? []
        : digitCells(String(front), width - scale, draft && (taken || !fits || back === undefined))),
      ...(fits ? digitCells(text, -scale, draft) : [{ place: -scale, digits: text, draft: true }]),
    ],
  }
}

/** A line as one string from the highest place, "_" for a place not written yet, for printing. */
export function lineText(line: AnswerLine, highest: number, lowest: number): string {
  const top = Math.max(highest, ...line.cells.map((c) => c.place))
  let text = line.negative ? '-' : ''
  for (let place = top; place >= lowest; place -= 1) {
    if (place === -1) text += '.'
    const digits = line.cells.find((c) => c.place === place)?.digits ?? '_'
    text += digits.length > 1 ? `(${digits})` : digits
    if (place === line.back) text += '|'
  }
  return text
}
