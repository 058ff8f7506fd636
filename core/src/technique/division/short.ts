/**
 * divide-short: one digit at a time from the left. 2184 / 6: 21 → 3 rest 3; 38 → 6 rest 2; 24 → 4: 364. What is
 * left over is stated as the remainder, or carried on as decimals.
 */
import { type Decimal, decimal, digitAt, highestPlace, lowestPlace } from '../../number/decimal.js'
import { wholePart } from '../../number/whole.js'
import { CUT_PLACES, type Problem, quotientOf } from '../../problem/problem.js'
import { digitsAllowed, shape } from '../../problem/shape.js'
import { countColumns, either, mapped, type ProblemSpace } from '../../problem/space.js'
import { SHORT } from '../../words/division.js'
import { at as inPlace, REMARK } from '../../words/steps.js'
import type { AnswerCell, Fact, Step, Work } from '../contract.js'
import { differenceLoad } from '../facts.js'
import { type Misfit, misfit, step, techniqueOfValues } from '../make.js'
import { parameter } from '../quantities/boards.js'
import { REST } from '../variants.js'

interface Dividing {
  readonly dividend: Decimal
  readonly divisor: number
}

interface QuotientParameters {
  readonly digits: number
  readonly divisor?: number | undefined
  /** Left open: any; 0: the division comes out even. */
  readonly remainder?: number | undefined
  /** Zeros inside the quotient. */
  readonly zeros?: number | undefined
  readonly decimals?: number | undefined
}

/** All divisions by 2 to 9 that satisfy the parameters, the dividend counted digit by digit from the left. */
function quotientSpace({
  digits,
  divisor,
  remainder,
  zeros,
  decimals = 0,
}: QuotientParameters): ProblemSpace {
  const divisors = divisor === undefined ? [2, 3, 4, 5, 6, 7, 8, 9] : [divisor]
  return either(...divisors.map((d) => dividends(d)))

  function dividends(d: number): ProblemSpace {
    const dividend = shape(digits - decimals, decimals)
    const counted = countColumns<{ rest: number; begun: boolean; zeros: number }, number>({
      count: digits,
      start: { rest: 0, begun: false, zeros: 0 },
      choices: (column, before) =>
        digitsAllowed(dividend, dividend.whole - 1 - column).flatMap((digit) => {
          const n = before.rest * 10 + digit
          const q = Math.floor(n / d)
          const found = before.zeros + (before.begun && q === 0 ? 1 : 0)
          return found > (zeros ?? Infinity)
            ? []
            : [{ what: digit, next: { rest: n % d, begun: before.begun || q > 0, zeros: found } }]
        }),
      accepts: (s) => s.begun && (remainder ?? s.rest) === s.rest && (zeros ?? s.zeros) === s.zeros,
      key: (s) => `${s.rest},${s.begun},${zeros === undefined ? '' : s.zeros}`,
    })
    return mapped(counted, (chosen) => quotientOf(decimal(BigInt(chosen.join('')), decimals), decimal(d)))
  }
}

export const divideShort = techniqueOfValues<Dividing, 'divide-short'>({
  id: 'divide-short',
  words: SHORT,
  family: 'division',
  needs: ['subtract-hold-drop'],
  variants: [REST],
  // What is asked of the rest is no way of working: a quotient without it is not the answer.
  ways: [{}],
  asks: (variant) => (variant.rest === 'decimals' ? SHORT.asks(CUT_PLACES) : SHORT.asksQuotient),
  // Targets: common practice, no published source.
  levels: [
    ['Two digits, it comes out even', 3, { digits: 2, remainder: 0 }],
    ['Three digits, it comes out even', 4.5, { remainder: 0, zeros: 0 }],
    ['Three digits with a zero in the quotient', 4.5, { remainder: 0, zeros: 1 }],
    ['Three digits with a remainder of 1', 5, { remainder: 1 }],
    ['Three digits', 5, {}],
    ['Four digits, it comes out even', 6, { digits: 4, remainder: 0 }],
    ['Four digits', 6.5, { digits: 4 }],
    ['One decimal, it comes out even', 5, { decimals: 1, remainder: 0 }],
    ['Six digits', 10, { digits: 6 }],
    ['Ten digits with two zeros in the quotient', 16, { digits: 10, zeros: 2 }],
  ],
  parameters: {
    parameters: [
      parameter('digits', 'Digits of the dividend', 1, 20, 3),
      parameter('divisor', 'Divisor', 2, 12),
      parameter('remainder', 'Remainder', 0, 11),
      parameter('zeros', 'Zeros in the quotient', 0, 19),
      parameter('decimals', 'Decimals of the dividend', 0, 6, 0),
    ],
    problems: ({ digits = 3, decimals = 0, ...rest }) =>
      quotientSpace({ ...rest, digits, decimals: Math.min(decimals, digits - 1) }),
  },
  read(problem: Problem): Dividing | Misfit {
    if (problem.kind !== 'quotient') return misfit(SHORT.none)
    const { dividend, divisor } = problem
    if (divisor.scale > 0) return misfit(SHORT.whole)
    if (divisor.units < 2n || divisor.units > 12n) return misfit(SHORT.range)
    return { dividend, divisor: Number(divisor.units) }
  },
  *work({ dividend, divisor }, { rest: variant }): Work {
    const lowest = lowestPlace(dividend)
    const written: AnswerCell[] = []
    const line = (cells: readonly AnswerCell[] = []) => ({ negative: false, cells: [...written, ...cells] })
    const cell = (place: number, digit: number): AnswerCell => ({ place, digits: `${digit}`, draft: false })
    let place = highestPlace(dividend)
    let n = digitAt(dividend, place)
    // Leading digits are taken together until the divisor goes in.
    while (n < divisor && place > Math.min(lowest, 0)) {
      place -= 1
      n = n * 10 + digitAt(dividend, place)
    }
    for (;;) {
      const at = place
      const part = n
      const right = Math.min(9, Math.max(0, Math.floor(part / divisor)))
      const below = digitAt(dividend, at - 1)
      // Nothing goes in: who leaves the zero out takes the next digit at once and writes what goes into both.
      const skipped =
        part < divisor && at > lowest && written.length > 0 ? Math.floor((part * 10 + below) / divisor) : 0
      const writes = line([cell(at, right)])
      const step = quotientStep({ part, divisor, right, skipped, place: at, writes })
      const q = Number(wholePart((yield step) as Decimal))
      written.push(cell(at, q))
      if (skipped > 0 && q === skipped) {
        place -= 1
        n = part * 10 + below
      }
      const rest = n - q * divisor
      const more = place > lowest || (variant === 'decimals' && rest !== 0 && place > -CUT_PLACES)
      const stated = !more && variant !== 'decimals'
      let left = rest
      // Where nothing went in, all of it is left: there is nothing to ask.
      if (rest !== 0 && (stated || (more && q > 0)))
        left = Number(
          wholePart((yield restStep({ n, q, divisor, rest, place, stated, writes: line() })) as Decimal),
        )
      if (!more && stated && place === 0) {
        const quotient = decimal(BigInt(written.map((c) => c.digits).join('')))
        return { quotient, remainder: decimal(left) }
      }
      if (!more) break
      place -= 1
      n = left * 10 + digitAt(dividend, place)
    }
    const digits = written.map((c) => c.digits).join('')
    return decimal(BigInt(digits), Math.max(0, -place))
  },
})

function quotientStep(at: {
  part: number
  divisor: number
  right: number
  skipped: number
  place: number
  writes: Step['writes']
}): Step {
  const { part, divisor, right, skipped, place, writes } = at
  const facts: Fact[] = right > 0 ? [`${right * divisor}/${divisor}`] : []
  const holds = (q: number) => `${q} × ${divisor} = ${q * divisor}`
  return step({
    action: 'quotient-digit',
    place,
    ask: inPlace(place, SHORT.often(String(divisor), String(part))),
    why: SHORT.whyOften(holds(right), String(part)),
    expect: decimal(right),
    writes,
    reckons: `${right * divisor} ÷ ${divisor}`,
    load: { facts, carries: 0 },
    slips(slip) {
      if (skipped > 0) slip('zero-left-out', decimal(skipped), 7, SHORT.zero(String(divisor), String(part)))
      slip('too-few', decimal(right - 1), 4, SHORT.few(holds(right)))
      if (right < 9) slip('too-many', decimal(right + 1), 4, SHORT.many(holds(right + 1), String(part)))
    },
  })
}

function restStep(at: {
  n: number
  q: number
  divisor: number
  rest: number
  place: number
  stated: boolean
  writes: Step['writes']
}): Step {
  const { n, q, divisor, rest, place, stated, writes } = at
  const right = `${n} − ${q * divisor} = ${rest}`
  return step({
    action: 'remainder',
    place,
    ask: inPlace(place, SHORT.left(String(n), `${q} × ${divisor}`, stated)),
    why: SHORT.whyLeft(stated),
    expect: decimal(rest),
    writes,
    holds: stated ? [] : [{ what: 'left', value: decimal(rest) }],
    reckons: `${n} − ${q * divisor}`,
    load: () => differenceLoad(BigInt(Math.max(n, q * divisor)), BigInt(q * divisor)),
    slips(slip) {
      if (!stated) slip('rest-forgotten', decimal(0), 5, SHORT.forgotten(right))
      slip('fact', decimal(rest - 1), 3, REMARK.off(right))
      slip('fact', decimal(rest + 1), 3, REMARK.off(right))
    },
  })
}
