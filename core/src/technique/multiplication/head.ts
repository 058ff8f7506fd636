/** Front of an answer in two parts: a head times the next number, crosswise once the head has two digits. */
import { decimal } from '../../number/decimal.js'
import { said, wholePart } from '../../number/whole.js'
import { productLoad } from '../facts.js'
import { step } from '../make.js'
import type { Walking } from './columns.js'
import { crossColumns, workColumns } from './crosswise.js'
import { frontLine } from './product.js'

/** @param width places of the back. @returns head × (head + 1) as reckoned. */
export function* headProduct(head: bigint, width: number): Walking {
  const next = head + 1n
  // A head of two digits is worked crosswise, unless it is a round ten.
  if (head > 9n && head % 10n !== 0n && next % 10n !== 0n)
    return yield* workColumns(crossColumns(head, next), 'right-carry', width)
  const right = `${said(head)} × ${said(next)} = ${said(head * next)}`
  return wholePart(
    yield step({
      action: 'front',
      place: width,
      ask: `Front: ${said(head)} times the next number, ${said(next)}. How much?`,
      why: 'The two middle products make one more head in front.',
      expect: decimal(head * next),
      writes: frontLine(head * next, width),
      load: () => productLoad(head, next),
      slips: (slip) => {
        slip('head-squared', decimal(head * head), 7, `One of the heads counts one more: ${right}.`)
        slip('head-both-raised', decimal(next * next), 2, `Only one of the heads counts one more: ${right}.`)
        slip('head-lowered', decimal(head * (head - 1n)), 2, `One more, not one less: ${right}.`)
        slip('fact', decimal(head * next + next), 2, `A table fact is off. ${right}.`)
        slip('fact', decimal(head * next - next), 2, `A table fact is off. ${right}.`)
      },
    }),
  )
}
