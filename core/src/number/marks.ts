/**
 * How a number stands in a text for people before anybody's way of writing is known: thousands parted by a thin space, the
 * decimal point followed by a mark that is not seen. By these, and by × and ÷, whoever shows the text finds its numbers; a
 * point or a digit without them belongs to something else, a version, an address. What a person typed is set apart whole.
 */

/** Parts thousands. */
export const THOUSANDS = '\u2009'

const MARK = '\u2060'

/** The decimal point of a number in a text for people. */
export const POINT = `.${MARK}`

// From the Unicode Standard, annex 9: first strong isolate and pop directional isolate.
const APART = { from: '\u2068', to: '\u2069' }

/** A sentence of the program's own whose numbers are written out in it, their points marked. */
export const marked = (sentence: string): string => sentence.replaceAll(/(?<=\d)\.(?=\d)/g, POINT)

/** A measured number with so many decimals, as a text for people: 3.24 -> "3.2". */
export const fixedWords = (n: number, decimals = 1): string => n.toFixed(decimals).replace('.', POINT)

/** What a person typed (a name, a title), to stand inside a text: shown as it is, in its own direction, never written anew. */
export const typedByHand = (text: string): string =>
  `${APART.from}${text.replaceAll(/[\u2066-\u2069]/g, '')}${APART.to}`

/** The text in pieces, those a person typed without what sets them apart. */
export function piecesOf(text: string): { readonly text: string; readonly byHand: boolean }[] {
  return text
    .split(/(\u2068[^\u2069]*\u2069)/)
    .filter(Boolean)
    .map((piece) =>
      piece.startsWith(APART.from)
        ? { text: piece.slice(1, -1), byHand: true }
        : { text: piece, byHand: false },
    )
}

/** The text where nobody's way of writing is known: without its marks, as a terminal or a file shows it. */
export const unmarked = (text: string): string => text.replaceAll(/[\u2060\u2068\u2069]/g, '')
