/**
 * A problem as people write it, brought into the one form that is read: "average of 3, 5, 7", "LCM of 32 and 40", "15 squared",
 * "35 to base 5", "½", "1'204", "12,34,567", "1.204,5", an equals sign at the end, small Roman numerals.
 */
import { unmarked } from '../number/marks.js'

/** Fractions that are one sign (Unicode, block Number Forms and Latin-1 Supplement). */
const SIGNS: Readonly<Record<string, string>> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅕': '1/5',
  '⅖': '2/5',
  '⅗': '3/5',
  '⅘': '4/5',
  '⅙': '1/6',
  '⅚': '5/6',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
}

const N = "[\\d.,'’\\s\\u2009\\u202f]*\\d"

/** Ways of saying what is to be done, and how it is written. */
const SPOKEN: readonly (readonly [said: RegExp, written: string])[] = [
  [/^(?:the )?(?:average|mean) of (.+)$/i, 'mean($1)'],
  [/^(?:the )?(?:lcm|least common multiple) of (.+)$/i, 'lcm($1)'],
  [/^(?:the )?(?:gcf|gcd|hcf|greatest common factor|greatest common divisor) of (.+)$/i, 'gcf($1)'],
  [/^(?:the )?square root of (.+)$/i, 'sqrt($1)'],
  [/^(?:the )?cube root of (.+)$/i, 'cbrt($1)'],
  [new RegExp(`^(${N}) squared$`, 'i'), '$1^2'],
  [/^(\d+) (?:to|into) base (\d+)$/i, '$1 in base $2'],
]

/** Group signs that part no decimals: apostrophes, and commas as they are set in India (12,34,567). */
function ungrouped(text: string): string {
  const plain = text.replace(/(\d)['’](?=\d{3}(?!\d))/g, '$1')
  // In a list commas stand between its numbers.
  if (/[a-wyz]/i.test(plain)) return plain
  return plain
    .replace(/(?<![\d.,])\d{1,2}(?:,\d{2})+,\d{3}(?!\d)/g, (n) => n.replaceAll(',', ''))
    .replace(/(?<![\d.,])\d{1,3}(?:\.\d{3})+,\d+/g, (n) => n.replaceAll('.', '').replace(',', '.'))
}

/** @returns the text in the one form that is read; a text that says nothing special as it stands */
export function asWritten(text: string): string {
  const plain = ungrouped(
    unmarked(text)
      .trim()
      .replace(/\s*=\s*$/, ''),
  ).replace(
    /(\d?)\s*([½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞])/g,
    (_, before: string, sign: string) => `${before}${before === '' ? '' : ' '}${SIGNS[sign]}`,
  )
  if (/^[mdclxvi]+$/i.test(plain) && !/^x$/i.test(plain)) return plain.toUpperCase()
  for (const [said, written] of SPOKEN)
    if (said.test(plain))
      return plain
        .replace(said, written)
        .replace(/\s+and\s+/gi, ', ')
        .replace(/,\s*,/g, ',')
  return plain
}
