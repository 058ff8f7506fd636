/** Forms about units, figures and simple equations. */

import { type Decimal, decimal } from '../../number/decimal.js'
import { dividedBy, type Fraction, fraction, fractionOf, minus, plus, times } from '../../number/fraction.js'
import { firstOf, present } from '../../number/present.js'
import { RATIONAL } from '../../question/fractions.js'
import { ITEM, MISTYPED } from '../../words/items.js'
import { InputError } from '../error.js'
import {
  called,
  type Form,
  form,
  NUMBER_TEXT,
  number,
  type Parts,
  parts,
  printed,
  shown,
  whole,
} from './form.js'

/**
 * Units by what they measure, each as a multiple of the smallest. Time: BIPM, The International System of Units (9th
 * edition, 2019), table 8; the prefixes milli, centi, deci and kilo: table 7; the litre is 1 dm³, the tonne 1000 kg: table 8.
 */
const UNITS = {
  time: { s: 1n, min: 60n, h: 3600n, d: 86_400n },
  length: { mm: 1n, cm: 10n, dm: 100n, m: 1000n, km: 1_000_000n },
  mass: { mg: 1n, g: 1000n, kg: 1_000_000n, t: 1_000_000_000n },
  volume: { ml: 1n, cl: 10n, dl: 100n, l: 1000n },
} as const satisfies Readonly<Record<string, Readonly<Record<string, bigint>>>>

const ALL_UNITS: Readonly<Record<string, { readonly of: string; readonly size: bigint }>> =
  Object.fromEntries(
    Object.entries(UNITS).flatMap(([of, units]) =>
      Object.entries(units).map(([unit, size]) => [unit, { of, size }]),
    ),
  )

/** How many of one unit make another: 60 for minutes in an hour. @throws InputError for units of two kinds */
export function unitsIn(large: string, small: string): Fraction {
  const [a, b] = [ALL_UNITS[large], ALL_UNITS[small]]
  if (!a || !b || a.of !== b.of) throw new InputError(MISTYPED.units(large, small))
  return fraction(a.size, b.size)
}

const UNIT = `(${Object.keys(ALL_UNITS).join('|')})`
const MEASURE = new RegExp(`^${NUMBER_TEXT} ?${UNIT}(?: ${NUMBER_TEXT} ?${UNIT})? in ${UNIT}$`)

const measured = (p: Parts, n: (value: Decimal) => string) =>
  p.numbers.map((value, i) => `${n(value)} ${p.signs[i]}`).join(' ')

/** The figures by name, how many lengths each has, and what is asked of it. */
const FIGURES = {
  area: (sides: readonly bigint[]) => present(sides[0]) * (sides[1] ?? present(sides[0])),
  perimeter: (sides: readonly bigint[]) => 2n * (present(sides[0]) + (sides[1] ?? present(sides[0]))),
  volume: (sides: readonly bigint[]) =>
    present(sides[0]) * (sides[1] ?? present(sides[0])) * (sides[2] ?? present(sides[0])),
  surface: (sides: readonly bigint[]) => {
    const [a, b = a, c = a] = firstOf(1, sides)
    return 2n * (a * b + a * c + b * c)
  },
} as const
type Figure = keyof typeof FIGURES

const SIDES: Readonly<Record<Figure, readonly number[]>> = {
  area: [1, 2],
  perimeter: [1, 2],
  volume: [1, 3],
  surface: [1, 3],
}

const EQUATION = /^(?:(\d{1,6}) ?\*? ?)?x(?: ?\/ ?(\d{1,6}))?(?: ?([-+]) ?(\d{1,9}))? ?= ?(-?\d{1,9})$/i

export const MEASURE_FORMS = {
  units: form<Fraction>({
    read(text) {
      const found = MEASURE.exec(text)
      if (!found) return undefined
      const [a, from, b, and, to] = firstOf(5, found.slice(1))
      unitsIn(from, to)
      if (and) unitsIn(from, and)
      return parts(b ? [number(a), number(b)] : [number(a)], and ? [from, and, to] : [from, to])
    },
    print: (p) => `${measured(p, printed)} in ${p.signs.at(-1)}`,
    words: (p) => ITEM.units(measured(p, shown), present(p.signs.at(-1))),
    kind: () => RATIONAL,
    answer: (p) =>
      p.numbers
        .map((n, i) => times(fractionOf(n), unitsIn(present(p.signs[i]), present(p.signs.at(-1)))))
        .reduce(plus),
  }),
  figure: form({
    read(text) {
      const name = /^([a-z]+) ?\(/i.exec(text)?.[1]?.toLowerCase() as Figure | undefined
      if (!name || !Object.hasOwn(FIGURES, name)) return undefined
      const sides = called(name, { least: 1, most: 3 })(text)
      if (!sides || !SIDES[name].includes(sides.length))
        throw new InputError(MISTYPED.sides(name, SIDES[name]))
      if (sides.some((n) => n.scale > 0 || n.units < 1n)) throw new InputError(MISTYPED.wholeFrom(1n))
      return parts(sides, [name])
    },
    print: (p) => `${p.signs[0]}(${p.numbers.map(printed).join(',')})`,
    words: (p) => ITEM.figure(p.signs[0] as Figure, p.numbers.map(shown)),
    kind: () => RATIONAL,
    answer: (p) => fraction(FIGURES[p.signs[0] as Figure](p.numbers.map((n) => n.units))),
  }),
  // a x / b ± c = d
  equation: form<Fraction>({
    read(text) {
      const found = EQUATION.exec(text)
      if (!found) return undefined
      const [a = '1', b = '1', sign = '+', c = '0', d] = firstOf(5, found.slice(1))
      if (BigInt(a) === 0n || BigInt(b) === 0n) throw new InputError(MISTYPED.noUnknown)
      return parts([a, b, c, d].map(BigInt), [sign])
    },
    print: (p) => equationText(p, String, '-'),
    words: (p) => equationText(p, (n) => shown(decimal(n)), '−', ' '),
    kind: () => RATIONAL,
    answer: (p) => {
      const c = fraction(p.signs[0] === '-' ? -whole(p, 2) : whole(p, 2))
      return dividedBy(times(minus(fraction(whole(p, 3)), c), fraction(whole(p, 1))), fraction(whole(p, 0)))
    },
    joint: ': x = ',
  }),
} as const satisfies Readonly<Record<string, Form>>

function equationText(p: Parts, n: (n: bigint) => string, minusSign: string, space = ''): string {
  const [a, b, c, d] = [0, 1, 2, 3].map((i) => whole(p, i)) as [bigint, bigint, bigint, bigint]
  const sign = p.signs[0] === '-' ? minusSign : '+'
  const left = `${a > 1n ? n(a) : ''}x${b > 1n ? `${space}${space ? '÷' : '/'}${space}${n(b)}` : ''}`
  return `${left}${c > 0n ? `${space}${sign}${space}${n(c)}` : ''}${space}=${space}${n(d)}`
}
