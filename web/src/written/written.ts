/**
 * How numbers are written, by country and school: a choice of this browser. The program's words come in one way, thousands
 * parted by thin spaces, the decimal point marked, × and ÷; where they become text on the page, in a file or on paper, they
 * are written as it was chosen. What a person typed stands apart in them and is left alone.
 */
import { POINT, piecesOf, THOUSANDS, typedByHand, unmarked } from '@tachymetra/core/number'
import type { NumberSigns } from '@tachymetra/core/set'
import { currentSettings } from '../data/settings.js'

const GROUPED = /(?<!\d)\d{1,3}(?:\u2009\d{3})+(?!\d)/g
const GROUP = /(?<=\d)\u2009(?=\d)/g

/** Pairs above the thousands, parted by points. */
const PAIRS = /(?<![\d,])\d{1,2}(?:\.\d{2})+\.\d{3}(?!\d)/g

/** Is not seen, and tells a point that parts thousands from a decimal point. */
const JOINER = '\u2060'

/** What parts thousands: a point or comma, whichever is not the decimal sign. */
function groupSign({ decimal, grouping }: NumberSigns): string {
  if (grouping === 'space') return '\u2009'
  if (grouping === 'none') return ''
  if (grouping === 'apostrophe') return '’'
  return decimal === '.' ? ',' : `${JOINER}.`
}

/** A number parted in pairs above the thousands, as in India: 12,34,567. */
function inPairs(number: string, sign: string): string {
  const digits = number.replaceAll('\u2009', '')
  const above = digits.slice(0, -3).replace(/(?<=\d)(?=(?:\d{2})+$)/g, sign)
  return `${above}${sign}${digits.slice(-3)}`
}

/** The program's own words with their numbers as they are written here. */
function inStyle(words: string, numbers: NumberSigns): string {
  const grouped = numbers.grouping === 'pairs' ? words.replace(GROUPED, (n) => inPairs(n, THOUSANDS)) : words
  return grouped
    .replaceAll(POINT, numbers.decimal)
    .replace(GROUP, groupSign(numbers))
    .replaceAll('×', numbers.times)
    .replaceAll('÷', numbers.over)
}

/**
 * A text for people as numbers are written here, to stand where no element can: in a label, a title, a file. What a person
 * typed in it keeps the signs that set it apart, so that it keeps its direction too.
 */
export function written(text: string, numbers: NumberSigns = currentSettings().numbers): string {
  return piecesOf(text)
    .map((piece) => (piece.byHand ? typedByHand(piece.text) : inStyle(piece.text, numbers)))
    .join('')
}

/** What somebody typed, in the one way it is read: the signs of this browser's choice stand for what they stand for here. */
export function typedHere(text: string, numbers: NumberSigns = currentSettings().numbers): string {
  const plain = text.replaceAll(JOINER, '').replace(/(?<=\d)[’'](?=\d{3}(?!\d))/g, '\u2009')
  if (numbers.decimal === '.') return plain
  // Every character stays where it is: pairs are parted by commas, as they are read, thousands by spaces.
  return plain
    .replace(PAIRS, (n) => n.replaceAll('.', APART))
    .replace(/(?<=\d)\.(?=\d{3}(?!\d))/g, '\u2009')
    .replace(/(?<=\d),(?=\d)/g, '.')
    .replaceAll(APART, ',')
}

/** Stands for a sign that is to stay, while others are changed. */
const APART = '\uE000'

/** The same where only what can be seen is taken: in a file, to be set in a face. */
export function writtenPlain(text: string, numbers?: NumberSigns): string {
  return unmarked(written(text, numbers))
}
