/** How items of a paper are said, and what is said of one that is typed wrongly. */
import { count } from './english.js'

const DRESS = { fraction: 'a fraction', decimal: 'a decimal', percent: 'a percentage' } as const

const FIGURES = {
  area: 'Area',
  perimeter: 'Perimeter',
  volume: 'Volume',
  surface: 'Surface',
} as const

/** A solid or flat figure by its lengths. */
function figure(name: keyof typeof FIGURES, [a = '', b, c]: readonly string[]): string {
  const solid = name === 'volume' || name === 'surface'
  if (b === undefined) return `${FIGURES[name]} of a ${solid ? 'cube' : 'square'} with side ${a}`
  return `${FIGURES[name]} of a ${solid ? `block ${a} by ${b} by ${c}` : `rectangle ${a} by ${b}`}`
}

export const ITEM = {
  gcf: (all: string) => `Greatest common factor of ${all}`,
  lcm: (all: string) => `Least common multiple of ${all}`,
  primes: (n: string) => `How many different primes divide ${n}`,
  divisors: (n: string) => `How many divisors ${n} has`,
  divisorSum: (n: string) => `The sum of all divisors of ${n}`,
  subsets: (n: string) => `How many subsets a set of ${n} has`,
  mean: (all: string) => `Mean of ${all}`,
  remainder: (n: string, by: string) => `Remainder of ${n} ÷ ${by}`,
  quotient: (n: string, by: string) => `${n} ÷ ${by}, with remainder`,
  toRoman: (n: string) => `${n} as a Roman numeral`,
  toBase: (n: string, base: string) => `${n} in base ${base}`,
  fromBase: (numeral: string, base: string) => `${numeral} (base ${base}) in base 10`,
  next: (members: string) => `Next: ${members}, …`,
  missing: (members: string) => `Missing: ${members}`,
  converted: (from: string, to: keyof typeof DRESS) => `${from} as ${DRESS[to]}`,
  whatPercent: (part: string, whole: string) => `${part} is what percent of ${whole}`,
  wholeFrom: (part: string, percent: string) => `${part} is ${percent} % of what number`,
  larger: (a: string, b: string) => `Which is larger: ${a} or ${b}`,
  order: (all: string) => `In order, smallest first: ${all}`,
  equal: 'they are equal',
  ratio: (a: string, b: string) => `${a} : ${b} in lowest terms`,
  units: (measure: string, unit: string) => `${measure} in ${unit}`,
  figure,
  about: (expression: string) => `About ${expression}`,
} as const

export const MISTYPED = {
  byZero: 'Nothing can be divided by 0.',
  wholeFrom: (least: bigint) => `Whole numbers of ${least} and more are needed here.`,
  noCube: (n: string) => `${n} is no cube of a whole number.`,
  noRoman: (text: string) => `${text.slice(0, 20)} is no Roman numeral.`,
  romanRange: 'Roman numerals go from 1 to 3999.',
  base: (least: number, most: number) => `Bases go from ${least} to ${most}.`,
  noNumeral: (text: string, base: number) => `${text} is no numeral in base ${base}.`,
  noSequence: 'I see no simple rule in these numbers. Check them, or give more of them.',
  noRun: 'The numbers of a run must be the same distance apart, up to the last.',
  sameDress: (dress: string) => `It is written as a ${dress} already.`,
  noDecimal: 'As a decimal it never ends.',
  equalFractions: 'Two of these fractions are equal.',
  twoUnknowns: 'One number may be unknown, not two.',
  noUnknown: 'The unknown is multiplied by 0 or divided by 0.',
  units: (a: string, b: string) => `${a} and ${b} do not measure the same.`,
  sides: (name: string, counts: readonly number[]) =>
    `${name} takes ${counts.map((n) => count(n, 'length')).join(' or ')}.`,
  notAbove: 'Only values above 0 are estimated.',
} as const
