/**
 * How numbers are written, by country and school: a choice of this browser. Everything is put together in one way, decimal
 * point, thousands parted by thin spaces, × and ÷; on its way to the page each text is written as it was chosen.
 */
import type { NumberSigns } from '@tachymetra/core/set'
import { currentSettings } from '../data/settings.js'

const DECIMAL = /(?<=\d)\.(?=\d)/g
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

/** Is anything to be changed at all? */
export function asItIs({ decimal, grouping, times, over }: NumberSigns): boolean {
  return decimal === '.' && grouping === 'space' && times === '×' && over === '÷'
}

/** A text for people as numbers are written here; what is written so already stays as it is. */
export function written(text: string, numbers: NumberSigns = currentSettings().numbers): string {
  if (asItIs(numbers)) return text
  const sign = groupSign(numbers)
  const grouped = numbers.grouping === 'pairs' ? text.replace(GROUPED, (n) => inPairs(n, '\u2009')) : text
  return grouped
    .replace(DECIMAL, numbers.decimal)
    .replace(GROUP, sign)
    .replaceAll('×', numbers.times)
    .replaceAll('÷', numbers.over)
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
  return written(text, numbers).replaceAll(JOINER, '')
}
