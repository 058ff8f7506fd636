/** Paper kinds about what a division leaves: by digit rules, and beside the quotient. */

import { type Decimal, decimal } from '../number/decimal.js'
import { firstOf, present } from '../number/present.js'
import { digitsOf, said } from '../number/whole.js'
import { itemOf } from '../problem/items/forms.js'
import { between, kept, listed, mapped, type ProblemSpace, pairs, type Space } from '../problem/space.js'
import { QUOTIENT, WHOLE } from '../question/kind.js'
import type { Value } from '../question/value.js'
import type { Step } from '../technique/contract.js'
import { quotientLoad } from '../technique/facts.js'
import { type Misfit, misfit } from '../technique/make.js'
import { total } from '../technique/quantities/chains.js'
import { difference, holdsThat, type Quantity } from '../technique/quantities/quantities.js'
import { REMAINDERS, WITH_REMAINDER } from '../words/paper/numbers.js'
import { answered, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'

interface Divided {
  readonly n: bigint
  readonly by: bigint
}

const remaindersOf = (numbers: Space<bigint>, by: readonly bigint[]): ProblemSpace =>
  mapped(pairs(numbers, listed(by)), (pair) =>
    itemOf('remainder', { numbers: pair.map((n) => decimal(n)), signs: [] }),
  )

/** How many digits at the end tell what is left by a number. */
const LAST_DIGITS = new Map([
  [2n, 1],
  [5n, 1],
  [10n, 1],
  [4n, 2],
  [25n, 2],
  [8n, 3],
])

export const remainders = paperKind({
  id: 'paper-remainder',
  words: REMAINDERS,
  levels: [
    ['By 3, 5 and 9, three digits', () => remaindersOf(between(100, 999), [3n, 5n, 9n])],
    ['By 4, 9 and 25, four digits', () => remaindersOf(between(1000, 9999), [4n, 9n, 25n])],
    ['By 6, 8 and 11, five digits', () => remaindersOf(between(10_000, 99_999), [6n, 8n, 11n])],
    ['By 7, three digits', () => remaindersOf(between(100, 999), [7n])],
  ],
  read(problem): Divided | Misfit {
    const item = itemOfForm(problem, REMAINDERS.none, 'remainder')
    if (isMisfit(item)) return item
    const [n, by] = firstOf(
      2,
      item.numbers.map((x) => x.units),
    )
    const known = (by >= 2n && by <= 12n && by !== 12n) || by === 25n
    return known ? { n, by } : misfit(REMAINDERS.none)
  },
  *work({ n, by }) {
    const mind = new Mind()
    const last = LAST_DIGITS.get(by)
    if (last) {
      const unit = 10n ** BigInt(last)
      const end = yield* mind.seeNumber(n % unit, {
        what: 'end',
        ask: REMAINDERS.askLast(last),
        why: REMAINDERS.whyLast(said(unit), said(by)),
        slips(slip) {
          slip('digit-left-out', decimal(n % (unit / 10n)), 3, REMAINDERS.whyLast(said(unit), said(by)))
          slip('part-left-out', decimal(n % (unit * 10n)), 2, REMAINDERS.whole)
          slip('wrong-way', decimal(BigInt(String(n).slice(0, last))), 2, REMAINDERS.lastOnly)
        },
      })
      return yield* left(end, by)
    }
    if (by === 3n || by === 9n)
      return yield* left(
        yield* mind.find(digitSum(n), { what: 'sum', ask: REMAINDERS.askSum, why: REMAINDERS.whySum }),
        by,
      )
    if (by === 11n) {
      const turns = yield* mind.find(byTurns(n), {
        what: 'by turns',
        ask: REMAINDERS.askTurns,
        why: REMAINDERS.whyTurns,
        slips(slip) {
          const right = byTurns(n)
          slip('wrong-sign', decimal(-right.value.units), 5, REMAINDERS.otherEnd(holdsThat(right)))
        },
      })
      return yield* left(turns, by)
    }
    if (by === 6n) return yield* bySix(mind, n)
    return yield* bySevens(mind, n, by)
  },
})

const mod = (n: bigint, by: bigint) => ((n % by) + by) % by

/** The divisor taken out as often as it goes, or added until nothing is missing; undefined where there is nothing to do. */
function restOf(n: bigint, by: bigint): Quantity | undefined {
  const rest = mod(n, by)
  if (n === rest) return undefined
  return n < 0n ? difference(rest - n, -n) : difference(n, n - rest)
}

/** What a small number leaves. */
function left(n: bigint, by: bigint): Generator<Step, Value, Value> {
  const rest = mod(n, by)
  const is = REMAINDERS.left(said(n), said(by), said(rest))
  const taken = restOf(n, by)
  return answered(decimal(rest), {
    kind: WHOLE,
    why: REMAINDERS.whyLeft(said(by)),
    ...(taken && { reckons: taken.text, load: taken.load() }),
    slips(slip) {
      if (n >= by) slip('not-done', decimal(n), 3, REMAINDERS.notLeft(is))
      if (n >= by) slip('wrong-question', decimal(n / by), 3, REMAINDERS.quotient(is))
      if (n < 0n) slip('sign-lost', decimal(-n % by), 5, REMAINDERS.notLeft(is))
      slip('too-many', decimal(mod(rest + 1n, by)), 2, REMAINDERS.notLeft(is))
      slip('too-few', decimal(mod(rest - 1n, by)), 2, REMAINDERS.notLeft(is))
    },
  })
}

function digitSum(n: bigint): Quantity {
  return total(digitsOf(n).reverse().map(BigInt))
}

/** From the last digit, plus and minus by turns. */
function byTurns(n: bigint): Quantity {
  return total(digitsOf(n).map((digit, place) => BigInt(place % 2 ? -digit : digit)))
}

/** By 6: what is left by 3 and by 2 tells it. */
function* bySix(mind: Mind, n: bigint): Generator<Step, Value, Value> {
  const sum = yield* mind.find(digitSum(n), { what: 'sum', ask: REMAINDERS.askSum, why: REMAINDERS.whySum })
  const rest3 = mod(sum, 3n)
  const is3 = REMAINDERS.left(said(sum), '3', said(rest3))
  const three = yield* mind.seeNumber(rest3, {
    what: 'by 3',
    ask: REMAINDERS.askThree,
    why: REMAINDERS.whyLeft('3'),
    slips(slip) {
      for (const off of [1n, 2n]) slip('fact', decimal((rest3 + off) % 3n), 3, REMAINDERS.notLeft(is3))
    },
  })
  mind.letGo('sum')
  const two = yield* mind.seeNumber(n % 2n, {
    what: 'by 2',
    ask: REMAINDERS.askTwo,
    why: REMAINDERS.whyLast('10', '2'),
    slips: (slip) => slip('fact', decimal(1n - (n % 2n)), 3, REMAINDERS.whyLast('10', '2')),
  })
  const rest = present(
    [0n, 1n, 2n, 3n, 4n, 5n].find((r) => r % 3n === mod(three, 3n) && r % 2n === mod(two, 2n)),
  )
  return yield* answered(decimal(rest), {
    kind: WHOLE,
    why: REMAINDERS.whySix,
    slips(slip) {
      const is = REMAINDERS.left(said(n), '6', said(rest))
      slip('part-left-out', decimal(mod(three, 3n)), 5, REMAINDERS.threeOnly(is))
      slip('too-many', decimal((rest + 3n) % 6n), 3, REMAINDERS.threeOnly(is))
    },
  })
}

/** Digit by digit from the left, as 7 and 11 ask for where nothing quicker is known. */
function* bySevens(mind: Mind, n: bigint, by: bigint): Generator<Step, Value, Value> {
  const digits = digitsOf(n).reverse().map(BigInt)
  let rest = present(digits[0]) * 10n + (digits[1] ?? 0n)
  for (const digit of digits.slice(2)) {
    const part = rest
    const over = mod(part, by)
    const is = REMAINDERS.left(said(part), said(by), said(over))
    const found = yield* mind.seeNumber(over, {
      what: 'left',
      ask: REMAINDERS.askSeven(said(part)),
      why: REMAINDERS.whySeven,
      slips(slip) {
        slip('wrong-question', decimal(part / by), 4, REMAINDERS.quotient(is))
        for (const off of [1n, -1n]) slip('fact', decimal(mod(over + off, by)), 2, REMAINDERS.notLeft(is))
      },
    })
    mind.letGo('left')
    rest = found * 10n + digit
  }
  return yield* left(rest, by)
}

const divisionsOf = (numbers: Space<bigint>, by: readonly bigint[]): ProblemSpace =>
  mapped(
    kept(pairs(numbers, listed(by)), ([n, d]) => n % d !== 0n && n > 2n * d),
    (pair) => itemOf('quotient-remainder', { numbers: pair.map((n) => decimal(n)), signs: [] }),
  )

export const withRemainder = paperKind({
  id: 'paper-with-remainder',
  words: WITH_REMAINDER,
  needs: ['divide-short'],
  levels: [
    ['Two digits', () => divisionsOf(between(20, 99), [3n, 4n, 6n, 7n, 8n, 9n])],
    ['Three digits', () => divisionsOf(between(100, 999), [3n, 4n, 6n, 7n, 8n, 9n])],
    ['Four digits', () => divisionsOf(between(1000, 9999), [3n, 4n, 6n, 7n, 8n, 9n, 11n, 12n])],
  ],
  read(problem): Divided | Misfit {
    const item = itemOfForm(problem, WITH_REMAINDER.none, 'quotient-remainder')
    if (isMisfit(item)) return item
    const [n, by] = firstOf(
      2,
      item.numbers.map((x) => x.units),
    )
    if (by < 2n || by > 12n) return misfit(WITH_REMAINDER.none)
    return n < by ? misfit(WITH_REMAINDER.small) : { n, by }
  },
  *work({ n, by }) {
    const mind = new Mind()
    const digits = digitsOf(n).reverse().map(BigInt)
    const found: bigint[] = []
    let part = 0n
    for (const [i, digit] of digits.entries()) {
      part = part * 10n + digit
      if (part < by && found.length === 0 && i < digits.length - 1) continue
      const q = yield* timesInto(mind, part, by, i + 1)
      found.push(q)
      const rest = part - q * by
      if (rest === 0n) {
        part = 0n
        continue
      }
      const over = difference(part, q * by)
      part = yield* mind.find(over, {
        what: 'left',
        ask: WITH_REMAINDER.askLeft(said(part)),
        why: WITH_REMAINDER.whyLeft,
        action: 'remainder',
        slips: (slip) => slip('rest-forgotten', decimal(0), 4, WITH_REMAINDER.forgotten(holdsThat(over))),
      })
      mind.letGo('left')
    }
    const quotient = decimal(found.reduce((a, q) => a * 10n + q, 0n))
    return yield* withRest(quotient, decimal(part))
  },
})

/** How often the divisor goes into what stands there. @param n which digit of the number, from 1 */
function* timesInto(mind: Mind, part: bigint, by: bigint, n: number) {
  const goes = part / by
  const is = `${said(goes)} × ${said(by)} = ${said(goes * by)}`
  return yield* mind.find(
    {
      value: decimal(goes),
      text: `${said(goes * by)} ÷ ${said(by)}`,
      load: () => quotientLoad(goes * by, by),
      slips: () => undefined,
    },
    {
      what: `digit ${n}`,
      ask: WITH_REMAINDER.ask(said(part)),
      why: WITH_REMAINDER.whyOften(is),
      action: 'quotient-digit',
      slips(slip) {
        if (goes > 0n) slip('too-few', decimal(goes - 1n), 3, WITH_REMAINDER.few(is))
        if (goes < 9n) slip('too-many', decimal(goes + 1n), 3, WITH_REMAINDER.many(is))
      },
    },
  )
}

/** The quotient with what is left. */
function* withRest(quotient: Decimal, remainder: Decimal) {
  return yield* answered(
    { quotient, remainder },
    {
      kind: QUOTIENT,
      why: WITH_REMAINDER.why,
      slips(slip) {
        const { digitLost, noRemainder } = WITH_REMAINDER
        slip('rest-forgotten', { quotient, remainder: decimal(0) }, 5, noRemainder)
        const digits = String(quotient.units)
        const short = decimal(BigInt(digits.replaceAll('0', '') || '0'))
        if (digits.includes('0')) slip('zero-left-out', { quotient: short, remainder }, 5, digitLost)
        slip('wrong-question', { quotient: remainder, remainder: quotient }, 2, noRemainder)
      },
    },
  )
}
