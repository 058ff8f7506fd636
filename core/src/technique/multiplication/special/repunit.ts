/**
 * multiply-repunit: by 11, 111, 1111... A window of that many digits slides over the multiplicand from the right,
 * growing in and shrinking out; its sum is the column. 724×111: 4; 6; 13 → 3; 9 + 1 → 0; 7 + 1: 80364. Beginners write
 * zeros at both ends and add in full windows.
 */

import { decimal } from '../../../number/decimal.js'
import { present } from '../../../number/present.js'
import { digitsOf, lengthOf, said } from '../../../number/whole.js'
import { productSpace } from '../../../problem/products.js'
import { shape } from '../../../problem/shape.js'
import { REPUNIT } from '../../../words/multiplication.js'
import { REMARK } from '../../../words/steps.js'
import { eitherFactor } from '../../conditions.js'
import { NO_LOAD } from '../../facts.js'
import { type Misfit, misfit, technique } from '../../make.js'
import { parameter } from '../../quantities/boards.js'
import { columnTotal } from '../../quantities/quantities.js'
import { ENDS } from '../../variants.js'
import { rightCarry, type SumColumn } from '../columns.js'
import { placePoint, readWhole } from '../product.js'

const ones = (count: number) => (10n ** BigInt(count) - 1n) / 9n

const isOnes = (n: bigint) => n > 1n && n === ones(lengthOf(n))

interface Sliding {
  readonly number: bigint
  /** Ones of the multiplier: digits in the window. */
  readonly width: number
  readonly scale: number
}

export const multiplyRepunit = technique({
  id: 'multiply-repunit',
  words: REPUNIT,
  family: 'multiplication',
  needs: ['add-running-total'],
  variants: [ENDS],
  // Targets: common practice, no published source.
  levels: [
    ['Two digits by 11, zeros at both ends', 2.5, { digits: 2, carries: 0 }, { ends: 'zeros' }],
    ['Two digits by 11, with a carry', 3, { digits: 2, carries: 1 }],
    ['Three digits by 11, nothing carries', 3.5, { carries: 0 }],
    ['Three digits by 11', 4, {}],
    ['Three digits by 111, nothing carries', 5, { ones: 3, carries: 0 }],
    ['Three digits by 111', 6, { ones: 3 }],
    ['Four digits by 11', 5, { digits: 4 }],
    ['Four digits by 111, two carries', 7, { digits: 4, ones: 3, carries: 2 }],
    ['Four digits by 1111', 8, { digits: 4, ones: 4 }],
    ['Six digits by 111', 10, { digits: 6, ones: 3 }],
  ],
  parameters: {
    parameters: [
      parameter('digits', 'Digits of the number', 1, 6, 3),
      parameter('ones', 'Ones of the multiplier', 2, 8, 2),
      parameter('largest', 'Largest digit', 1, 9),
      parameter('zeros', 'Zeros written', 0, 5),
      parameter('carries', 'Columns that carry', 0, 12),
    ],
    problems: ({ digits = 3, ones: count = 2, ...counts }) =>
      productSpace({ ...counts, first: shape(digits), second: [ones(count)] }),
  },
  conditions: [eitherFactor('ones/ones', isOnes, [12n, 21n, 101n, 112n, 121n, 211n])],
  read(problem): Sliding | Misfit {
    const found = readWhole(problem)
    if ('because' in found) return found
    const { a, b, scale } = found
    if (!isOnes(a) && !isOnes(b)) return misfit(REPUNIT.noOnes)
    const [number, multiplier] = isOnes(b) ? [a, b] : [b, a]
    return { number, width: lengthOf(multiplier), scale }
  },
  *work({ number, width, scale }, { ends }) {
    return yield* placePoint(yield* rightCarry(windows(number, width, ends === 'zeros'), -scale), scale)
  },
})

/** @param full the window also shows the zeros beyond both ends */
function windows(number: bigint, width: number, full: boolean): SumColumn[] {
  const digits = digitsOf(number)
  return Array.from({ length: digits.length + width - 1 }, (_, k): SumColumn => {
    const [low, high] = [k - width + 1, k]
    const places = Array.from({ length: width }, (_, i) => high - i)
    const inside = places.filter((p) => full || (p >= 0 && p < digits.length)).map((p) => digits[p] ?? 0)
    const sum = inside.reduce((total, d) => total + d, 0)
    const shown = inside.join(' + ')
    const parts = inside.map((d) => ({ text: String(d), value: d, load: NO_LOAD }))
    return {
      sum,
      quantity: (carry) => columnTotal(parts, carry),
      ask: inside.length === 1 ? REPUNIT.edge(shown) : REPUNIT.window(shown),
      why: () => REPUNIT.why(width),
      slips(slip) {
        const right = `${shown} = ${said(sum)}`
        const [left, gone] = [digits[high + 1], digits[low - 1]]
        if (left !== undefined)
          slip('window-too-wide', decimal(sum + left), 4, REPUNIT.notYet(width, said(left)))
        if (gone !== undefined)
          slip('window-too-wide', decimal(sum + gone), 5, REPUNIT.gone(width, said(gone)))
        if (inside.length < 2) return
        const [first, last] = [present(inside[0]), present(inside.at(-1))]
        slip('window-too-narrow', decimal(sum - last), 4, REPUNIT.still(said(last), right))
        slip('window-too-narrow', decimal(sum - first), 5, REPUNIT.already(said(first), right))
        slip('fact', decimal(sum - 1), 2, REMARK.off(right))
        slip('fact', decimal(sum + 1), 2, REMARK.off(right))
      },
    }
  })
}
