/**
 * How numbers are written, by country and school: a choice of this browser. Everything is put together in one way, decimal
 * point, thousands parted by thin spaces, × and ÷; on its way to the page each text is written as it was chosen.
 */
import type { NumberSigns } from '@tachymetra/core/set'
import { currentSettings } from '../data/settings.js'

const DECIMAL = /(?<=\d)\.(?=\d)/g
const GROUP = /(?<=\d)\u2009(?=\d)/g

/** Is not seen, and tells a point that parts thousands from a decimal point. */
const JOINER = '\u2060'

/** What parts thousands: a point or comma, whichever is not the decimal sign. */
function groupSign({ decimal, grouping }: NumberSigns): string {
  if (grouping === 'space') return '\u2009'
  if (grouping === 'none') return ''
  return decimal === '.' ? ',' : `${JOINER}.`
}

/** Is anything to be changed at all? */
export function asItIs({ decimal, grouping, times, over }: NumberSigns): boolean {
  return decimal === '.' && grouping === 'space' && times === '×' && over === '÷'
}

/** A text for people as numbers are written here; what is written so already stays as it is. */
export function written(text: string, numbers: NumberSigns = currentSettings().numbers): string {
  if (asItIs(numbers)) return text
  return text
    .replace(DECIMAL, numbers.decimal)
    .replace(GROUP, groupSign(numbers))
    .replaceAll('×', numbers.times)
    .replaceAll('÷', numbers.over)
}

/** What somebody typed, in the one way it is read: the signs of this browser's choice stand for what they stand for here. */
export function typedHere(text: string, numbers: NumberSigns = currentSettings().numbers): string {
  const plain = text.replaceAll(JOINER, '')
  if (numbers.decimal === '.') return plain
  // Thousands parted by points are parted by spaces instead, so that every character stays where it is.
  return plain.replace(/(?<=\d)\.(?=\d{3}(?!\d))/g, '\u2009').replace(/(?<=\d),(?=\d)/g, '.')
}

/** The same where only what can be seen is taken: in a file, to be set in a face. */
export function writtenPlain(text: string, numbers?: NumberSigns): string {
  return written(text, numbers).replaceAll(JOINER, '')
}
