/** Paper kind: the next or a missing member of a sequence. */
import { decimal } from '../number/decimal.js'
import { isPrime, primeFactors } from '../number/factors.js'
import { cubeRoot, integerRoot } from '../number/root.js'
import { said, size } from '../number/whole.js'
import { itemOf } from '../problem/items/forms.js'
import { knownOf, rulesFor, type SequenceRule } from '../problem/items/sequences.js'
import { between, either, kept, mapped, type ProblemSpace, pairs, type Space } from '../problem/space.js'
import { SIGNED, WHOLE } from '../question/kind.js'
import type { Value } from '../question/value.js'
import { quotient } from '../technique/chains.js'
import type { Step } from '../technique/contract.js'
import { misfit } from '../technique/make.js'
import { difference, holdsThat, product, sum } from '../technique/quantities.js'
import { SEQUENCE } from '../words/paper/numbers.js'
import { answered, answeredBy, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'

interface Sought {
  readonly rule: SequenceRule
  readonly index: number
  readonly value: bigint
  /** A known member beside the one that is sought, with its index. */
  readonly beside: readonly [index: number, value: bigint]
  readonly known: readonly (readonly [index: number, value: bigint])[]
}

const nextOf = (members: Space<readonly bigint[]>): ProblemSpace =>
  mapped(
    kept(members, (m) => agreedOn(m, m.length)),
    (m) => itemOf('next', { numbers: m.map((n) => decimal(n)), signs: [] }),
  )

const missingOf = (members: Space<readonly bigint[]>, at: number): ProblemSpace =>
  mapped(
    kept(members, (m) => agreedOn(m.toSpliced(at, 1), at)),
    (m) => itemOf('missing', { numbers: m.toSpliced(at, 1).map((n) => decimal(n)), signs: [String(at)] }),
  )

function agreedOn(members: readonly bigint[], index: number): boolean {
  return new Set(rulesFor(knownOf(members, index), index).map((r) => r.value)).size === 1
}

const run = (first: bigint, count: number, next: (n: bigint, i: bigint) => bigint): bigint[] => {
  const members = [first]
  for (let i = 1; i < count; i += 1) members.push(next(members.at(-1)!, BigInt(i)))
  return members
}

const arithmetic = (least: number, most: number, gaps: readonly [number, number]) =>
  mapped(
    kept(pairs(between(least, most), between(...gaps)), ([, d]) => d !== 0n),
    ([a, d]) => run(a, 4, (n) => n + d),
  )
const geometric = (first: number, most: number) =>
  mapped(pairs(between(1, first), between(2, most)), ([a, q]) => run(a, 4, (n) => n * q))
const powersFrom = (least: number, most: number, exponent: bigint) =>
  mapped(between(least, most), (a) => [0n, 1n, 2n, 3n].map((i) => (a + i) ** exponent))
const primesFrom = (most: number) => mapped(kept(between(2, most), isPrime), (p) => run(p, 4, nextPrime))
const sums = (most: number) =>
  mapped(pairs(between(1, most), between(1, most)), ([a, b]) => {
    const members = [a, b]
    while (members.length < 5) members.push(members.at(-1)! + members.at(-2)!)
    return members
  })

function nextPrime(n: bigint): bigint {
  let p = n + 1n
  while (!isPrime(p)) p += 1n
  return p
}

export const sequence = paperKind<Sought>({
  id: 'paper-sequence',
  words: SEQUENCE,
  levels: [
    ['Same gaps', () => nextOf(arithmetic(1, 60, [3, 19]))],
    [
      'Gaps and factors, up and down',
      () =>
        either(
          nextOf(arithmetic(60, 120, [-17, -3])),
          nextOf(geometric(9, 4)),
          missingOf(arithmetic(1, 60, [3, 29]), 2),
        ),
    ],
    [
      'Squares, cubes and primes',
      () => either(nextOf(powersFrom(1, 20, 2n)), nextOf(powersFrom(1, 7, 3n)), nextOf(primesFrom(83))),
    ],
    [
      'Sums of the two before, missing ones',
      () => either(nextOf(sums(9)), missingOf(geometric(9, 5), 2), missingOf(powersFrom(2, 20, 2n), 2)),
    ],
  ],
  read(problem) {
    const item = itemOfForm(problem, SEQUENCE.none, 'next', 'missing')
    if (isMisfit(item)) return item
    const members = item.numbers.map((n) => n.units)
    const index = item.form === 'next' ? members.length : Number(item.signs[0])
    const known = knownOf(members, index)
    const [found] = rulesFor(known, index)
    const beside = known.findLast(([i]) => i < index)
    return found && beside ? { ...found, index, beside, known } : misfit(SEQUENCE.none)
  },
  *work({ rule, value, beside: [, before], known, index }) {
    const mind = new Mind()
    const pair = known.flatMap(([i, a], k) =>
      known[k + 1]?.[0] === i + 1 ? [[a, known[k + 1]![1]] as const] : [],
    )[0]
    switch (rule) {
      case 'arithmetic':
        return yield* byGap(mind, before, pair ? pair[1] - pair[0] : value - before, pair)
      case 'geometric':
        return yield* byFactor(mind, before, value)
      case 'squares':
      case 'cubes':
        return yield* byRoot(mind, rule, value, before)
      case 'primes':
        return yield* byPrimes(mind, value, before, known)
      case 'sums':
        return yield* bySums(mind, known, index, value)
    }
  },
})

function* byGap(
  mind: Mind,
  before: bigint,
  gap: bigint,
  pair: readonly [bigint, bigint] | undefined,
): Generator<Step, Value, Value> {
  const [from, to] = pair ?? [before, before + gap]
  const apart = to >= from ? difference(to, from) : difference(from, to)
  const step = yield* mind.find(
    { ...apart, value: decimal(gap), text: `${said(to)} − ${said(from)}`, slips: () => undefined },
    {
      what: 'gap',
      ask: SEQUENCE.askGap,
      why: SEQUENCE.whyGap,
      slips(slip) {
        const right = `${said(to)} − ${said(from)} = ${said(gap)}`
        slip('wrong-sign', decimal(-gap), 4, SEQUENCE.wrongWay(right))
        for (const off of [1n, -1n]) slip('fact', decimal(gap + off), 3, SEQUENCE.gapAgain(right))
      },
    },
  )
  const next = step < 0n ? difference(before, -step) : sum(before, step)
  return yield* answered(next.value, {
    kind: SIGNED,
    why: SEQUENCE.whyNextGap,
    reckons: next.text,
    load: next.load(),
    slips(slip) {
      slip('gap-wrong-way', decimal(before - step), 4, SEQUENCE.wrongWay(holdsThat(next)))
      slip('gap-twice', decimal(before + 2n * step), 3, SEQUENCE.twice(holdsThat(next)))
      next.slips(slip)
    },
  })
}

function* byFactor(mind: Mind, before: bigint, value: bigint): Generator<Step, Value, Value> {
  const up = size(value) > size(before)
  const factor = up ? value / before : before / value
  const by = yield* mind.seeNumber(factor, {
    what: 'factor',
    ask: SEQUENCE.askFactor,
    why: SEQUENCE.whyFactor,
    slips(slip) {
      const right = `${said(up ? before : value)} × ${said(factor)} = ${said(up ? value : before)}`
      for (const off of [1n, -1n])
        if (factor + off > 1n) slip('fact', decimal(factor + off), 3, SEQUENCE.factorAsGap(right))
      slip('added-not-multiplied', decimal(size(value - before)), 4, SEQUENCE.factorAsGap(right))
    },
  })
  const next = up ? product(before, by) : quotient(before, by)
  return yield* answeredBy(next, {
    why: SEQUENCE.whyNextFactor,
    slips(slip) {
      slip(
        'added-not-multiplied',
        decimal(up ? before + before / by : before - (before - before / by) * 2n),
        4,
        SEQUENCE.factorAsGap(holdsThat(next)),
      )
      if (up) slip('doubled', decimal(before * by * by), 2, SEQUENCE.twice(holdsThat(next)))
    },
  })
}

function* byRoot(
  mind: Mind,
  rule: 'squares' | 'cubes',
  value: bigint,
  before: bigint,
): Generator<Step, Value, Value> {
  const root = (n: bigint) => (rule === 'squares' ? integerRoot(n) : cubeRoot(n))
  const r = root(value)
  const is = `${said(root(before))} + 1 = ${said(r)}`
  const raised = yield* mind.seeNumber(r, {
    what: 'number',
    ask: SEQUENCE.askRoot(rule),
    why: SEQUENCE.whyRoot(rule),
    slips(slip) {
      slip('previous-again', decimal(r - 1n), 4, SEQUENCE.rootOff(is))
      slip('too-many', decimal(r + 1n), 3, SEQUENCE.rootOff(is))
    },
  })
  const power = rule === 'squares' ? product(raised, raised) : product(raised * raised, raised)
  return yield* answeredBy(power, {
    why: SEQUENCE.whyPower(rule),
    slips(slip) {
      // As if the last gap came once more.
      const last = root(before) - 1n
      const exponent = rule === 'squares' ? 2n : 3n
      slip('gap-twice', decimal(2n * before - last ** exponent), 4, SEQUENCE.gapForSquares(holdsThat(power)))
    },
  })
}

function* byPrimes(
  mind: Mind,
  value: bigint,
  before: bigint,
  known: Sought['known'],
): Generator<Step, Value, Value> {
  const [, earlier] = known.findLast(([, n]) => n < before) ?? [0, before - 2n]
  const last = yield* mind.seeNumber(before, {
    what: 'prime before',
    ask: SEQUENCE.askBefore,
    why: SEQUENCE.whyBefore,
    slips: (slip) => slip('previous-again', decimal(earlier), 3, SEQUENCE.whyBefore),
  })
  const prime = isPrime(last) ? nextPrime(last) : value
  return yield* answered(decimal(prime), {
    kind: WHOLE,
    why: SEQUENCE.whyPrime,
    slips(slip) {
      for (let n = last + 1n; n < prime; n += 1n)
        if (n % 2n === 1n)
          slip('fact', decimal(n), 4, SEQUENCE.notPrime(said(n), said(primeFactors(n)[0]![0])))
      slip('digit-left-out', decimal(nextPrime(prime)), 3, SEQUENCE.skipped(said(prime)))
      slip('gap-twice', decimal(last + (last - earlier)), 3, SEQUENCE.skipped(said(prime)))
      slip('too-few', decimal(last + 2n), 2, SEQUENCE.skipped(said(prime)))
    },
  })
}

function* bySums(
  mind: Mind,
  known: Sought['known'],
  index: number,
  value: bigint,
): Generator<Step, Value, Value> {
  const at = (i: number) => known.find(([k]) => k === i)?.[1]
  const [a, b] = [at(index - 2), at(index - 1)]
  // The two before are known, or the next one and the one before.
  const whole =
    a !== undefined && b !== undefined ? sum(a, b) : difference(at(index + 1) ?? value, at(index - 1) ?? 0n)
  const larger = yield* mind.seeNumber(b ?? at(index + 1) ?? value, {
    what: 'before',
    ask: SEQUENCE.askOne,
    why: SEQUENCE.whyOne,
    slips: (slip) => slip('previous-again', decimal(a ?? 0n), 3, SEQUENCE.gapAgain(holdsThat(whole))),
  })
  const next = a !== undefined && b !== undefined ? sum(a, larger) : whole
  return yield* answeredBy(next, {
    why: SEQUENCE.whySum,
    slips(slip) {
      if (a !== undefined && b !== undefined)
        slip('gap-twice', decimal(b + (b - a)), 4, SEQUENCE.gapAgain(holdsThat(next)))
      slip('doubled', decimal(2n * larger), 3, SEQUENCE.gapAgain(holdsThat(next)))
    },
  })
}
