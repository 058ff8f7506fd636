/**
 * multiply-repunit: by 11, 111, 1111... A window of that many digits slides over the multiplicand from the right,
 * growing in and shrinking out; its sum is the column. 724×111: 4; 6; 13 → 3; 9 + 1 → 0; 7 + 1: 80364.
 */
import { decimal } from '../../number/decimal.js'
import { digitsOf, lengthOf, said } from '../../number/whole.js'
import { productSpace } from '../../problem/products.js'
import { shape } from '../../problem/shape.js'
import { dial } from '../boards.js'
import { sumLoad, together } from '../facts.js'
import { level } from '../level.js'
import { type Misfit, misfit, technique } from '../make.js'
import { rightCarry, type SumColumn } from './columns.js'
import { FACTOR_DECIMALS, placePoint, readWhole } from './product.js'

const ones = (count: number) => (10n ** BigInt(count) - 1n) / 9n
const by = (digits: number, count: number, more: { carries?: number; largest?: number } = {}) =>
  productSpace({ first: shape(digits), second: [ones(count)], ...more })

interface Sliding {
  readonly columns: readonly SumColumn[]
  readonly scale: number
}

export const multiplyRepunit = technique({
  id: 'multiply-repunit',
  name: 'Sliding window',
  family: 'multiplication',
  about: 'Times 11, 111, 1111: slide a window of that many digits along the number and add what it shows.',
  needs: ['add-running-total'],
  lesson: {
    example: '724*111',
    when: 'One factor is made of ones: 11, 111, 1111.',
    whenNot: 'Any other digit in that factor: take it crosswise.',
    because: [
      '724 × 111 = 72400 + 7240 + 724.',
      'Written under each other, a column holds neighbouring digits of 724: a window as wide as there are ones.',
      'At both ends the window hangs over the edge, where there are only zeros.',
    ],
  },
  schools: [],
  // Targets: common practice, no published source.
  levels: [
    level('Two digits by 11, nothing carries', 2.5, () => by(2, 2, { carries: 0 })),
    level('Two digits by 11, with a carry', 3, () => by(2, 2, { carries: 1 })),
    level('Three digits by 11, nothing carries', 3.5, () => by(3, 2, { carries: 0 })),
    level('Three digits by 11', 4, () => by(3, 2)),
    level('Three digits by 111, nothing carries', 5, () => by(3, 3, { carries: 0 })),
    level('Three digits by 111', 6, () => by(3, 3)),
    level('Four digits by 11', 5, () => by(4, 2)),
    level('Four digits by 111, two carries', 7, () => by(4, 3, { carries: 2 })),
    level('Four digits by 1111', 8, () => by(4, 4)),
    level('Six digits by 111', 10, () => by(6, 3)),
  ],
  dials: {
    dials: [
      dial('digits', 'Digits of the number', 1, 6, 3),
      dial('ones', 'Ones of the multiplier', 2, 8, 2),
      dial('largest', 'Largest digit', 1, 9),
      dial('zeros', 'Zeros written', 0, 5),
      dial('carries', 'Columns that carry', 0, 12),
    ],
    problems: ({ digits = 3, ones: count = 2, ...counts }) =>
      productSpace({ ...counts, first: shape(digits), second: [ones(count)] }),
  },
  read(problem): Sliding | Misfit {
    const found = readWhole(problem)
    if ('because' in found) return found
    const { a, b, scale } = found
    const isOnes = (n: bigint) => n > 1n && n === ones(lengthOf(n))
    if (!isOnes(a) && !isOnes(b)) return misfit('no factor is made of ones, like 11 or 111')
    const [number, multiplier] = isOnes(b) ? [a, b] : [b, a]
    return { columns: windows(number, lengthOf(multiplier)), scale }
  },
  *work({ columns, scale }) {
    const value = yield* rightCarry(columns)
    return yield* placePoint(value, scale, FACTOR_DECIMALS)
  },
})

/** @param width ones of the multiplier: digits in the window. */
function windows(number: bigint, width: number): SumColumn[] {
  const digits = digitsOf(number)
  return Array.from({ length: digits.length + width - 1 }, (_, k): SumColumn => {
    const low = Math.max(0, k - width + 1)
    const high = Math.min(digits.length - 1, k)
    const inside = digits.slice(low, high + 1).reverse()
    const sum = inside.reduce((total, d) => total + d, 0)
    const shown = inside.join(' + ')
    return {
      sum,
      work: () => (inside.length === 1 ? `the window shows only ${inside[0]}` : `the window shows ${shown}`),
      why: `The multiplier has ${width} ones, so at most ${width} neighbours stand in a column.`,
      load: () => {
        let total = 0
        const sums = inside.map((d) => {
          const load = total > 0 && d > 0 ? sumLoad(BigInt(total), BigInt(d)) : { facts: [], carries: 0 }
          total += d
          return { facts: load.facts, carries: 0 }
        })
        return together(...sums)
      },
      slips: (slip) => {
        const left = digits[high + 1]
        const right = digits[low - 1]
        if (left !== undefined)
          slip(
            'window-too-wide',
            decimal(sum + left),
            4,
            `The window is ${width} digits wide: the ${left} is not in it yet.`,
          )
        if (right !== undefined)
          slip(
            'window-too-wide',
            decimal(sum + right),
            5,
            `The window is ${width} digits wide: the ${right} has left it.`,
          )
        if (inside.length > 1) {
          slip(
            'window-too-narrow',
            decimal(sum - inside.at(-1)!),
            4,
            `The window still shows the ${inside.at(-1)}: ${shown}.`,
          )
          slip(
            'window-too-narrow',
            decimal(sum - inside[0]!),
            5,
            `The window already shows the ${inside[0]}: ${shown}.`,
          )
          slip('fact', decimal(sum - 1), 2, `One too few. ${shown} = ${said(sum)}.`)
          slip('fact', decimal(sum + 1), 2, `One too many. ${shown} = ${said(sum)}.`)
        }
      },
    }
  })
}
