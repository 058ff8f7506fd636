/** Paper kinds about numerals: Roman ones, and those of other bases. */

import { decimal } from '../number/decimal.js'
import { firstOf, present } from '../number/present.js'
import { digitsOf, said } from '../number/whole.js'
import { type FormId, itemOf } from '../problem/items/forms.js'
import {
  between,
  either,
  kept,
  listed,
  mapped,
  type ProblemSpace,
  pairs,
  type Space,
} from '../problem/space.js'
import { baseNumeral, numeralOf } from '../question/fractions.js'
import { ROMAN, WHOLE } from '../question/kind.js'
import type { Value } from '../question/value.js'
import type { Step } from '../technique/contract.js'
import { quotientLoad } from '../technique/facts.js'
import { type Misfit, misfit, type SlipSink } from '../technique/make.js'
import { total } from '../technique/quantities/chains.js'
import { difference, holdsThat, product, sum } from '../technique/quantities/quantities.js'
import { BASES, ROMAN_KIND } from '../words/paper/numbers.js'
import { answered, answeredBy, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'

const romanOf = (form: 'from-roman' | 'to-roman', numbers: Space<bigint>): ProblemSpace =>
  mapped(numbers, (n) => itemOf(form, { numbers: [decimal(n)], signs: [] }))

const signsOf = (n: bigint) => ROMAN.print(decimal(n))
/** The same signs with every smaller one added, as they are misread. */
const misread = (n: bigint): bigint =>
  [...signsOf(n)].reduce((total, c) => total + present(ROMAN.read(c)).units, 0n)

export const roman = paperKind({
  id: 'paper-roman',
  words: ROMAN_KIND,
  levels: [
    [
      'Read to 100',
      () =>
        romanOf(
          'from-roman',
          kept(between(11, 100), (n) => n % 10n !== 0n),
        ),
    ],
    [
      'Write to 100',
      () =>
        romanOf(
          'to-roman',
          kept(between(11, 100), (n) => n % 10n !== 0n),
        ),
    ],
    [
      'Read to 3000',
      () =>
        romanOf(
          'from-roman',
          kept(between(101, 2999), (n) => digitsOf(n).filter((d) => d > 0).length > 2),
        ),
    ],
    [
      'Write to 3000',
      () =>
        romanOf(
          'to-roman',
          kept(between(101, 2999), (n) => digitsOf(n).filter((d) => d > 0).length > 2),
        ),
    ],
  ],
  read(problem): { readonly n: bigint; readonly reads: boolean } | Misfit {
    const item = itemOfForm(problem, ROMAN_KIND.none, 'from-roman', 'to-roman')
    if (isMisfit(item)) return item
    return { n: present(item.numbers[0]).units, reads: item.form === 'from-roman' }
  },
  *work({ n, reads }) {
    const mind = new Mind()
    const parts: bigint[] = []
    for (const [place, digit] of [...digitsOf(n).entries()].reverse()) {
      if (digit === 0) continue
      const part = BigInt(digit) * 10n ** BigInt(place)
      const name = present(ROMAN_KIND.places[place])
      const [signs, wrong] = [signsOf(part), misread(part)]
      const near = [part + 10n ** BigInt(place), part - 10n ** BigInt(place)].filter(
        (m) => m > 0n && m < 4000n,
      )
      const around = { what: name, why: ROMAN_KIND.whyPart(signs, said(part)) }
      if (reads) {
        parts.push(
          yield* mind.seeNumber(part, {
            ...around,
            ask: ROMAN_KIND.askPart(name),
            slips(slip) {
              slip('added', decimal(wrong), 5, ROMAN_KIND.added(signs, said(part)))
              for (const m of near) slip('fact', decimal(m), 2, ROMAN_KIND.sign(signs, said(part)))
            },
          }),
        )
        continue
      }
      const written = yield* mind.see(decimal(part), {
        ...around,
        ask: ROMAN_KIND.askSigns(name),
        kind: ROMAN,
        slips(slip) {
          for (const m of near) slip('fact', decimal(m), 3, ROMAN_KIND.sign(signs, said(part)))
        },
      })
      parts.push(written.units)
    }
    const all = total(parts)
    return yield* answered(all.value, {
      kind: reads ? WHOLE : ROMAN,
      why: reads ? ROMAN_KIND.whyAll : ROMAN_KIND.whyWritten,
      ...(reads && { reckons: all.text, load: all.load() }),
      slips(slip) {
        if (reads) slip('added', decimal(misread(n)), 5, ROMAN_KIND.added(signsOf(n), said(n)))
        for (const part of parts)
          if (all.value.units > part)
            slip('part-left-out', decimal(all.value.units - part), 3, ROMAN_KIND.missing(signsOf(part)))
      },
    })
  },
})

const MOST_BASE = 12n
const MOST_NUMBER = 100_000n

const basesOf = (
  form: Extract<FormId, 'to-base' | 'from-base'>,
  least: number,
  most: number,
  bases: readonly bigint[],
): ProblemSpace =>
  mapped(
    kept(pairs(between(least, most), listed(bases)), ([n, b]) => n >= b),
    (pair) => itemOf(form, { numbers: pair.map((x) => decimal(x)), signs: [] }),
  )

interface Based {
  readonly n: bigint
  readonly base: bigint
  readonly into: boolean
}

export const bases = paperKind({
  id: 'paper-bases',
  words: BASES,
  needs: ['divide-short'],
  levels: [
    [
      'Into bases 4 to 9, two digits',
      () =>
        either(
          ...[4n, 5n, 6n, 7n, 8n, 9n].map((b) => basesOf('to-base', Number(b) + 1, Number(b * b) - 1, [b])),
        ),
    ],
    [
      'Out of bases 4 to 9, two digits',
      () =>
        either(
          ...[4n, 5n, 6n, 7n, 8n, 9n].map((b) => basesOf('from-base', Number(b) + 1, Number(b * b) - 1, [b])),
        ),
    ],
    [
      'Into bases 2 to 8, longer',
      () =>
        either(
          ...[2n, 3n, 5n, 6n, 8n].map((b) =>
            basesOf('to-base', Number(b * b), Math.min(Number(b ** 4n) - 1, 300), [b]),
          ),
        ),
    ],
    [
      'Out of bases 2 to 8, longer',
      () =>
        either(
          ...[2n, 3n, 5n, 6n, 8n].map((b) =>
            basesOf('from-base', Number(b * b), Math.min(Number(b ** 4n) - 1, 300), [b]),
          ),
        ),
    ],
  ],
  read(problem): Based | Misfit {
    const item = itemOfForm(problem, BASES.none, 'to-base', 'from-base')
    if (isMisfit(item)) return item
    const [n, base] = firstOf(
      2,
      item.numbers.map((x) => x.units),
    )
    if (base > MOST_BASE || base === 10n || n < base) return misfit(BASES.none)
    return n > MOST_NUMBER ? misfit(BASES.range) : { n, base, into: item.form === 'to-base' }
  },
  work: ({ n, base, into }) => (into ? intoBase(n, base) : outOfBase(n, base)),
})

function* intoBase(n: bigint, base: bigint): Generator<Step, Value, Value> {
  const mind = new Mind()
  const kind = baseNumeral(Number(base))
  const rests: bigint[] = []
  let number = n
  while (number >= base) {
    const [q, is] = [
      number / base,
      `${said(number / base)} × ${said(base)} = ${said((number / base) * base)}`,
    ]
    const goes = yield* mind.find(
      {
        value: decimal(q),
        text: `${said(q * base)} ÷ ${said(base)}`,
        load: () => quotientLoad(q * base, base),
        slips: () => undefined,
      },
      {
        what: 'quotient',
        ask: BASES.askOften(said(number), said(base)),
        why: BASES.whyOften(is),
        action: 'quotient-digit',
        slips(slip) {
          if (q > 1n) slip('too-few', decimal(q - 1n), 3, BASES.whyOften(is))
          slip('too-many', decimal(q + 1n), 3, BASES.whyOften(is))
        },
      },
    )
    const over = difference(number, goes * base)
    const rest = yield* mind.find(over, {
      what: `left ${rests.length + 1}`,
      ask: BASES.askLeft(said(number)),
      why: BASES.whyLeft,
      action: 'remainder',
    })
    rests.push(rest)
    mind.letGo('quotient')
    number = goes
  }
  const digits = [number, ...rests.toReversed()]
  // After a slip what was left may be no digit of the base.
  const value = digits.reduce((total, d) => total * base + d, 0n)
  const turned = digits.toReversed().reduce((total, d) => total * base + d, 0n)
  return yield* answered(decimal(value < 0n ? 0n : value), {
    kind,
    why: BASES.why,
    slips(slip) {
      slip('previous-again', decimal(turned < 0n ? 0n : turned), 5, BASES.reversed)
      slip(
        'part-left-out',
        decimal(rests.toReversed().reduce((total, d) => total * base + d, 0n)),
        3,
        BASES.why,
      )
    },
  })
}

function* outOfBase(n: bigint, base: bigint): Generator<Step, Value, Value> {
  const mind = new Mind()
  const digits = [...numeralOf(n, Number(base))].map((c) => BigInt(Number.parseInt(c, 16)))
  let sofar = present(digits[0])
  for (const [i, digit] of digits.slice(1).entries()) {
    const before = sofar
    const times = product(before, base)
    const raised = yield* mind.find(times, {
      what: 'times',
      ask: BASES.askTimes(said(base)),
      why: BASES.whyStep,
      action: 'product',
      slips: (slip) => slip('wrong-place', decimal(before * 10n), 5, BASES.tenth(holdsThat(times))),
    })
    mind.letGo('so far')
    const both = sum(raised, digit)
    const around = {
      ask: BASES.askPlus,
      why: BASES.whyPlus,
      slips: (slip: SlipSink) => {
        if (digit > 0n) slip('part-left-out', decimal(raised), 4, BASES.noDigit(holdsThat(both)))
      },
    }
    if (i === digits.length - 2) return yield* answeredBy(both, around)
    sofar = yield* mind.find(both, { what: 'so far', ...around })
    mind.letGo('times')
  }
  return decimal(sofar)
}
