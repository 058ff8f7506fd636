/** Paper kind: the next or a missing member of a sequence. */

import { decimal } from '../../number/decimal.js'
import { isPrime, nextPrime, primeFactors } from '../../number/factors.js'
import { present } from '../../number/present.js'
import { cubeRoot, integerRoot } from '../../number/root.js'
import { said, size } from '../../number/whole.js'
import {
  knownOf,
  neighboursIn,
  otherMembers,
  rulesFor,
  type SequenceRule,
} from '../../problem/items/sequences.js'
import { SIGNED, WHOLE } from '../../question/kind.js'
import { asDecimal, type Value } from '../../question/value.js'
import type { Step } from '../../technique/contract.js'
import { type Misfit, misfit, type SlipSink } from '../../technique/make.js'
import { quotient } from '../../technique/quantities/chains.js'
import { difference, holdsThat, product, type Quantity, sum } from '../../technique/quantities/quantities.js'
import { SEQUENCE } from '../../words/paper/numbers.js'
import { answered, answeredBy, isMisfit, itemOfForm, Mind, paperKind } from '../kind.js'
import { SEQUENCE_LEVELS } from './sequence-levels.js'

interface Sought {
  readonly rule: SequenceRule
  readonly index: number
  readonly value: bigint
  /** What other simple rules come to. */
  readonly others: readonly bigint[]
  /** A known member beside the one that is sought, with its index. */
  readonly beside: readonly [index: number, value: bigint]
  readonly known: readonly (readonly [index: number, value: bigint])[]
}

export const sequence = paperKind({
  id: 'paper-sequence',
  words: SEQUENCE,
  levels: SEQUENCE_LEVELS,
  read(problem): Sought | Misfit {
    const item = itemOfForm(problem, SEQUENCE.none, 'next', 'missing')
    if (isMisfit(item)) return item
    const members = item.numbers.map((n) => n.units)
    const index = item.form === 'next' ? members.length : Number(item.signs[0])
    const known = knownOf(members, index)
    const [found] = rulesFor(known, index)
    const beside = known.findLast(([i]) => i < index)
    if (!found || !beside) return misfit(SEQUENCE.none)
    return { ...found, others: otherMembers(known, index), index, beside, known }
  },
  *work(sought) {
    const mind = new Mind()
    switch (sought.rule) {
      case 'arithmetic':
        return yield* byGap(mind, sought)
      case 'geometric':
        return yield* byFactor(mind, sought)
      case 'primes':
        return yield* byPrimes(mind, sought)
      case 'sums':
        return yield* bySums(mind, sought)
      case 'doubled-and-one':
        return yield* byDoubling(mind, sought)
      case 'growing-gaps':
        return yield* byGrowingGap(mind, sought)
      default:
        return yield* byRoot(mind, sought, MADE[sought.rule])
    }
  },
})

/** Where another simple rule leads elsewhere, that is right as well. */
const orElse =
  ({ others }: Sought) =>
  (value: Value) => {
    const n = asDecimal(value)
    return n !== undefined && n.scale === 0 && others.includes(n.units)
  }

function* byGap(mind: Mind, sought: Sought): Generator<Step, Value, Value> {
  const { beside, known, value } = sought
  const [, before] = beside
  const [pair] = neighboursIn(known)
  const [from, to] = pair ? [pair.a, pair.b] : [before, value]
  const gap = to - from
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
  return yield* gapFurther(sought, step, (slip, is) =>
    slip('gap-twice', decimal(before + 2n * step), 3, SEQUENCE.twice(is)),
  )
}

/** The answer from the member before and the gap to it. @param twice the mistake of going on by another gap */
function gapFurther(
  sought: Sought,
  gap: bigint,
  twice: (slip: SlipSink, is: string) => void,
): Generator<Step, Value, Value> {
  const [, before] = sought.beside
  const next = gap < 0n ? difference(before, -gap) : sum(before, gap)
  const is = holdsThat(next)
  return answered(next.value, {
    kind: SIGNED,
    also: orElse(sought),
    why: SEQUENCE.whyNextGap,
    reckons: next.text,
    load: next.load(),
    slips(slip) {
      slip('gap-wrong-way', decimal(before - gap), 4, SEQUENCE.wrongWay(is))
      twice(slip, is)
      next.slips(slip)
    },
  })
}

function* byFactor(mind: Mind, sought: Sought): Generator<Step, Value, Value> {
  const { beside, value } = sought
  const [, before] = beside
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
  return yield* answeredBy(
    { ...next, also: orElse(sought) },
    {
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
    },
  )
}

/** What is made of numbers the same distance apart. */
interface Made {
  readonly ask: string
  readonly whyRoot: string
  readonly apart: bigint
  /** The number behind a member. */
  root(member: bigint): bigint
  make(n: bigint): Quantity
}

const square = (n: bigint) => product(n, n)

const MADE = {
  squares: {
    ask: SEQUENCE.askSquared,
    whyRoot: SEQUENCE.whySquares,
    apart: 1n,
    root: integerRoot,
    make: square,
  },
  'every-other-square': {
    ask: SEQUENCE.askSquared,
    whyRoot: SEQUENCE.whyEveryOther,
    apart: 2n,
    root: integerRoot,
    make: square,
  },
  'one-less-than-squares': {
    ask: SEQUENCE.askSquared,
    whyRoot: SEQUENCE.whyOneLess,
    apart: 1n,
    root: (m: bigint) => integerRoot(m + 1n),
    make: (n: bigint) => difference(n * n, 1n),
  },
  'neighbours-multiplied': {
    ask: SEQUENCE.askNeighbours,
    whyRoot: SEQUENCE.whyNeighbours,
    apart: 1n,
    root: integerRoot,
    make: (n: bigint) => product(n, n + 1n),
  },
  cubes: {
    ask: SEQUENCE.askCubed,
    whyRoot: SEQUENCE.whyCubes,
    apart: 1n,
    root: cubeRoot,
    make: (n: bigint) => product(n * n, n),
  },
} as const satisfies Partial<Record<SequenceRule, Made>>

function* byRoot(mind: Mind, sought: Sought, made: Made): Generator<Step, Value, Value> {
  const { beside, value } = sought
  const [, before] = beside
  const { root, make, apart } = made
  const [last, r] = [root(before), root(value)]
  const is = `${said(last)} + ${said(apart)} = ${said(r)}`
  const raised = yield* mind.seeNumber(r, {
    what: 'number',
    ask: made.ask,
    why: made.whyRoot,
    slips(slip) {
      slip('previous-again', decimal(last), 4, SEQUENCE.rootOff(is))
      slip('too-many', decimal(r + apart), 3, SEQUENCE.rootOff(is))
    },
  })
  const found = make(raised)
  return yield* answeredBy(
    { ...found, also: orElse(sought) },
    {
      why: SEQUENCE.whyPower,
      slips(slip) {
        // As if the last gap came once more.
        const earlier = present(asDecimal(make(last - apart).value)).units
        slip('gap-twice', decimal(2n * before - earlier), 4, SEQUENCE.gapForSquares(holdsThat(found)))
      },
    },
  )
}

/** Gaps that grow, or shrink, by the same each time. */
function* byGrowingGap(mind: Mind, sought: Sought): Generator<Step, Value, Value> {
  const { known, index, value, beside } = sought
  const [, before] = beside
  const whole = [...known, [index, value] as const].toSorted(([i], [j]) => i - j)
  const gaps = neighboursIn(whole).map(({ a, b }) => b - a)
  const [first = 0n, second = 0n] = gaps
  const right = gaps.map((g) => said(g)).join(', ')
  const growth = size(second - first)
  const last = gaps[index - 2]
  const gap = yield* mind.seeNumber(value - before, {
    what: 'gap',
    ask: SEQUENCE.askNextGap(said(before)),
    why: SEQUENCE.whyGrowing(said(growth), right),
    slips(slip) {
      if (last !== undefined) slip('previous-again', decimal(last), 4, SEQUENCE.lastGapAgain(right))
      slip('too-many', decimal(value - before + growth), 3, SEQUENCE.lastGapAgain(right))
    },
  })
  return yield* gapFurther(sought, gap, (slip, is) => {
    if (last !== undefined) slip('gap-twice', decimal(before + last), 4, SEQUENCE.lastGapAgain(is))
  })
}

/** Twice the one before, and one more or less. */
function* byDoubling(mind: Mind, sought: Sought): Generator<Step, Value, Value> {
  const { beside, value } = sought
  const [, before] = beside
  const twice = product(2n, before)
  const doubled = yield* mind.find(twice, {
    what: 'doubled',
    ask: SEQUENCE.askDoubled(said(before)),
    why: SEQUENCE.whyDoubled,
  })
  const next = value > 2n * before ? sum(doubled, 1n) : difference(doubled, 1n)
  return yield* answeredBy(
    { ...next, also: orElse(sought) },
    {
      why: SEQUENCE.whyDoubled,
      slips(slip) {
        slip('part-left-out', decimal(doubled), 4, SEQUENCE.oneOff(holdsThat(next)))
        slip(
          'wrong-sign',
          decimal(value > 2n * before ? doubled - 1n : doubled + 1n),
          3,
          SEQUENCE.oneOff(holdsThat(next)),
        )
      },
    },
  )
}

function* byPrimes(mind: Mind, sought: Sought): Generator<Step, Value, Value> {
  const { value, known, beside } = sought
  const [, before] = beside
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
    also: orElse(sought),
    why: SEQUENCE.whyPrime,
    slips(slip) {
      for (let n = last + 1n; n < prime; n += 1n)
        if (n % 2n === 1n)
          slip('fact', decimal(n), 4, SEQUENCE.notPrime(said(n), said(present(primeFactors(n)[0])[0])))
      slip('digit-left-out', decimal(nextPrime(prime)), 3, SEQUENCE.skipped(said(prime)))
      slip('gap-twice', decimal(last + (last - earlier)), 3, SEQUENCE.skipped(said(prime)))
      slip('too-few', decimal(last + 2n), 2, SEQUENCE.skipped(said(prime)))
    },
  })
}

function* bySums(mind: Mind, sought: Sought): Generator<Step, Value, Value> {
  const { known, index, value } = sought
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
  return yield* answeredBy(
    { ...next, also: orElse(sought) },
    {
      why: SEQUENCE.whySum,
      slips(slip) {
        if (a !== undefined && b !== undefined)
          slip('gap-twice', decimal(b + (b - a)), 4, SEQUENCE.gapAgain(holdsThat(next)))
        slip('doubled', decimal(2n * larger), 3, SEQUENCE.gapAgain(holdsThat(next)))
      },
    },
  )
}
