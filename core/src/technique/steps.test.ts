/**
 * Every intermediate value against its definition (docs/method.md), worked out here on plain whole
 * numbers: not only the answer has to be right, but whatever is asked on the way.
 */
import { expect, test } from 'vitest'
import { numberTrace } from '../kit/rule.js'
import type { Decimal } from '../number/decimal.js'
import { seeded } from '../number/random.js'
import { printProblem } from '../problem/expression.js'
import type { Problem } from '../problem/problem.js'
import { techniqueById } from '../registry/techniques.js'
import type { Step, Variant } from './contract.js'
import { variantOf } from './driver.js'

const CASES = 400

/** A step as its action, place and value. */
type Asked = readonly [action: string, place: number, value: bigint]

const digitsUp = (n: bigint) => [...n.toString()].reverse().map(BigInt)
const digit = (n: bigint, place: number) => (n / 10n ** BigInt(place)) % 10n
const sum = (some: readonly bigint[]) => some.reduce((total, n) => total + n, 0n)
const power = (k: number) => 10n ** BigInt(k)
const size = (n: bigint) => (n < 0n ? -n : n)

/** The columns of a product: column k sums a_i × b_j over i + j = k. */
function columns(a: bigint, b: bigint): bigint[] {
  const [x, y] = [digitsUp(a), digitsUp(b)]
  return Array.from({ length: x.length + y.length - 1 }, (_, k) => sum(x.map((d, i) => d * (y[k - i] ?? 0n))))
}

/** The numbers of a problem in whole units; undefined when it has decimals. */
function numbersOf(problem: Problem): bigint[] | undefined {
  const all =
    problem.kind === 'sum'
      ? problem.terms.map((t) => t.size)
      : problem.kind === 'product'
        ? problem.factors
        : problem.kind === 'square'
          ? [problem.number]
          : problem.kind === 'quotient'
            ? [problem.dividend, problem.divisor]
            : problem.kind === 'root'
              ? [problem.radicand]
              : problem.kind === 'product-sum'
                ? [...problem.factors, problem.term.size]
                : problem.kind === 'product-pair'
                  ? [...problem.left, ...problem.right]
                  : []
  return all.some((n) => n.scale > 0) ? undefined : all.map((n) => n.units)
}

/** Random whole-number problems of all levels, each with what is asked. */
function* worked(id: string, variant: Variant = {}) {
  const technique = techniqueById(id)
  const random = seeded(id.length)
  const levels = technique.levels.map((l) => l.problems())
  let seen = 0
  for (let i = 0; i < CASES; i += 1) {
    const space = levels[i % levels.length]!
    const problem = space.at(random.below(space.size))
    const numbers = numbersOf(problem)
    if (!numbers) continue
    const { steps } = numberTrace(technique, problem, variantOf(technique, variant))
    seen += 1
    yield { problem, numbers, steps, text: printProblem(problem) }
  }
  expect(seen).toBeGreaterThan(CASES / 3)
}

const asked = (steps: readonly Step<Decimal>[]): Asked[] =>
  steps.map((s) => [s.action, s.place, s.expect.scale === 0 ? s.expect.units : -1n])
const valuesOf = (steps: readonly Step<Decimal>[]) => steps.map((s) => s.expect.units)
const of = (steps: readonly Step<Decimal>[], ...actions: string[]) =>
  asked(steps).filter(([action]) => actions.includes(action))

/** Cross sums of the columns in some order; digits written where a column carries. */
function expectColumns(
  steps: readonly Step<Decimal>[],
  cols: readonly bigint[],
  product: bigint,
  text: string,
  shift = 0,
): void {
  const shifted = (asked: readonly Asked[]) => asked.map(([action, k, v]): Asked => [action, k - shift, v])
  const sums = shifted(of(steps, 'cross-sum'))
  expect(
    sums.map(([, k, v]) => [k, v]),
    text,
  ).toEqual(sums.map(([, k]) => [k, cols[k]]))
  expect(
    sums.map(([, k]) => k).toSorted((a, b) => a - b),
    text,
  ).toEqual(cols.map((_, k) => k))
  const last = cols.length - 1
  for (const [, k, v] of shifted(of(steps, 'write')))
    expect(v, text).toBe(k === last ? product / power(k) : digit(product, k))
}

/** Is a head times the next worked crosswise? One digit, or a multiple of ten among the two, is one product. */
const crossed = (head: bigint) => head > 9n && head % 10n > 0n && (head + 1n) % 10n > 0n

/** The power of ten that a number is near by its definition: 5 to 19, else up to half of it away. */
function baseNear(n: bigint): bigint {
  return [1, 2, 3, 4, 5].map(power).find((p) => (p === 10n ? n >= 5n && n <= 19n : 2n * size(n - p) <= p))!
}

/** Some values, and the whole where front and back do not simply stand side by side. */
function expectJoined(
  steps: readonly Step<Decimal>[],
  values: readonly bigint[],
  whole: bigint,
  text: string,
): void {
  const joined = of(steps, 'join').length > 0
  expect(valuesOf(steps), text).toEqual(joined ? [...values, whole] : values)
  if (!joined) expect(values.slice(-2).join(''), text).toBe(whole.toString())
}

test('columns from the left: each digit of the sum as it is written', () => {
  for (const { numbers, steps, text } of worked('add-columns-left', { carry: 'glance' })) {
    const total = sum(numbers)
    const written = of(steps, 'write')
    expect(
      written.map(([, place, v]) => [place, v]),
      text,
    ).toEqual(written.map(([, place], i) => [place, i === 0 ? total / power(place) : digit(total, place)]))
    expect(written.at(-1)![1]).toBe(0)
  }
})

test('column totals: each column in full, the estimate sharper with each, the sum', () => {
  for (const { numbers, steps, text } of worked('add-column-totals')) {
    let estimate = 0n
    for (const [action, place, value] of asked(steps)) {
      const column = sum(numbers.map((n) => digit(n, place)))
      if (action === 'column-total') {
        expect(value, text).toBe(column)
        estimate += column * power(place)
      } else expect(value, text).toBe(estimate)
    }
    expect(estimate).toBe(sum(numbers))
  }
})

test('blocks of two of a sum, from the right: each with what the one before carries', () => {
  for (const { numbers, steps, text } of worked('add-blocks')) {
    let carry = 0n
    for (const [k, value] of valuesOf(steps).entries()) {
      const block = sum(numbers.map((n) => (n / power(2 * k)) % 100n)) + carry
      expect(value, text).toBe(block)
      carry = block / 100n
    }
    expect(sum(numbers) / power(2 * steps.length - 2), text).toBe(valuesOf(steps).at(-1)!)
  }
})

test('tens first: how many of the digits left make ten, none where no digits do', () => {
  for (const { numbers, steps, text } of worked('add-pairs'))
    for (const [action, place, many] of asked(steps)) {
      if (action !== 'decide') continue
      const question = steps.find(
        (s) => s.action === 'decide' && s.place === place && s.expect.units === many,
      )!
      const left = (/: ([\d ]+) are left/.exec(question.ask)?.[1] ?? '').split(' ').map(BigInt)
      const sizes = new Set<bigint>()
      for (let chosen = 1; chosen < 2 ** left.length; chosen += 1) {
        const taken = left.filter((_, i) => (chosen >> i) % 2 === 1)
        if (sum(taken) === 10n) sizes.add(BigInt(taken.length))
      }
      const all = numbers.map((n) => digit(n, place)).filter((d) => d > 0n)
      expect(
        left.every((d) => all.includes(d)),
        text,
      ).toBe(true)
      if (many > 0n) expect(sizes, text).toContain(many)
      else
        expect(
          [2n, 3n].filter((n) => sizes.has(n)),
          text,
        ).toEqual([])
    }
})

test('rounding up and giving back, in sums and differences: a round number, what it is too much, both mended', () => {
  for (const { numbers, steps, text } of worked('add-compensation')) {
    const [round, running, over, back] = valuesOf(steps) as [bigint, bigint, bigint, bigint]
    expect(numbers.some((n) => round - n === over) && round % 10n === 0n, text).toBe(true)
    expect([over > 0n && 2n * over < round, running - over, back], text).toEqual([
      true,
      sum(numbers),
      sum(numbers),
    ])
  }
  for (const { numbers, steps, text } of worked('subtract-round-up')) {
    const [top, bottom] = numbers as [bigint, bigint]
    const round = valuesOf(steps)[0]!
    expect(round > bottom && round % 10n === 0n, text).toBe(true)
    expect(valuesOf(steps), text).toEqual([round, top - round, round - bottom, top - bottom])
  }
})

test('complements and drops: every digit of the difference, held and then one lower where the next column is short', () => {
  for (const [id, variant] of [
    ['subtract-complement', { carry: 'glance' }],
    ['subtract-hold-drop', {}],
  ] as const)
    for (const { numbers, steps, text } of worked(id, variant)) {
      const difference = size(numbers[0]! - numbers[1]!)
      const [top, bottom] = numbers[0]! > numbers[1]! ? numbers : numbers.toReversed()
      const final = new Map<number, bigint>()
      for (const [action, place, value] of asked(steps)) {
        if (action === 'decide') expect(value, text).toBe(10n - digit(bottom!, place))
        if (action !== 'hold' && action !== 'glance' && action !== 'write') continue
        if (action === 'hold')
          expect(value % 10n, text).toBe((10n + digit(top!, place) - digit(bottom!, place)) % 10n)
        final.set(place, value)
      }
      for (const [place, value] of final) expect(value, `${text} at ${place}`).toBe(digit(difference, place))
    }
})

test('blocks of two from the right: what is short, what stands, one lent', () => {
  for (const { numbers, steps, text } of worked('subtract-blocks')) {
    const [top, bottom] = numbers[0]! > numbers[1]! ? numbers : numbers.toReversed()
    const values: bigint[] = []
    let lent = 0n
    for (let unit = 1n; unit <= top!; unit *= 100n) {
      const [over, under] = [(top! / unit) % 100n, ((bottom! / unit) % 100n) + lent]
      lent = over < under ? 1n : 0n
      values.push(...(lent ? [under - over, 100n - (under - over)] : [over - under]))
    }
    // Whatever is left over above, with nothing to take from it, may simply be brought down.
    const said = valuesOf(steps).map(size)
    const signed = numbers[0]! < numbers[1]! ? said.slice(0, values.length) : said
    expect(values.slice(0, signed.length), text).toEqual(signed.slice(0, values.length))
  }
})

test('products part by part: each part, and the running total after each but the first', () => {
  for (const split of ['first', 'second'])
    for (const { numbers, steps, text } of worked('multiply-addition', { split })) {
      const [a, b] = numbers as [bigint, bigint]
      const [apart, whole] = split === 'first' ? [a, b] : [b, a]
      const parts = digitsUp(apart)
        .map((d, k) => d * power(k) * whole)
        .filter((p) => p > 0n)
        .reverse()
      // A factor of one digit cannot be taken apart: then the other is.
      if (apart < 10n || parts.length < 2) continue
      const want = parts.flatMap((p, i) => (i === 0 ? [p] : [p, sum(parts.slice(0, i + 1))]))
      expect(valuesOf(steps), text).toEqual(want)
    }
  for (const { problem, numbers, steps, text } of worked('multiply-subtraction')) {
    const [a, b, more = 0n] = numbers as [bigint, bigint, bigint?]
    const [round, product] = [of(steps, 'round')[0]![2], of(steps, 'partial-product')[0]![2]]
    const whole = product / round
    const over = round - (a * b) / whole
    expect([a, b], text).toContain(whole)
    expect(round % 10n, text).toBe(0n)
    // One too many is the other factor itself.
    const taken = over === 1n ? [1n] : [over, over * whole]
    const end = problem.kind === 'product-sum' ? [a * b + more] : []
    expect(valuesOf(steps), text).toEqual([round, product, ...taken, a * b, ...end])
  }
  for (const { numbers, steps, text } of worked('multiply-factors')) {
    const [a, b] = numbers as [bigint, bigint]
    const products = of(steps, 'product').map(([, , v]) => v)
    const start = [a, b].filter((n) => products[0]! % n === 0n && products[0]! / n < 10n)
    expect(start.length, text).toBeGreaterThan(0)
    for (const [i, value] of products.slice(1).entries()) {
      expect(value % products[i]!, text).toBe(0n)
      expect(value / products[i]! < 10n, text).toBe(true)
    }
    expect(products.at(-1), text).toBe(a * b)
    // What is chosen first is what is multiplied by first.
    expect(
      start.some((n) => of(steps, 'decide')[0]![2] * n === products[0]),
      text,
    ).toBe(true)
  }
})

test.each(['right-carry', 'right-raw', 'left-mend', 'ends-first'])(
  'crosswise, %s: each column is its cross sum',
  (order) => {
    for (const { numbers, steps, text } of worked('multiply-crosswise', { order })) {
      const [a, b] = numbers as [bigint, bigint]
      const cols = columns(a, b)
      expectColumns(steps, cols, a * b, text)
      const inOrder = of(steps, 'cross-sum').map(([, k]) => k)
      const up = cols.map((_, k) => k)
      const last = up.length - 1
      if (order.startsWith('right')) expect(inOrder).toEqual(up)
      if (order === 'left-mend') expect(inOrder).toEqual(up.toReversed())
      if (order === 'ends-first') expect(new Set(inOrder.slice(0, 2))).toEqual(new Set([0, last]))
      for (const [, k, v] of of(steps, 'mend'))
        expect(v, text).toBe(sum(cols.slice(k).map((c, i) => c * power(i))))
      for (const [, k, v] of of(steps, 'settle'))
        expect(v, text).toBe(k === last ? (a * b) / power(k) : digit(a * b, k))
    }
  },
)

test('windows of ones, and duplexes of growing and shrinking groups, are the columns of their products', () => {
  for (const { numbers, steps, text } of worked('multiply-repunit'))
    expectColumns(steps, columns(numbers[0]!, numbers[1]!), numbers[0]! * numbers[1]!, text)
  for (const { numbers, steps, text } of worked('square-duplex'))
    expectColumns(steps, columns(numbers[0]!, numbers[0]!), numbers[0]! ** 2n, text)
})

test('fronts and backs: repeated digits, the same head, near a base', () => {
  for (const { numbers, steps, text } of worked('multiply-complement-repdigit')) {
    const pair = numbers.find((n, i) => n / 10n + (n % 10n) === 10n && numbers[1 - i]! % 11n === 0n)!
    const twins = numbers[0] === pair ? numbers[1]! : numbers[0]!
    const same = twins % 10n
    const [front, back] = [(pair / 10n + 1n) * same, (pair % 10n) * same]
    expectJoined(steps, [front, back], front * 100n + back, text)
  }
  for (const { numbers, steps, text } of worked('multiply-same-head')) {
    const [a, b] = numbers as [bigint, bigint]
    const head = a / 10n
    const [front, back] = [head * (head + 1n), (a % 10n) * (b % 10n)]
    if (crossed(head)) expectColumns(steps, columns(head, head + 1n), front, text, 2)
    else expectJoined(steps, [head + 1n, front, back], a * b, text)
    expect([front * 100n + back, of(steps, 'back')[0]![2]], text).toEqual([a * b, back])
  }
  for (const { numbers, steps, text } of worked('multiply-near-base')) {
    const [a, b] = numbers as [bigint, bigint]
    const base = baseNear(a)
    const [front, back] = [a + b - base, (a - base) * (b - base)]
    expectJoined(steps, [size(a - base), size(b - base), front, size(back)], a * b, text)
  }
  for (const { numbers, steps, text } of worked('square-near-base')) {
    const [n] = numbers as [bigint]
    const d = n - baseNear(n)
    expectJoined(steps, [size(d), n + d, d * d], n * n, text)
  }
})

test('round factors: double and halve, a common factor, a square balanced about a round number', () => {
  for (const { numbers, steps, text } of worked('multiply-double-halve')) {
    const [a, b] = numbers as [bigint, bigint]
    // Every doubling and halving is of one factor, or in the end of the product; none but the last leaves it changed.
    let [x, y] = of(steps, 'double')[0]![2] === 2n * a ? [a, b] : [b, a]
    let product: bigint | undefined
    for (const [action, , value] of asked(steps)) {
      if (action === 'double') x *= 2n
      else if (action === 'product') product = x * y
      else if (product === undefined) y /= 2n
      else product /= 2n
      expect(value, text).toBe(
        action === 'double' ? x : action === 'product' || product !== undefined ? product : y,
      )
    }
    expect(product, text).toBe(a * b)
  }
  for (const { problem, numbers, steps, text } of worked('multiply-common-factor')) {
    const [a, b, , d] = numbers as [bigint, bigint, bigint, bigint]
    const together = problem.kind === 'product-pair' && problem.sign < 0 ? b - d : b + d
    expect(valuesOf(steps), text).toEqual([a, together, a * together])
  }
  for (const { numbers, steps, text } of worked('square-round-balance')) {
    const [n] = numbers as [bigint]
    const round = of(steps, 'round')[0]![2]
    const other = 2n * n - round
    expect(round % 10n, text).toBe(0n)
    expect(of(steps, 'balance')[0]![2], text).toBe(other)
    expect(valuesOf(steps).slice(-2), text).toEqual([round * other, n * n])
  }
})

test('short division: every quotient digit and remainder as they come', () => {
  for (const { numbers, steps, text } of worked('divide-short')) {
    const [dividend, divisor] = numbers as [bigint, bigint]
    const quotient = new Map(of(steps, 'quotient-digit').map(([, k, v]) => [k, v]))
    for (const [k, v] of quotient) expect(v, text).toBe(digit(dividend / divisor, k))
    expect(quotient.size, text).toBe((dividend / divisor).toString().length)
    for (const [, k, v] of of(steps, 'remainder')) expect(v, text).toBe((dividend / power(k)) % divisor)
  }
})

test('squares ending in 5: the head times the next, then 25', () => {
  for (const { numbers, steps, text } of worked('square-ending-five')) {
    const [n] = numbers as [bigint]
    const head = n / 10n
    expect(valuesOf(steps).at(-1), text).toBe(n * n)
    if (crossed(head)) expectColumns(steps, columns(head, head + 1n), head * (head + 1n), text, 2)
    for (const [, , v] of of(steps, 'front')) expect(v, text).toBe(head * (head + 1n))
  }
})

test('roots: the root of the first group and each digit after it; the parts of an estimate', () => {
  for (const { numbers, steps, text } of worked('root-duplex')) {
    const [n] = numbers as [bigint]
    const root = Math.floor(Math.sqrt(Number(n)))
    const first = of(steps, 'root')[0]!
    expect(first[2], text).toBe(BigInt(root) / power(first[1]))
    for (const [, k, v] of of(steps, 'quotient-digit'))
      if (k >= 0) expect(v, text).toBe(digit(BigInt(root), k))
    for (const [, , v] of of(steps, 'divisor')) expect(v, text).toBe(2n * first[2])
  }
  for (const { numbers, steps, text } of worked('root-estimate', { square: 'below' })) {
    const n = Number(numbers[0])
    const [r, rest, divisor] = valuesOf(steps).map(Number) as [number, number, number]
    expect([r, rest, divisor], text).toEqual([
      Math.floor(Math.sqrt(n)),
      n - Math.floor(Math.sqrt(n)) ** 2,
      2 * Math.floor(Math.sqrt(n)),
    ])
  }
})

test.each(['second', 'first'])(
  'products on the frame, digits of the %s factor outside: the value after each',
  (outer) => {
    for (const { numbers, steps, text } of worked('soroban-multiply', { outer })) {
      const [a, b] = numbers as [bigint, bigint]
      const [outside, inside] = outer === 'second' ? [b, a] : [a, b]
      const places = (n: bigint) =>
        digitsUp(n)
          .map((d, k) => [d, k] as const)
          .reverse()
      let value = 0n
      const want = places(outside).flatMap(([p, k]) =>
        places(inside).flatMap(([q, l]) => {
          value += p * q * power(k + l)
          return p * q > 0n ? [value] : []
        }),
      )
      expect(
        of(steps, 'beads').map(([, , v]) => v),
        text,
      ).toEqual(want)
      // The first rod is counted off by the digits of both; each row begins one further to the right, zeros too.
      const rods = places(outside).flatMap(([p, k]) =>
        p > 0n ? [BigInt(k + digitsUp(inside).length + 1)] : [],
      )
      const decided = of(steps, 'decide').filter(([, place]) => place === 0)
      const zeros = of(steps, 'decide').filter(([, , v]) => v === 0n)
      expect(
        decided.filter(([, , v]) => v > 0n).map(([, , v]) => v),
        text,
      ).toEqual(rods)
      const small = places(outside).flatMap(([p]) =>
        places(inside).filter(([q]) => p * q > 0n && p * q < 10n),
      )
      expect(zeros.length, text).toBe(small.length)
    }
  },
)
