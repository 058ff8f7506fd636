/** Forms about whole numbers: factors, remainders, powers, roots, sequences, numerals. */

import { type Decimal, decimal } from '../../number/decimal.js'
import { primeFactors, raised } from '../../number/factors.js'
import { dividedBy, type Fraction, fraction, fractionOf, gcf, plus } from '../../number/fraction.js'
import { firstOf, present } from '../../number/present.js'
import { cubeRoot } from '../../number/root.js'
import {
  baseNumeral,
  LEAST_BASE,
  MOST_BASE,
  numeralOf,
  RATIONAL,
  readNumeral,
} from '../../question/fractions.js'
import { QUOTIENT, ROMAN, SIGNED, WHOLE } from '../../question/kind.js'
import { ITEM, MISTYPED } from '../../words/items.js'
import { InputError } from '../error.js'
import { called, type Form, form, parts, printed, shown, WHOLE_TEXT, whole, wholes } from './form.js'
import { continued, knownOf, missingMember, otherMembers } from './sequences.js'

const atLeast = (least: bigint, numbers: readonly Decimal[] | undefined) => {
  if (!numbers) return undefined
  for (const n of numbers) if (n.scale > 0 || n.units < least) throw new InputError(MISTYPED.wholeFrom(least))
  return parts(numbers)
}

const listed = (numbers: readonly Decimal[]) => numbers.map(printed).join(',')
const list = (numbers: readonly Decimal[]) => numbers.map(shown).join(', ')

function about(
  names: string,
  name: string,
  words: (n: string) => string,
  answer: (n: bigint) => bigint,
  least = 1n,
): Form {
  const read = called(names, { least: 1, most: 1 })
  return form({
    read: (text) => atLeast(least, read(text)),
    print: (p) => `${name}(${listed(p.numbers)})`,
    words: (p) => words(list(p.numbers)),
    kind: () => WHOLE,
    answer: (p) => decimal(answer(whole(p, 0))),
  })
}

function common(
  names: string,
  name: string,
  words: (all: string) => string,
  answer: (a: bigint, b: bigint) => bigint,
): Form {
  const read = called(names, { least: 2, most: 4 })
  return form({
    read: (text) => atLeast(1n, read(text)),
    print: (p) => `${name}(${listed(p.numbers)})`,
    words: (p) => words(list(p.numbers)),
    kind: () => WHOLE,
    answer: (p) => decimal(wholes(p).reduce(answer)),
  })
}

const product = (numbers: readonly bigint[]) => numbers.reduce((a, b) => a * b, 1n)

const MEAN = called('mean', { least: 2, most: 12 })

export const NUMBER_FORMS = {
  gcf: common('gcf|gcd|hcf', 'gcf', ITEM.gcf, gcf),
  lcm: common('lcm', 'lcm', ITEM.lcm, (a, b) => (a / gcf(a, b)) * b),
  primes: about('primes', 'primes', ITEM.primes, (n) => BigInt(primeFactors(n).length)),
  divisors: about('divisors', 'divisors', ITEM.divisors, (n) =>
    product(primeFactors(n).map(([, e]) => e + 1n)),
  ),
  divisorsum: about('divisorsum', 'divisorsum', ITEM.divisorSum, (n) =>
    product(primeFactors(n).map(([p, e]) => (p ** (e + 1n) - 1n) / (p - 1n))),
  ),
  subsets: about('subsets', 'subsets', ITEM.subsets, (n) => 2n ** n, 0n),
  'cube-root': form({
    read(text) {
      const found = new RegExp(`^(?:cbrt ?\\( ?|∛ ?)${WHOLE_TEXT} ?\\)?$`, 'i').exec(text)
      if (!found) return undefined
      const n = BigInt(present(found[1]))
      if (cubeRoot(n) ** 3n !== n) throw new InputError(MISTYPED.noCube(present(found[1])))
      return parts([n])
    },
    print: (p) => `cbrt(${printed(present(p.numbers[0]))})`,
    words: (p) => `∛${shown(present(p.numbers[0]))}`,
    kind: () => WHOLE,
    answer: (p) => decimal(cubeRoot(whole(p, 0))),
    joint: ' = ',
  }),
  mean: form<Fraction>({
    read: (text) => {
      const numbers = MEAN(text)
      return numbers && parts(numbers)
    },
    print: (p) => `mean(${listed(p.numbers)})`,
    words: (p) => ITEM.mean(list(p.numbers)),
    kind: () => RATIONAL,
    answer: (p) => dividedBy(p.numbers.map(fractionOf).reduce(plus), fraction(BigInt(p.numbers.length))),
  }),
  remainder: form({
    read(text) {
      const found = new RegExp(`^${WHOLE_TEXT} mod ${WHOLE_TEXT}$`, 'i').exec(text)
      if (found && BigInt(present(found[2])) === 0n) throw new InputError(MISTYPED.byZero)
      return found ? parts([BigInt(present(found[1])), BigInt(present(found[2]))]) : undefined
    },
    print: (p) => `${whole(p, 0)} mod ${whole(p, 1)}`,
    words: (p) => ITEM.remainder(shown(whole(p, 0)), shown(whole(p, 1))),
    kind: () => WHOLE,
    answer: (p) => decimal(whole(p, 0) % whole(p, 1)),
  }),
  'quotient-remainder': form({
    read(text) {
      const found = new RegExp(`^${WHOLE_TEXT} ?/ ?${WHOLE_TEXT} ?r$`, 'i').exec(text)
      if (found && BigInt(present(found[2])) === 0n) throw new InputError(MISTYPED.byZero)
      return found ? parts([BigInt(present(found[1])), BigInt(present(found[2]))]) : undefined
    },
    print: (p) => `${whole(p, 0)}/${whole(p, 1)} r`,
    words: (p) => ITEM.quotient(shown(whole(p, 0)), shown(whole(p, 1))),
    kind: () => QUOTIENT,
    answer: (p) => ({
      quotient: decimal(whole(p, 0) / whole(p, 1)),
      remainder: decimal(whole(p, 0) % whole(p, 1)),
    }),
  }),
  power: form<Fraction>({
    read(text) {
      const one = new RegExp(
        `^${WHOLE_TEXT} ?\\^ ?(\\d{1,2})(?: ?([*/]) ?${WHOLE_TEXT} ?\\^ ?(\\d{1,2}))?$`,
      ).exec(text)
      if (!one || (one[2] === '2' && !one[3])) return undefined
      const [a, m, sign, b, n] = [present(one[1]), present(one[2]), one[3], one[4], one[5]]
      if (sign === '/' && BigInt(b!) === 0n) throw new InputError(MISTYPED.byZero)
      return sign ? parts([a, m, b!, n!].map(BigInt), [sign]) : parts([BigInt(a), BigInt(m)])
    },
    print: (p) => {
      const [a, m, b, n] = wholes(p)
      return `${a}^${m}${p.signs[0] ? `${p.signs[0]}${b}^${n}` : ''}`
    },
    words: (p) => {
      const [a, m, b, n] = firstOf(2, wholes(p))
      const second =
        b === undefined || n === undefined ? '' : ` ${p.signs[0] === '*' ? '×' : '÷'} ${b}${raised(n)}`
      return `${shown(a)}${raised(m)}${second}`
    },
    kind: () => RATIONAL,
    answer: (p) => {
      const [a, m, b = 1n, n = 1n] = firstOf(2, wholes(p))
      const [x, y] = [a ** m, b ** n]
      return p.signs[0] === '/' ? fraction(x, y) : fraction(x * y)
    },
    joint: ' = ',
  }),
  'square-difference': form({
    read(text) {
      const found = new RegExp(`^${WHOLE_TEXT} ?\\^ ?2 ?- ?${WHOLE_TEXT} ?\\^ ?2$`).exec(text)
      return found ? parts([BigInt(present(found[1])), BigInt(present(found[2]))]) : undefined
    },
    print: (p) => `${whole(p, 0)}^2-${whole(p, 1)}^2`,
    words: (p) => `${shown(whole(p, 0))}² − ${shown(whole(p, 1))}²`,
    kind: () => SIGNED,
    answer: (p) => decimal(whole(p, 0) ** 2n - whole(p, 1) ** 2n),
    joint: ' = ',
  }),
  'from-roman': form({
    read(text) {
      const n = /^[IVXLCDM]+$/.test(text) ? ROMAN.read(text) : undefined
      if (!n && /^[IVXLCDM]{2,}$/.test(text)) throw new InputError(MISTYPED.noRoman(text))
      return n && parts([n])
    },
    print: (p) => ROMAN.print(present(p.numbers[0])),
    words: (p) => ROMAN.print(present(p.numbers[0])),
    kind: () => WHOLE,
    answer: (p) => present(p.numbers[0]),
    joint: ' = ',
  }),
  'to-roman': form({
    read(text) {
      const found = called('roman', { least: 1, most: 1 })(text)
      if (!found) return undefined
      const [n] = found as [Decimal]
      if (n.scale > 0 || n.units < 1n || n.units > 3999n) throw new InputError(MISTYPED.romanRange)
      return parts([n])
    },
    print: (p) => `roman(${printed(present(p.numbers[0]))})`,
    words: (p) => ITEM.toRoman(shown(present(p.numbers[0]))),
    kind: () => ROMAN,
    answer: (p) => present(p.numbers[0]),
  }),
  'to-base': form({
    read(text) {
      const found = new RegExp(`^${WHOLE_TEXT} in base (\\d{1,2})$`, 'i').exec(text)
      return found ? parts([BigInt(present(found[1])), BigInt(checkedBase(present(found[2])))]) : undefined
    },
    print: (p) => `${whole(p, 0)} in base ${whole(p, 1)}`,
    words: (p) => ITEM.toBase(shown(whole(p, 0)), String(whole(p, 1))),
    kind: (p) => baseNumeral(Number(whole(p, 1))),
    answer: (p) => present(p.numbers[0]),
  }),
  'from-base': form({
    read(text) {
      const found = /^([0-9A-F]{1,20}) from base (\d{1,2})$/i.exec(text)
      if (!found) return undefined
      const base = checkedBase(present(found[2]))
      const n = readNumeral(present(found[1]), base)
      if (n === undefined) throw new InputError(MISTYPED.noNumeral(present(found[1]), base))
      return parts([n, BigInt(base)])
    },
    print: (p) => `${numeralOf(whole(p, 0), Number(whole(p, 1)))} from base ${whole(p, 1)}`,
    words: (p) => ITEM.fromBase(numeralOf(whole(p, 0), Number(whole(p, 1))), String(whole(p, 1))),
    kind: () => WHOLE,
    answer: (p) => present(p.numbers[0]),
  }),
  next: form({
    read(text) {
      const members = membersOf(/^next (.+)$/i.exec(text)?.[1])
      if (!members) return undefined
      if (continued(members) === undefined) throw new InputError(MISTYPED.noSequence)
      return parts(members)
    },
    print: (p) => `next ${p.numbers.map(printed).join(', ')}`,
    words: (p) => ITEM.next(list(p.numbers)),
    kind: () => SIGNED,
    answer: (p) => decimal(present(continued(wholes(p)))),
    others: (p) => otherMembers(knownOf(wholes(p)), p.numbers.length).map((n) => decimal(n)),
  }),
  missing: form({
    read(text) {
      const given = /^missing (.+)$/i.exec(text)?.[1]?.split(/ ?, ?/)
      const at = given?.findIndex((n) => /^[_?]$/.test(n)) ?? -1
      if (!given || at < 1) return undefined
      const members = membersOf(given.toSpliced(at, 1).join(','))
      if (!members) return undefined
      if (missingMember(members, at) === undefined) throw new InputError(MISTYPED.noSequence)
      return parts(members, [String(at)])
    },
    print: (p) => `missing ${gapped(p.numbers.map(printed), present(p.signs[0])).join(', ')}`,
    words: (p) => ITEM.missing(gapped(p.numbers.map(shown), present(p.signs[0])).join(', ')),
    kind: () => SIGNED,
    answer: (p) => decimal(present(missingMember(wholes(p), Number(p.signs[0])))),
    others: (p) =>
      otherMembers(knownOf(wholes(p), Number(p.signs[0])), Number(p.signs[0])).map((n) => decimal(n)),
  }),
  run: form({
    read(text) {
      const found = /^([\d+ ]+?) ?\+ ?(?:\.\.\.|…) ?\+ ?(\d{1,9})$/.exec(text)
      const first = found?.[1]?.split(/ ?\+ ?/)
      if (!found || !first || first.length < 2 || first.some((n) => !/^\d{1,9}$/.test(n))) return undefined
      const members = [...first.map(BigInt), BigInt(present(found[2]))]
      const gap = present(members[1]) - present(members[0])
      const even = first.slice(1).every((n, i) => BigInt(n) - present(members[i]) === gap)
      if (
        !even ||
        gap < 1n ||
        (present(members.at(-1)) - present(members[0])) % gap !== 0n ||
        present(members.at(-1)) < present(members.at(-2))
      )
        throw new InputError(MISTYPED.noRun)
      return parts(members)
    },
    print: (p) => `${wholes(p).slice(0, -1).join('+')}+...+${wholes(p).at(-1)}`,
    words: (p) =>
      `${p.numbers.slice(0, -1).map(shown).join(' + ')} + … + ${shown(present(p.numbers.at(-1)))}`,
    kind: () => WHOLE,
    answer: (p) => {
      const members = wholes(p)
      const [first, second, last] = [present(members[0]), present(members[1]), present(members.at(-1))]
      return decimal(((first + last) * ((last - first) / (second - first) + 1n)) / 2n)
    },
    joint: ' = ',
  }),
} as const satisfies Readonly<Record<string, Form>>

const gapped = (members: readonly string[], at: string) => members.toSpliced(Number(at), 0, '_')

function membersOf(text: string | undefined): bigint[] | undefined {
  const members = text?.split(/ ?, ?/) ?? []
  return members.length >= 3 && members.every((n) => /^-?\d{1,12}$/.test(n)) ? members.map(BigInt) : undefined
}

function checkedBase(text: string): number {
  const base = Number(text)
  if (base < LEAST_BASE || base > MOST_BASE) throw new InputError(MISTYPED.base(LEAST_BASE, MOST_BASE))
  return base
}
