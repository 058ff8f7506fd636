/** Front of an answer in two parts: a head times the next number, crosswise once the head has two digits. */
import { decimal } from '../../../number/decimal.js'
import { said } from '../../../number/whole.js'
import { HEAD } from '../../../words/multiplication.js'
import type { AnswerLine } from '../../contract.js'
import type { Later } from '../../make.js'
import { half } from '../../quantities/front-back.js'
import { ask, holdsThat, product, sum } from '../../quantities/quantities.js'
import { rightCarry, type Walking } from '../columns.js'
import { crossColumns } from '../crosswise.js'

/**
 * @param width places of the back
 * @param scale decimals of the answer, whose point is put at the end
 * @param line what stands when the front has a value
 * @returns head × (head + 1) as reckoned
 */
export function* headProduct(
  head: bigint,
  width: number,
  line: (front: bigint | undefined) => Later<AnswerLine>,
  scale = 0,
): Walking {
  const one = sum(head, 1n)
  const next = (yield ask(one, {
    action: 'decide',
    place: -scale,
    ask: HEAD.after(said(head)),
    why: HEAD.whyAfter(said(head), said(head + 1n)),
    decision: [one.value],
    writes: line(undefined),
    holds: [{ what: 'next number', value: one.value }],
    slips: (slip) => slip('head-lowered', decimal(head - 1n), 2, HEAD.lowered(holdsThat(one))),
  })).units
  // Two digits by two are worked crosswise, unless one of them is a round ten.
  if (head > 9n && head % 10n !== 0n && next % 10n !== 0n)
    return yield* rightCarry(crossColumns(head, next), width - scale)
  const front = product(head, next)
  return yield* half(
    front,
    {
      action: 'front',
      place: width - scale,
      ask: HEAD.front(said(head), said(next)),
      why: HEAD.why,
      slips(slip) {
        slip('one-more-forgotten', decimal(head * head), 7, HEAD.squared(holdsThat(front)))
        slip('head-both-raised', decimal(next * next), 2, HEAD.both(holdsThat(front)))
        slip('head-lowered', decimal(head * (head - 1n)), 2, HEAD.lowered(holdsThat(front)))
      },
    },
    line,
  )
}
