/** What stands on the line, and what is held in mind. */

import {
  absolute,
  add,
  type Decimal,
  decimal,
  digitCount,
  equal,
  isZero,
  multiply,
  toText,
} from '../number/decimal.js'
import { present } from '../number/present.js'
import { isOnFrame } from '../soroban/step.js'
import type { AnswerLine } from '../technique/contract.js'
import { DIGITS, isWhole, type Rule } from './rule.js'
import { evaluated } from './sentences.js'

/** What stands on the line is what was asked for, at its place; the rest stands as it stood. */
export const lineAgrees: Rule = (step, { before, right, i, scale }) => {
  const { cells } = step.writes
  const last = i === right.steps.length - 1
  if (last && !isZero(right.answer)) {
    const shown = numberOn(step.writes)
    if (!shown || !equal(absolute(shown), absolute(right.answer)))
      return 'the finished line is not the answer'
  }
  const at = (line: AnswerLine, place: number) => line.cells.find((c) => c.place === place)
  if (DIGITS.includes(step.action) && step.action !== 'mend' && !isWhole(step)) {
    const text = toText(step.expect)
    const digits = at(step.writes, step.place)?.digits ?? ''
    if (!text.endsWith(digits) || digits === '')
      return `place ${step.place} shows "${digits}", asked was ${text}`
    const moved = before.cells.find(
      (c) => !c.draft && c.place !== step.place && at(step.writes, c.place)?.digits !== c.digits,
    )
    return moved ? `what stood at place ${moved.place} is gone` : undefined
  }
  if (step.action === 'cross-sum' || step.action === 'column-total') {
    const gone = before.cells.find(
      (c) => c.digits.length === 1 && at(step.writes, c.place)?.digits !== c.digits,
    )
    if (gone) return `what stood at place ${gone.place} is gone`
    const text = toText(step.expect)
    const shown = at(step.writes, step.place)?.digits ?? ''
    const spread = cells.filter((c) => c.place >= step.place && !at(before, c.place)).map((c) => c.digits)
    if (shown !== text && (shown.length !== 1 || spread.join('') !== text))
      return `place ${step.place} does not show the column's total`
  }
  if (isWhole(step) && cells.length > 0) {
    const shown = numberOn(step.writes)
    const forgotten = shown && multiply(shown, decimal(10n ** BigInt(Math.max(0, -scale))))
    // The point is put at the end in some ways of working: then every line before it is larger by the same power.
    const whole = right.steps.some((s) => s.action === 'point') && step.action !== 'point' ? forgotten : shown
    // What is mended from the left is said without the places still to come.
    const said =
      step.action === 'mend' ? multiply(step.expect, decimal(10n ** BigInt(step.place - scale))) : step.expect
    if (whole && !equal(absolute(whole), absolute(said))) return `the line shows ${toText(whole)}`
  }
  if (step.action === 'front' || step.action === 'back') {
    const { back = 0 } = step.writes
    const part = cells.filter((c) => (step.action === 'front' ? c.place >= back : c.place < back))
    const text = part
      .toSorted((a, b) => b.place - a.place)
      .map((c) => c.digits)
      .join('')
    const low = Math.min(...part.map((c) => c.place))
    if (text !== toText(step.expect) || low !== (step.action === 'front' ? back : scale))
      return `the ${step.action} shows ${text} at ${low}`
  }
  if (step.decision || step.action === 'deviation' || step.action === 'estimate')
    return JSON.stringify(places(step.writes)) === JSON.stringify(places(before))
      ? undefined
      : 'a decision changes the line'
  return undefined
}

const places = ({ cells }: AnswerLine) => cells.map((c) => [c.place, c.digits]).sort()

/** The number a line shows; undefined where sums stand raw. */
function numberOn({ cells }: AnswerLine): Decimal | undefined {
  return cells.reduce<Decimal | undefined>(
    (sum, c) => (sum && c.digits.length > 0 ? add(sum, decimal(BigInt(c.digits), -c.place)) : undefined),
    decimal(0),
  )
}

/** What is still to change is only kept in mind: a draft. What once stood for good is never a draft again. */
export const drafts: Rule = (step, { right, i, before }) => {
  const later = right.steps.slice(i + 1)
  if (later.length === 0 && step.writes.cells.some((c) => c.draft)) return 'the finished line is a draft'
  const settles = step.writes.cells.find(
    (c) => !c.draft && before.cells.some((b) => b.place === c.place && b.draft && b.digits === c.digits),
  )
  const idle = later.length > 0 && !DIGITS.includes(step.action) && !isWhole(step)
  if (
    settles &&
    idle &&
    step.action !== 'front' &&
    step.action !== 'back' &&
    (step.action !== 'cross-sum' || settles.place !== step.place)
  )
    return `place ${settles.place} comes to stand for good by itself`
  for (const cell of step.writes.cells) {
    if (cell.draft) continue
    if (cell.digits.length > 1) return `${cell.digits} stands raw as if for good`
    const alone =
      step.action === 'front' && !step.writes.cells.some((c) => c.place < present(step.writes.back))
    const joined =
      step.action === 'back' && later[0]?.action === 'join' && cell.place < present(step.writes.back)
    if (alone || joined) return `the ${step.action} stands for good while more is to come`
    if (step.action === 'hold' && cell.place === step.place) return 'what is held stands as if written'
    for (const next of later) {
      const same = next.writes.cells.find((c) => c.place === cell.place)
      if (!same) return `what stood for good at place ${cell.place} is gone`
      if (same.draft) return `place ${cell.place} stands for good, and then only as a draft`
      if (same.digits !== cell.digits && next.action !== 'mend')
        return `place ${cell.place} changes from ${cell.digits} to ${same.digits} after it stood for good`
      if (same.digits !== cell.digits) break
    }
  }
  return undefined
}

/** A value that does not stand on the line, and is not the last, is kept in mind; so is a carry until it is used. */
export const holding: Rule = (step, { right, i }) => {
  const next = right.steps[i + 1]
  if (!next || step.holds.length > 0) return undefined
  const stands =
    (isWhole(step) || step.action === 'block' || step.action === 'root') &&
    step.writes.cells.some((c) => !c.draft)
  const [sum] = step.reckons ? [evaluated(step.reckons)] : []
  const carries =
    (step.action === 'write' || step.action === 'settle') &&
    digitCount(step.expect) === 1 &&
    sum &&
    digitCount(sum) > 1
  const column = right.steps[i - 1]?.action === 'cross-sum' || step.action === 'settle'
  if (carries && column) return 'the carry is not held'
  if (step.action === 'cross-sum') {
    const carried = right.steps[i - 1]?.holds.some((h) => h.what === 'carry')
    return carried && next.action === 'write' ? 'the carry is not held any more' : undefined
  }
  if (step.action === 'column-total') return i > 1 ? 'the estimate is not held any more' : undefined
  if (step.action === 'block' && next.action === 'block' && digitCount(step.expect) > 2)
    return 'the carry is not held'
  if (step.action === 'front' || step.action === 'back')
    return right.steps.some((s) => s.action === 'deviation') && ['front', 'back'].includes(next.action)
      ? 'the gaps are not held any more'
      : undefined
  if (step.action === 'quotient-digit' && right.steps.slice(0, i).some((s) => s.action === 'divisor'))
    return 'what is divided is not held any more'
  if (DIGITS.includes(step.action) && step.action !== 'hold')
    return right.steps[i - 1]?.action === 'complement' ? 'the borrow is not held' : undefined
  if (isOnFrame(step) || step.action === 'read') return undefined
  if (step.action === 'decide' && isZero(step.expect)) return undefined
  return stands ? undefined : 'nothing is held of it'
}
