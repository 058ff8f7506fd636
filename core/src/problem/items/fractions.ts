/** Forms about fractions: converted, added, compared, percents, proportions. */

import {
  compareFractions,
  decimalOf,
  dividedBy,
  type Fraction,
  fraction,
  fractionOf,
  minus,
  plus,
  times,
} from '../../number/fraction.js'
import { present } from '../../number/present.js'
import { AS_DECIMAL, FRACTION, MIXED, RATIO, RATIONAL } from '../../question/fractions.js'
import { choiceOf, DIGITS } from '../../question/kind.js'
import { valueText, valueWords } from '../../question/value.js'
import { ITEM, MISTYPED } from '../../words/items.js'
import { InputError } from '../error.js'
import {
  type Form,
  form,
  NUMBER_TEXT,
  number,
  type Parts,
  parts,
  printed,
  ratioOf,
  shown,
  whole,
  wholes,
} from './form.js'

/** A mixed number of the parts: its whole part, numerator and denominator stand one after another. */
const mixedAt = (p: Parts, i: number): Fraction => {
  const [w, over, under] = [whole(p, i), whole(p, i + 1), whole(p, i + 2)]
  return fraction(w * under + over, under)
}

const mixedText = (p: Parts, i: number) => {
  const [w, over, under] = [whole(p, i), whole(p, i + 1), whole(p, i + 2)]
  if (over === 0n) return String(w)
  return `${w > 0n ? `${w} ` : ''}${over}/${under}`
}

const OPERAND = '\\(?(?:(\\d{1,9}) (\\d{1,9})/(\\d{1,9})|(\\d{1,9})/(\\d{1,9})|(\\d{1,9}))\\)?'
const OPERATION = new RegExp(`^${OPERAND} ?([-+*]|(?<=\\)) ?/(?= ?\\()) ?${OPERAND}$`)

/** Whole part, numerator, denominator of an operand from its six groups; undefined where it is no fraction in lowest terms. */
function operand(groups: readonly (string | undefined)[]): readonly [bigint, bigint, bigint] | undefined {
  const [w, a, b, over, under, alone] = groups.map((g) => (g === undefined ? undefined : BigInt(g)))
  if (alone !== undefined) return [alone, 0n, 1n]
  const [p, q] = [a ?? over!, b ?? under!]
  if (q < 2n || fraction(p, q).under !== q || (w !== undefined && p >= q)) return undefined
  return [w ?? 0n, p, q]
}

const OPERATIONS: Readonly<Record<string, (a: Fraction, b: Fraction) => Fraction>> = {
  '+': plus,
  '-': minus,
  '*': times,
  '/': dividedBy,
}
const SIGNS: Readonly<Record<string, string>> = { '+': ' + ', '-': ' − ', '*': ' × ', '/': ' ÷ ' }

const PERCENT = `(?:(\\d{1,9}) (\\d{1,9})/(\\d{1,9})|(\\d{1,9})/(\\d{1,9})|(\\d{1,9}(?:\\.\\d{1,12})?)) ?%`

/** A percentage as it is typed, as the number of hundredths it names. */
function percentOf([w, a, b, over, under, plain]: readonly (string | undefined)[]): Fraction | undefined {
  if (plain !== undefined) return fractionOf(number(plain))
  const [p, q] = [a ?? over!, b ?? under!].map(BigInt) as [bigint, bigint]
  return q === 0n ? undefined : fraction(BigInt(w ?? '0') * q + p, q)
}

const asText = (value: Fraction) => {
  const ends = decimalOf(value)
  return ends && ends.scale < 3 ? valueText(ends) : valueText(value).replace('_', ' ')
}
const asWords = (value: Fraction) => {
  const ends = decimalOf(value)
  return ends && ends.scale === 0 ? valueWords(ends) : valueWords(value)
}
/** A percentage whose numerator and denominator stand in the parts. */
const percentAt = (p: Parts, i: number) => fraction(whole(p, i), whole(p, i + 1))

const HUNDRED = fraction(100n)

/** As what a number is given, and as what it is asked. */
const DRESSES = ['fraction', 'decimal', 'percent'] as const

function conversion(text: string): Parts | undefined {
  const found = /^(.+) as (?:an? )?(%|percent|fraction|decimal)$/i.exec(text)
  if (!found) return undefined
  const to = found[2] === '%' ? 'percent' : present(found[2]).toLowerCase()
  const given = present(found[1])
  const percent = new RegExp(`^${PERCENT}$`).exec(given)?.slice(1)
  const plain = new RegExp(`^${NUMBER_TEXT}$`).exec(given)
  const broken = /^(?:(\d{1,9}) )?(\d{1,9})\/(\d{1,9})$/.exec(given)?.slice(1)
  const value = percent
    ? percentOf(percent)
    : plain
      ? fractionOf(number(present(plain[1])))
      : broken && BigInt(present(broken[2])) > 0n
        ? fraction(
            BigInt(broken[0] ?? '0') * BigInt(present(broken[2])) + BigInt(present(broken[1])),
            BigInt(present(broken[2])),
          )
        : undefined
  if (!value) return undefined
  const from = percent ? 'percent' : plain ? 'decimal' : 'fraction'
  if (from === to) throw new InputError(MISTYPED.sameDress(to))
  const is = percent ? dividedBy(value, HUNDRED) : value
  if (to === 'decimal' && !decimalOf(is)) throw new InputError(MISTYPED.noDecimal)
  return parts([is.over, is.under], [from, to])
}

const given = (p: Parts): string => {
  const value = ratioOf(p, 0, 1)
  if (p.signs[0] === 'decimal') return valueText(present(decimalOf(value)))
  return p.signs[0] === 'percent' ? `${asText(times(value, HUNDRED))}%` : `${value.over}/${value.under}`
}

const PAIR = /^(\d{1,9})\/(\d{1,9}) ?\? ?(\d{1,9})\/(\d{1,9})$/
const FRACTIONS = /^\d{1,9}\/\d{1,9}(?: ?, ?\d{1,9}\/\d{1,9}){2}$/

const nth = (p: Parts, i: number) => ratioOf(p, 2 * i, 2 * i + 1)
const nthText = (p: Parts, i: number) => `${whole(p, 2 * i)}/${whole(p, 2 * i + 1)}`

/** Which of two fractions a typed number is; both where they are equal. */
function nthTyped(p: Parts, text: string): string | undefined {
  const value = RATIONAL.read(text)
  const is = [0, 1].map((i) => value !== undefined && compareFractions(value, nth(p, i)) === 0)
  return is[0] ? 'first' : is[1] ? 'second' : undefined
}

/** The order three typed fractions stand in: "2/7 < 5/6 < 7/8", also with blanks or commas between. */
function orderTyped(p: Parts, text: string): string | undefined {
  const found = text.split(/[\s,<]+/).map((part) => {
    const value = RATIONAL.read(part)
    return [0, 1, 2].findIndex((i) => value !== undefined && compareFractions(value, nth(p, i)) === 0)
  })
  return ORDERS.find((order) => order === found.join(''))
}

/** The orders three things can stand in, by their numbers. */
const ORDERS = ['012', '021', '102', '120', '201', '210'] as const

const PROPORTION = /^(x|\d{1,9}) ?: ?(x|\d{1,9}) ?= ?(x|\d{1,9}) ?: ?(x|\d{1,9})$/i

export const FRACTION_FORMS = {
  conversion: form<Fraction>({
    read: conversion,
    print: (p) => `${given(p)} as ${p.signs[1] === 'percent' ? '%' : p.signs[1]}`,
    words: (p) => {
      const value = ratioOf(p, 0, 1)
      const sign = p.signs[0]
      const from =
        sign === 'percent'
          ? `${asWords(times(value, HUNDRED))} %`
          : sign === 'decimal'
            ? valueWords(present(decimalOf(value)))
            : given(p)
      return ITEM.converted(from, p.signs[1] as (typeof DRESSES)[number])
    },
    kind: (p) => (p.signs[1] === 'fraction' ? FRACTION : p.signs[1] === 'decimal' ? AS_DECIMAL : RATIONAL),
    answer: (p) => (p.signs[1] === 'percent' ? times(ratioOf(p, 0, 1), HUNDRED) : ratioOf(p, 0, 1)),
  }),
  'percent-of': form<Fraction>({
    read(text) {
      const found = new RegExp(`^${PERCENT} of ${NUMBER_TEXT}$`, 'i').exec(text)
      const percent = found && percentOf(found.slice(1, 7))
      return percent ? parts([percent.over, percent.under, number(present(found[7]))]) : undefined
    },
    print: (p) => `${asText(percentAt(p, 0))}% of ${printed(present(p.numbers[2]))}`,
    words: (p) => `${asWords(percentAt(p, 0))} % of ${shown(present(p.numbers[2]))}`,
    kind: () => RATIONAL,
    answer: (p) => dividedBy(times(percentAt(p, 0), fractionOf(present(p.numbers[2]))), HUNDRED),
    joint: ' = ',
  }),
  'what-percent': form<Fraction>({
    read(text) {
      const found = new RegExp(`^${NUMBER_TEXT} is what ?(?:%|percent) of ${NUMBER_TEXT}$`, 'i').exec(text)
      if (!found) return undefined
      const [a, b] = [number(present(found[1])), number(present(found[2]))]
      if (b.units === 0n) throw new InputError(MISTYPED.byZero)
      return parts([a, b])
    },
    print: (p) => `${printed(present(p.numbers[0]))} is what % of ${printed(present(p.numbers[1]))}`,
    words: (p) => ITEM.whatPercent(shown(present(p.numbers[0])), shown(present(p.numbers[1]))),
    kind: () => RATIONAL,
    answer: (p) => times(ratioOf(p, 0, 1), HUNDRED),
  }),
  'whole-from-part': form<Fraction>({
    read(text) {
      const found = new RegExp(`^${NUMBER_TEXT} is ${PERCENT} of(?: what)?$`, 'i').exec(text)
      const percent = found && percentOf(found.slice(2, 8))
      if (!percent) return undefined
      if (percent.over === 0n) throw new InputError(MISTYPED.byZero)
      return parts([number(present(found[1])), percent.over, percent.under])
    },
    print: (p) => `${printed(present(p.numbers[0]))} is ${asText(percentAt(p, 1))}% of`,
    words: (p) => ITEM.wholeFrom(shown(present(p.numbers[0])), asWords(percentAt(p, 1))),
    kind: () => RATIONAL,
    answer: (p) => dividedBy(times(fractionOf(present(p.numbers[0])), HUNDRED), percentAt(p, 1)),
  }),
  fractions: form<Fraction>({
    read(text) {
      const found = OPERATION.exec(text)
      const [a, b] = found ? [operand(found.slice(1, 7)), operand(found.slice(8, 14))] : []
      if (!a || !b || (a[1] === 0n && b[1] === 0n)) return undefined
      const sign = present(found![7]).trim()
      if (sign === '/' && b[0] === 0n && b[1] === 0n) throw new InputError(MISTYPED.byZero)
      return parts([...a, ...b], [sign])
    },
    print: (p) =>
      p.signs[0] === '/'
        ? `(${mixedText(p, 0)})/(${mixedText(p, 3)})`
        : `${mixedText(p, 0)}${p.signs[0]}${mixedText(p, 3)}`,
    words: (p) => `${mixedText(p, 0)}${SIGNS[present(p.signs[0])]}${mixedText(p, 3)}`,
    // Mixed numbers are answered by mixed numbers, fractions by fractions.
    kind: (p) => (whole(p, 0) > 0n && whole(p, 3) > 0n && whole(p, 1) > 0n ? MIXED : FRACTION),
    answer: (p) => present(OPERATIONS[present(p.signs[0])])(mixedAt(p, 0), mixedAt(p, 3)),
    joint: ' = ',
  }),
  compare: form<string>({
    read(text) {
      const found = PAIR.exec(text)?.slice(1).map(BigInt)
      if (!found) return undefined
      if (found[1] === 0n || found[3] === 0n) throw new InputError(MISTYPED.byZero)
      return parts(found)
    },
    print: (p) => `${nthText(p, 0)} ? ${nthText(p, 1)}`,
    words: (p) => ITEM.larger(nthText(p, 0), nthText(p, 1)),
    kind: (p) =>
      choiceOf(
        [
          { id: 'first', name: nthText(p, 0) },
          { id: 'second', name: nthText(p, 1) },
          { id: 'equal', name: ITEM.equal },
        ],
        { keys: [...DIGITS, '/', '='], idOf: (text) => (text === '=' ? 'equal' : nthTyped(p, text)) },
      ),
    answer: (p) => {
      const order = compareFractions(nth(p, 0), nth(p, 1))
      return order > 0 ? 'first' : order < 0 ? 'second' : 'equal'
    },
    joint: '? ',
  }),
  order: form<string>({
    read(text) {
      const found = /^order (.+)$/i.exec(text)?.[1]
      if (!found || !FRACTIONS.test(found)) return undefined
      const numbers = found.split(/[ ,/]+/).map(BigInt)
      if ([1, 3, 5].some((i) => numbers[i] === 0n)) throw new InputError(MISTYPED.byZero)
      const all = parts(numbers)
      if ([0, 1, 2].some((i) => compareFractions(nth(all, i), nth(all, (i + 1) % 3)) === 0))
        throw new InputError(MISTYPED.equalFractions)
      return all
    },
    print: (p) => `order ${[0, 1, 2].map((i) => nthText(p, i)).join(', ')}`,
    words: (p) => ITEM.order([0, 1, 2].map((i) => nthText(p, i)).join(', ')),
    kind: (p) =>
      choiceOf(
        ORDERS.map((order) => ({
          id: order,
          name: [...order].map((n) => nthText(p, Number(n))).join(' < '),
        })),
        { keys: [...DIGITS, '/', ' ', ',', '<'], idOf: (text) => orderTyped(p, text) },
      ),
    answer: (p) =>
      ['0', '1', '2'].sort((a, b) => compareFractions(nth(p, Number(a)), nth(p, Number(b)))).join(''),
  }),
  proportion: form<Fraction>({
    read(text) {
      const found = PROPORTION.exec(text)?.slice(1)
      const at = found?.findIndex((n) => n.toLowerCase() === 'x') ?? -1
      if (!found || at < 0) return undefined
      const known = found.toSpliced(at, 1)
      if (known.some((n) => n.toLowerCase() === 'x')) throw new InputError(MISTYPED.twoUnknowns)
      if (known.some((n) => BigInt(n) === 0n)) throw new InputError(MISTYPED.byZero)
      return parts(known.map(BigInt), [String(at)])
    },
    print: (p) => {
      const [a, b, c, d] = wholes(p).map(String).toSpliced(Number(p.signs[0]), 0, 'x')
      return `${a}:${b} = ${c}:${d}`
    },
    words: (p) => {
      const [a, b, c, d] = p.numbers.map(shown).toSpliced(Number(p.signs[0]), 0, 'x')
      return `${a} : ${b} = ${c} : ${d}`
    },
    kind: () => RATIONAL,
    answer: (p) => {
      const all: (bigint | undefined)[] = wholes(p)
      const [a, b, c, d] = all.toSpliced(Number(p.signs[0]), 0, undefined)
      // The outer numbers multiplied are the inner ones multiplied.
      return a === undefined || d === undefined
        ? fraction(b! * c!, present(a ?? d))
        : fraction(a * d, present(b ?? c))
    },
    joint: ': x = ',
  }),
  ratio: form<Fraction>({
    read(text) {
      const found = /^(\d{1,9}) ?: ?(\d{1,9}) as (?:a )?ratio$/i.exec(text)?.slice(1).map(BigInt)
      if (!found) return undefined
      if (found.includes(0n)) throw new InputError(MISTYPED.byZero)
      return parts(found)
    },
    print: (p) => `${whole(p, 0)}:${whole(p, 1)} as ratio`,
    words: (p) => ITEM.ratio(shown(whole(p, 0)), shown(whole(p, 1))),
    kind: () => RATIO,
    answer: (p) => ratioOf(p, 0, 1),
  }),
} as const satisfies Readonly<Record<string, Form>>
