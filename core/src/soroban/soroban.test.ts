import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { numberTrace } from '../kit/rule.js'
import { thorough } from '../kit/thorough.js'
import { FADE_AFTER, type Fade, FIRST_FADE, fadeAfter, fadeOf, withFade } from '../learner/fade.js'
import { decimal, equal, readDecimal, toText } from '../number/decimal.js'
import { seeded } from '../number/random.js'
import { inWords } from '../number/words.js'
import { InputError } from '../problem/error.js'
import { printProblem, readProblem } from '../problem/expression.js'
import type { Problem, SumProblem } from '../problem/problem.js'
import { techniqueById } from '../registry/techniques.js'
import { variantOf, variantsOf } from '../technique/driver.js'
import { chainSpace } from './chains.js'
import { beadsOf, clearFrame, type Frame, frameValue, rodAt, setNumber, setRod } from './frame.js'
import {
  applyMove,
  applyMoves,
  type BeadMove,
  kindOf,
  type MoveKind,
  movesBetween,
  rodMove,
  type TensVariant,
} from './moves.js'
import { beadWorkOf } from './step.js'
import { keepsOrder, nextMove } from './strict.js'

const TENS: readonly TensVariant[] = ['complement-first', 'ten-first']
const units = (frame: Frame) => frameValue(frame).units

/** Moves bead by bead, refusing an impossible position on the way. */
function played(frame: Frame, moves: readonly BeadMove[]): Frame {
  let now = frame
  // One bead at a time, as a hand would that moves each by itself.
  for (const move of moves)
    for (let n = Math.abs(move.by); n > 0; n -= 1) {
      now = applyMove(now, { ...move, by: Math.sign(move.by) })
      for (const v of now.rods) {
        const { heaven, earth } = beadsOf(v)
        if (heaven > 1 || earth > 4) expect.fail(`impossible rod ${v}`)
      }
    }
  return now
}

/**
 * The table worked out anew from the beads alone: try the beads of d, then those of its five-complement, then those
 * of its ten-complement, then those of the five-complement of that.
 */
function kindFromBeads(v: number, d: number): MoveKind {
  const [h, e] = [v > 4 ? 1 : 0, v > 4 ? v - 5 : v]
  const can = (heaven: number, earth: number) =>
    h + heaven >= 0 && h + heaven <= 1 && e + earth >= 0 && e + earth <= 4
  const direct = (n: number) => can(n > 4 ? 1 : n < -4 ? -1 : 0, n % 5)
  const five = (n: number) => (n > 0 ? n < 5 && can(1, n - 5) : n > -5 && can(-1, n + 5))
  if (direct(d)) return 'direct'
  if (five(d)) return 'five'
  const complement = d > 0 ? d - 10 : d + 10
  if (direct(complement)) return 'ten'
  if (five(complement)) return 'ten-five'
  throw new Error('no way')
}

test('the kind of every digit on every rod agrees with a table made from the beads; how many there are of each', () => {
  const counts = (sign: 1 | -1) => {
    const found: Record<string, number> = {}
    for (let v = 0; v <= 9; v += 1)
      for (let d = 1; d <= 9; d += 1) {
        expect(kindOf(v, sign * d), `${v} ${sign * d}`).toBe(kindFromBeads(v, sign * d))
        found[kindOf(v, sign * d)] = (found[kindOf(v, sign * d)] ?? 0) + 1
      }
    return found
  }
  // Adding and taking away mirror each other: 90 each.
  expect(counts(1)).toEqual({ direct: 35, five: 10, ten: 35, 'ten-five': 10 })
  expect(counts(-1)).toEqual({ direct: 35, five: 10, ten: 35, 'ten-five': 10 })
})

// Kojima's "The Japanese Abacus" (1954) works these; the moves are from memory (docs/method.md).
test.each([
  [3, 4, 'five', '+5 -1'],
  [2, 8, 'ten', '-2 left+1'],
  [6, 8, 'ten-five', '-5 +3 left+1'],
  [6, -8, 'ten', '+2 left-1'],
  [6, -2, 'five', '-5 +3'],
  [3, -8, 'ten-five', '+5 -3 left-1'],
  [1, 6, 'direct', '+5 +1'],
  [9, -6, 'direct', '-5 -1'],
] as const)('%i and %i: %s, %s', (v, d, kind, moves) => {
  const frame = setRod(setRod(clearFrame(), 1, 2), 0, v)
  const move = rodMove(frame, 0, d)
  expect(move.kind).toBe(kind)
  const worth = (m: BeadMove) => (m.bead === 'heaven' ? 5 : 1) * m.by
  const shown = move.moves.map(
    (m) => `${m.place === 1 ? 'left' : ''}${worth(m) > 0 ? '+' : '-'}${Math.abs(worth(m))}`,
  )
  expect(shown.join(' ')).toBe(moves)
})

describe('every value on every rod, every digit, in both variants', () => {
  test('the frame is right, and never passes through an impossible position', () => {
    for (let v = 0; v <= 9; v += 1)
      for (let left = 0; left <= 9; left += 1)
        for (let place = 0; place < 12; place += 1)
          for (const d of [-9, -8, -7, -6, -5, -4, -3, -2, -1, 1, 2, 3, 4, 5, 6, 7, 8, 9])
            for (const tens of TENS) {
              const frame = setRod(setRod(setRod(clearFrame(15), place, v), place + 1, left), 14, 1)
              const { moves } = rodMove(frame, place, d, tens)
              const after = played(frame, moves)
              if (units(after) !== units(frame) + BigInt(d) * 10n ** BigInt(place))
                expect.fail(`${v} ${left} ${place} ${d} ${tens}`)
              if (units(applyMoves(frame, moves)) !== units(after))
                expect.fail('together and one by one differ')
            }
  })

  test('ten-first moves the rod on the left before the rod itself, complement-first after', () => {
    const frame = setRod(clearFrame(), 0, 7)
    expect(rodMove(frame, 0, 6, 'ten-first').moves.map((m) => m.place)).toEqual([1, 0, 0])
    expect(rodMove(frame, 0, 6, 'complement-first').moves.map((m) => m.place)).toEqual([0, 0, 1])
  })
})

test('a ten passes along nines and zeros, and stops where it can', () => {
  const nines = setNumber(clearFrame(), decimal(4999))
  expect(rodMove(nines, 0, 1)).toMatchObject({ kind: 'ten', cascade: 2 })
  expect(units(played(nines, rodMove(nines, 0, 1).moves))).toBe(5000n)
  const zeros = setNumber(clearFrame(), decimal(5000))
  expect(rodMove(zeros, 0, -1)).toMatchObject({ kind: 'ten', cascade: 2 })
  expect(units(played(zeros, rodMove(zeros, 0, -1).moves))).toBe(4999n)
})

test('a full frame and a difference below zero are told, and change nothing', () => {
  const full = setNumber(clearFrame(5), decimal(99_999))
  expect(() => rodMove(full, 0, 1)).toThrow(/full on the left/)
  expect(() => rodMove(clearFrame(5), 0, -1)).toThrow(/below zero/)
  expect(() => rodMove(full, 5, 1)).toThrow(InputError)
  expect(() => applyMove(full, { place: 0, bead: 'earth', by: 1 })).toThrow(InputError)
  expect(units(full)).toBe(99_999n)
  for (const rods of [4, 28]) expect(() => clearFrame(rods)).toThrow(/5 to 27 rods/)
})

test('decimals stand right of the unit rod', () => {
  const frame = setNumber(clearFrame(9, 3), decimal(12_345n, 2))
  expect([rodAt(frame, 2), rodAt(frame, -1), rodAt(frame, -2), rodAt(frame, -3)]).toEqual([1, 4, 5, 0])
  expect(frameValue(frame)).toEqual(decimal(12_345n, 2))
  expect(() => setNumber(frame, decimal(1n, 4))).toThrow(/so far to the right/)
})

test('the moves between any two frames lead from one to the other', () => {
  const number = fc.bigInt(0n, 10n ** 13n - 1n)
  fc.assert(
    fc.property(number, number, (a, b) => {
      const [from, to] = [setNumber(clearFrame(), decimal(a)), setNumber(clearFrame(), decimal(b))]
      expect(applyMoves(from, movesBetween(from, to))).toEqual(to)
    }),
  )
})

describe('abacus techniques', () => {
  /** Every step's beads, moved one by one from the frame before, show the value expected after. */
  function expectPlayed(id: string, expression: string, answer: bigint): void {
    const technique = techniqueById(id)
    const problem = readProblem(expression)
    for (const variant of variantsOf(technique)) {
      const { steps, answer: reached } = numberTrace(technique, problem, variant)
      for (const step of steps) {
        const { expect: value } = step
        const beads = beadWorkOf(step)
        if (!beads) continue
        const after = beads.kind === 'read' ? beads.before : played(beads.before, beads.moves)
        if (!equal(frameValue(after), value))
          expect.fail(`${expression} ${JSON.stringify(variant)}: ${toText(value)}`)
      }
      expect(reached).toEqual(decimal(answer))
    }
  }

  test('chains of up to six signed terms, in every variant, against BigInt', () => {
    const chain = fc.array(fc.tuple(fc.boolean(), fc.bigInt(0n, 10n ** 9n)), { minLength: 2, maxLength: 6 })
    fc.assert(
      fc.property(chain, (terms) => {
        let total = 0n
        const kept: string[] = []
        for (const [minus, n] of terms) {
          const sign = minus && kept.length > 0 && n <= total ? -1n : 1n
          total += sign * n
          kept.push(`${sign < 0n ? '-' : kept.length ? '+' : ''}${n}`)
        }
        expectPlayed('soroban-add', kept.join(''), total)
      }),
      { numRuns: thorough(800, 250) },
    )
  })

  test('products of up to three by three digits, in every variant, against BigInt', () => {
    for (let a = 1n; a < 100n; a += 7n)
      for (let b = 1n; b < 100n; b += 1n) expectPlayed('soroban-multiply', `${a}*${b}`, a * b)
    const factor = fc.bigInt(1n, 999n)
    fc.assert(
      fc.property(factor, factor, (a, b) => expectPlayed('soroban-multiply', `${a}*${b}`, a * b)),
      { numRuns: thorough(800, 250) },
    )
  })

  // docs/method.md, Soroban.
  test('36×52 from rod 4: 15, 06, 30, 12', () => {
    const technique = techniqueById('soroban-multiply')
    const { steps } = numberTrace(technique, readProblem('36*52'), variantOf(technique))
    expect(steps.map((s) => toText(s.expect))).toEqual(['4', '1500', '0', '1560', '3', '1860', '1872'])
    expect(steps.flatMap((s) => beadWorkOf(s)?.finger ?? [])).toEqual([2, 1, 1, 0])
    // The rod that is asked for is the rod that is lit, and none is before the learner has found it.
    expect(steps.map((s) => s.place)).toEqual([0, 3, 2, 2, 0, 2, 1])
    const second = numberTrace(technique, readProblem('36*52'), { outer: 'second', tens: 'complement-first' })
    expect(second.steps.filter((s) => beadWorkOf(s)).map((s) => toText(s.expect))).toEqual([
      '1500',
      '1800',
      '1860',
      '1872',
    ])
    const slip = (at: number, entry: number) =>
      steps[at]!.slips().find((s) => equal(s.entry, decimal(entry)))?.id
    expect([slip(0, 5), slip(1, 15_000), slip(2, 6), slip(3, 2100), slip(4, 2), slip(6, 1874)]).toEqual([
      'start-rod',
      'finger',
      'zero-left-out',
      'zero-left-out',
      'finger-new-row',
      'fact',
    ])
  })

  test('what is said of a ten, and the usual slips at it', () => {
    const { steps } = numberTrace(
      techniqueById('soroban-add'),
      readProblem('42+8'),
      variantOf(techniqueById('soroban-add')),
    )
    expect(steps[1]!.why).toBe('Units rod: 8 does not fit. Take away 2, then add 1 on the left.')
    const tenFirst = numberTrace(techniqueById('soroban-add'), readProblem('42+8'), {
      tens: 'ten-first',
      side: 'left',
    })
    expect(tenFirst.steps[1]!.why).toBe('Units rod: 8 does not fit. Add 1 on the left, then take away 2.')
    const slip = (entry: number) => steps[1]!.slips().find((s) => equal(s.entry, decimal(entry)))?.id
    expect([slip(40), slip(54), slip(52), slip(42)]).toEqual([
      'carry-lost',
      'complement-wrong-way',
      'complement-left-out',
      'not-done',
    ])
    const five = numberTrace(
      techniqueById('soroban-add'),
      readProblem('3+4'),
      variantOf(techniqueById('soroban-add')),
    ).steps[1]!
    expect(five.slips().map((s) => s.id)).toEqual(
      expect.arrayContaining(['five-as-ten', 'complement-left-out', 'bead-off']),
    )
  })

  test.each([
    [{ terms: 2, digits: 2, five: 1, ten: 1, tenFive: 0, cascade: 0 }],
    [{ terms: 2, digits: 2, minus: 1, tenFive: 1 }],
    [{ terms: 3, digits: 1, minus: 1, ten: 1, five: 0 }],
    [{ terms: 2, digits: 4, cascade: 2 }],
  ])('parameters %o: exactly the chains whose moves are so, and all of them', (parameters) => {
    const technique = techniqueById('soroban-add')
    const space = technique.parameters.problems(parameters)
    const want: Record<string, number | undefined> = parameters
    const movesOf = (problem: Problem) =>
      numberTrace(technique, problem, variantOf(technique))
        .steps.slice(1)
        .flatMap((s) => beadWorkOf(s) ?? [])
    const fits = (problem: Problem) => {
      const moves = movesOf(problem)
      const count = (kind: string) => moves.filter((m) => m.kind === kind).length
      return (
        count('five') === (want.five ?? count('five')) &&
        count('ten') === (want.ten ?? count('ten')) &&
        count('ten-five') === (want.tenFive ?? count('ten-five')) &&
        moves.filter((m) => m.cascade > 0).length ===
          (want.cascade ?? moves.filter((m) => m.cascade > 0).length)
      )
    }
    const random = seeded(5)
    for (let i = 0; i < 300; i += 1) {
      const problem = space.at(random.below(space.size))
      expect(fits(problem), printProblem(problem)).toBe(true)
    }
    if (parameters.digits > 2) return
    // All chains of the same numbers without the counts, looked through one by one.
    const { terms, digits, minus = 0 } = parameters as { terms: number; digits: number; minus?: number }
    const all = technique.parameters.problems({ terms, digits, minus })
    let found = 0
    for (let i = 0n; i < all.size; i += 1n) if (fits(all.at(i))) found += 1
    expect(space.size).toBe(BigInt(found))
  })
})

const termsOf = (problem: Problem) => (problem as SumProblem).terms
/** Totals on the way, in units of the lowest place. */
const totalsOf = (problem: Problem) => {
  let total = 0n
  return termsOf(problem).map((t) => (total += BigInt(t.sign) * t.size.units))
}

test.each([
  [{ terms: 3, digits: 1, decimals: 0 }],
  [{ terms: 5, digits: 1, decimals: 0 }],
  [{ terms: 3, digits: 2, decimals: 0 }],
  [{ terms: 3, digits: 2, decimals: 1 }],
])('chains added and taken away, %o: as many as trying all finds, each of them once', (parameters) => {
  const { terms, digits, decimals } = parameters
  const low = 10 ** (digits - 1)
  const numbers = Array.from({ length: 9 * low }, (_, i) => low + i).filter((n) => !decimals || n % 10)
  // By the total and whether something was taken away.
  let ways = new Map([['0 ', 1]])
  for (let t = 0; t < terms; t += 1) {
    const next = new Map<string, number>()
    for (const [key, count] of ways)
      for (const n of numbers)
        for (const sign of [1, -1]) {
          const [total, taken] = key.split(' ')
          if (Number(total) + sign * n < 0) continue
          const to = `${Number(total) + sign * n} ${sign < 0 ? 'taken' : taken}`
          next.set(to, (next.get(to) ?? 0) + count)
        }
    ways = next
  }
  const found = [...ways].reduce((sum, [key, n]) => sum + (/^0|[^n]$/.test(key) ? 0 : n), 0)
  const space = chainSpace({ ...parameters, minus: true })
  expect(space.size).toBe(BigInt(found))
  if (digits > 1) return
  const made = new Set(Array.from({ length: found }, (_, i) => printProblem(space.at(BigInt(i)))))
  expect(made.size).toBe(found)
})

test('long chains with subtraction: never below zero, longer ones refused', () => {
  const space = chainSpace({ terms: 10, digits: 4, minus: true })
  fc.assert(
    fc.property(fc.bigInt({ min: 0n, max: space.size - 1n }), (index) => {
      const problem = space.at(index)
      const totals = totalsOf(problem)
      expect(totals.every((t) => t >= 0n) && totals.at(-1)! > 0n).toBe(true)
      expect(termsOf(problem).map((t) => t.size.units > 999n && t.size.units < 10_000n)).toEqual(
        Array(10).fill(true),
      )
      expect(termsOf(problem).some((t) => t.sign < 0)).toBe(true)
    }),
  )
  const decimals = chainSpace({ terms: 4, digits: 3, decimals: 1, minus: true })
  const random = seeded(3)
  for (let i = 0; i < 300; i += 1)
    for (const { size } of termsOf(decimals.at(random.below(decimals.size))))
      expect([size.scale, size.units % 10n > 0n]).toEqual([1, true])
  expect(() => chainSpace({ terms: 3, digits: 5, minus: true })).toThrow(InputError)
})

test('strict: single beads or several at once, but in the order of the variant', () => {
  // 7 + 6: complement first takes 4 off by -5 +1, then 1 to the left.
  const { moves } = rodMove(setRod(clearFrame(), 0, 7), 0, 6)
  expect(moves.map((m) => `${m.place}${m.bead}${m.by}`)).toEqual(['0heaven-1', '0earth1', '1earth1'])
  const [first, second, left] = moves as [BeadMove, BeadMove, BeadMove]
  expect(keepsOrder([], moves) && keepsOrder([first], moves) && keepsOrder(moves, moves)).toBe(true)
  expect(
    keepsOrder([left], moves) || keepsOrder([second], moves) || keepsOrder([...moves, left], moves),
  ).toBe(false)
  expect([nextMove([first], moves), nextMove(moves, moves)]).toEqual([second, undefined])
  const three = rodMove(clearFrame(), 0, 3).moves
  expect(nextMove([{ place: 0, bead: 'earth', by: 2 }], three)).toEqual({ place: 0, bead: 'earth', by: 1 })
})

test('letting go: five clean problems take a level away, two failed ones give it back', () => {
  const after = (fade: Fade, ...verdicts: string[]) =>
    verdicts.reduce((f, v) => fadeAfter(f, { right: v !== 'wrong', clean: v === 'clean' }), fade)
  const clean = Array.from({ length: FADE_AFTER }, () => 'clean')
  expect(after(FIRST_FADE, ...clean)).toEqual({ level: 'ghosts', run: 0 })
  expect(after(FIRST_FADE, ...clean.slice(1), 'right', 'clean')).toEqual({ level: 'beads', run: 1 })
  expect(after(FIRST_FADE, ...clean, ...clean, ...clean, ...clean)).toEqual({ level: 'none', run: 5 })
  expect(after({ level: 'empty', run: 3 }, 'wrong', 'wrong')).toEqual({ level: 'ghosts', run: 0 })
  expect(after(FIRST_FADE, 'wrong', 'wrong', 'wrong')).toEqual({ level: 'beads', run: -3 })
  // Each technique and level by itself.
  const none: Fade = { level: 'none', run: 0 }
  const fades = withFade(withFade({}, 'soroban-add', 3, none), 'soroban-add', 4, { ...none, run: 1 })
  expect(fadeOf(fades, 'soroban-add', 3)).toEqual(none)
  expect(fadeOf(fades, 'soroban-add', 5)).toEqual(FIRST_FADE)
  expect(fadeOf(fades, 'soroban-multiply', 3)).toEqual(FIRST_FADE)
})

test('numbers in words', () => {
  expect(['0', '4096.5', '1000000', '13017', '0.05'].map((t) => inWords(readDecimal(t)!))).toEqual([
    'zero',
    'four thousand ninety-six point five',
    'one million',
    'thirteen thousand seventeen',
    'zero point zero five',
  ])
})
