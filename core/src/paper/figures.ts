/** Paper kind: rectangles, squares, cubes and blocks. */

import { decimal } from '../number/decimal.js'
import { present } from '../number/present.js'
import { said } from '../number/whole.js'
import { itemOf } from '../problem/items/forms.js'
import { between, either, kept, mapped, type ProblemSpace, pairs, type Space } from '../problem/space.js'
import type { Value } from '../question/value.js'
import type { Step } from '../technique/contract.js'
import { together } from '../technique/facts.js'
import type { Misfit } from '../technique/make.js'
import { holdsThat, product, type Quantity, square, sum, twice } from '../technique/quantities/quantities.js'
import { FIGURE } from '../words/paper/measures.js'
import { answeredBy, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'

interface Figure {
  readonly asks: string
  readonly sides: readonly bigint[]
}

const figuresOf = (name: string, sides: Space<readonly bigint[]>): ProblemSpace =>
  mapped(sides, (all) => itemOf('figure', { numbers: all.map((n) => decimal(n)), signs: [name] }))
const oblong = (least: number, most: number) =>
  kept(pairs(between(least, most), between(least, most)), ([a, b]) => a > b)
const alone = (least: number, most: number) => mapped(between(least, most), (a) => [a])

export const figures = paperKind({
  id: 'paper-figures',
  words: FIGURE,
  levels: [
    [
      'Way round, rectangles and squares',
      () => either(figuresOf('perimeter', oblong(4, 40)), figuresOf('perimeter', alone(6, 60))),
    ],
    ['Areas', () => either(figuresOf('area', oblong(4, 25)), figuresOf('area', alone(6, 25)))],
    [
      'Volumes',
      () =>
        either(
          figuresOf('volume', alone(2, 12)),
          figuresOf(
            'volume',
            mapped(
              kept(
                pairs(between(2, 9), pairs(between(2, 9), between(2, 12))),
                ([a, [b, c]]) => a <= b && b <= c && a < c,
              ),
              ([a, [b, c]]) => [a, b, c],
            ),
          ),
        ),
    ],
    [
      'Surfaces',
      () =>
        either(
          figuresOf('surface', alone(2, 12)),
          figuresOf(
            'surface',
            mapped(
              kept(
                pairs(between(2, 6), pairs(between(2, 6), between(2, 9))),
                ([a, [b, c]]) => a <= b && b <= c && a < c,
              ),
              ([a, [b, c]]) => [a, b, c],
            ),
          ),
        ),
    ],
  ],
  read(problem): Figure | Misfit {
    const item = itemOfForm(problem, FIGURE.none, 'figure')
    if (isMisfit(item)) return item
    return { asks: present(item.signs[0]), sides: item.numbers.map((n) => n.units) }
  },
  work({ asks, sides }) {
    switch (asks) {
      case 'perimeter':
        return wayRound(sides)
      case 'area':
        return area(sides)
      case 'volume':
        return volume(sides)
      default:
        return surface(sides)
    }
  },
})

function* wayRound([a = 1n, b]: readonly bigint[]): Generator<Step, Value, Value> {
  const mind = new Mind()
  if (b === undefined) {
    const double = yield* mind.find(twice(a), {
      what: 'two sides',
      ask: FIGURE.askHalf,
      why: FIGURE.whyHalf,
      action: 'double',
    })
    const whole = product(2n, double)
    return yield* answeredBy(whole, {
      why: FIGURE.whySquareRound,
      slips: (slip) => slip('wrong-question', decimal(a * a), 5, FIGURE.roundAsked(holdsThat(whole))),
    })
  }
  const half = yield* mind.find(sum(a, b), { what: 'two sides', ask: FIGURE.askHalf, why: FIGURE.whyHalf })
  const whole = product(2n, half)
  return yield* answeredBy(whole, {
    why: FIGURE.whyRound,
    slips(slip) {
      slip('not-doubled', decimal(half), 5, FIGURE.notDoubled(holdsThat(whole)))
      slip('wrong-question', decimal(a * b), 5, FIGURE.roundAsked(holdsThat(whole)))
    },
  })
}

/** Side by side in two parts where both are long, else at once. */
function* area([a = 1n, b = a]: readonly bigint[]): Generator<Step, Value, Value> {
  const mind = new Mind()
  const whole = product(a, b)
  const [head, rest] = [a - (a % 10n), a % 10n]
  const right = holdsThat(whole)
  const slips = (slip: Parameters<typeof whole.slips>[0]) =>
    slip('wrong-question', decimal(2n * (a + b)), 5, FIGURE.areaAsked(right))
  if (head === 0n || rest === 0n) return yield* answeredBy(whole, { why: FIGURE.whyArea, slips })
  const first = yield* mind.find(product(head, b), {
    what: 'tens',
    ask: `${said(head)} × ${said(b)}?`,
    why: FIGURE.whyArea,
    action: 'partial-product',
  })
  const second = yield* mind.find(product(rest, b), {
    what: 'units',
    ask: `${said(rest)} × ${said(b)}?`,
    why: FIGURE.whyArea,
    action: 'partial-product',
  })
  return yield* answeredBy(sum(first, second), { why: FIGURE.whyArea, slips })
}

function* volume([a = 1n, b = a, c = a]: readonly bigint[]): Generator<Step, Value, Value> {
  const mind = new Mind()
  const floor = yield* mind.find(product(a, b), {
    what: 'floor',
    ask: FIGURE.askFloor,
    why: FIGURE.whyFloor,
    action: 'product',
  })
  const whole = product(floor, c)
  return yield* answeredBy(whole, {
    why: FIGURE.whyVolume,
    slips(slip) {
      slip('part-left-out', decimal(floor), 4, FIGURE.heightMissing(holdsThat(whole)))
      slip('wrong-question', decimal(2n * (a * b + a * c + b * c)), 4, FIGURE.volumeAsked(holdsThat(whole)))
      slip('added', decimal(a + b + c), 3, FIGURE.volumeAsked(holdsThat(whole)))
    },
  })
}

function* surface([a = 1n, b, c]: readonly bigint[]): Generator<Step, Value, Value> {
  const mind = new Mind()
  if (b === undefined || c === undefined) {
    const face = yield* mind.find(square(a), {
      what: 'face',
      ask: FIGURE.askFace,
      why: FIGURE.whyFloor,
      action: 'product',
    })
    const whole = product(6n, face)
    return yield* answeredBy(whole, {
      why: FIGURE.whySurface,
      slips(slip) {
        slip('part-left-out', decimal(3n * face), 4, FIGURE.threeFaces(holdsThat(whole)))
        slip('wrong-question', decimal(a * a * a), 5, FIGURE.surfaceAsked(holdsThat(whole)))
      },
    })
  }
  const [ab, ac, bc] = [product(a, b), product(a, c), product(b, c)]
  const first = sum(ab.value.units, ac.value.units)
  const three: Quantity = {
    ...sum(first.value.units, bc.value.units),
    text: [ab, ac, bc].map((p) => p.text).join(' + '),
    load: () =>
      together(ab.load(), ac.load(), bc.load(), first.load(), sum(first.value.units, bc.value.units).load()),
  }
  const faces = yield* mind.find(three, { what: 'three faces', ask: FIGURE.askFaces, why: FIGURE.whyFaces })
  const whole = product(2n, faces)
  return yield* answeredBy(whole, {
    why: FIGURE.whyBlock,
    slips(slip) {
      slip('not-doubled', decimal(faces), 5, FIGURE.threeFaces(holdsThat(whole)))
      slip('wrong-question', decimal(a * b * c), 4, FIGURE.surfaceAsked(holdsThat(whole)))
    },
  })
}
