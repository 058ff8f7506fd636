/** How what a practitioner says is taken: nothing on the way refused, nothing counted, nothing credited that was not done. */

import { atPlace, digitAt, toText } from '../number/decimal.js'
import { unmarked } from '../number/marks.js'
import { firstOf, present } from '../number/present.js'
import type { Random } from '../number/random.js'
import { printProblem } from '../problem/expression.js'
import type { Problem } from '../problem/problem.js'
import { meets } from '../question/question.js'
import { asDecimal, sameValue, valueText } from '../question/value.js'
import type { AttemptEvent } from '../session/events.js'
import { mistaken, moved, type Progress } from '../session/progress.js'
import { beginTask, happen } from '../session/reduce.js'
import type { WorkedSupport } from '../session/support.js'
import type { Step, Technique, Variant } from '../technique/contract.js'
import { momentAfter, trace } from '../technique/driver.js'
import { slipAt } from '../technique/listening/reading.js'
import { aloud } from './practitioner/aloud.js'

export interface Heard {
  /** Values said besides those that are asked. */
  said: number
  /** Those told as the value against the decision of their step. */
  decided: number
  /** What was refused or counted, in words. */
  readonly refused: string[]
}

const entered = (text: string): AttemptEvent => ({ kind: 'entered', at: 0, text })

/** Works a problem aloud: at each step all that can be said of it, and then what is asked, with or without its place. */
export function sayAll(
  technique: Technique,
  problem: Problem,
  variant: Variant,
  support: WorkedSupport,
  random: Random,
): Heard {
  const heard: Heard = { said: 0, decided: 0, refused: [] }
  let progress = beginTask({ technique, problem, variant, level: 0, support })
  const where = `${technique.id} ${printProblem(problem)} ${JSON.stringify(variant)} ${support}`
  while (progress.outcome === undefined) {
    const [walk] = firstOf(1, progress.walks)
    const step = present(walk.next)
    const before = walk.steps.at(-1)
    const held = before ? momentAfter(before, present(walk.entries.at(-1))).holds : []
    const at = walk.taken
    for (const text of aloud(problem, step, held, walk.entries.at(-1))) {
      const value = step.kind.read(text)
      if (value === undefined || meets(step, value)) continue
      const after = happen(progress, entered(text))
      heard.said += 1
      const last = present(after.entries.at(-1))
      if (mistaken(last)) {
        if (slipAt(step, value)?.decisive) heard.decided += 1
        else heard.refused.push(`${where}: "${text}" is ${last.slips[0]?.id ?? 'wrong'} at "${step.ask}"`)
      } else progress = after
      // It may be the next value as well, or the column's own digit.
      if (moved(last)) break
    }
    if (progress.outcome !== undefined || present(progress.walks[0]).taken !== at) continue
    const number = asDecimal(step.expect)
    const placed = number && step.place > 0 && random.unit() < 0.3 && step.action === 'write'
    const text =
      placed && number.scale === 0 && number.units > 0n && number.units < 10n
        ? toText(atPlace(digitAt(number, 0), step.place))
        : step.kind.print(step.expect)
    const after = happen(progress, entered(text))
    const last = present(after.entries.at(-1))
    if (!moved(last)) {
      heard.refused.push(`${where}: the value asked, "${text}", is ${last.verdict} at "${step.ask}"`)
      return heard
    }
    progress = after
  }
  return heard
}

/** What ends a problem though it is not the whole answer: a part, a half, a cut, a rounding, an echo. */
export function creditedFaults(
  technique: Technique,
  problem: Problem,
  variant: Variant,
  support: WorkedSupport,
): string[] {
  const begun = beginTask({ technique, problem, variant, level: 0, support })
  const wholes = begun.walks.map((walk) => walk.whole())
  const whole = present(wholes[0])
  const { steps } = trace(technique, problem, variant)
  const parts = steps.flatMap((s) => [
    s.kind.print(s.expect),
    ...s.holds.map((h) => valueText(h.value)),
    ...[...s.ask.matchAll(/\d+/g)].map(([n]) => n),
  ])
  const full = whole.kind.print(whole.expect)
  const cuts = [full.replace(/[.r_/].*$/, ''), full.slice(0, -1), full.slice(1), `${full}0`]
  const faults: string[] = []
  for (const text of new Set([...parts, ...cuts])) {
    const question = present(begun.walks[0]).next
    const kind = support === 'answer' || !question ? whole.kind : question.kind
    const value = kind.read(text)
    const ends = whole.kind.read(text)
    // An estimate from the square above is an answer too.
    if (value === undefined || (ends !== undefined && wholes.some((w) => meets(w, ends)))) continue
    if (steps.length < 2 && question && meets(question, value)) continue
    const after = happen(begun, entered(text))
    if (after.outcome !== undefined && !isAnswered(after, whole.expect))
      faults.push(`${technique.id} ${printProblem(problem)} ${support}: "${text}" ends it, not ${full}`)
  }
  return faults
}

/** Digits may be the whole answer where they stand: 7 for the last open place is asked by the last step. */
function isAnswered({ entries, walks }: Progress, answer: Parameters<typeof sameValue>[0]): boolean {
  const last = present(entries.at(-1))
  const whole = present(walks[0]).answer
  return last.took <= 1 && whole !== undefined && sameValue(whole, answer)
}

/** Remarks of a step that tell another amount than the difference of what was asked and what was entered. */
export function amountFaults(step: Step): string[] {
  const right = asDecimal(step.expect)
  return step.slips().flatMap(({ entry, remark }) => {
    const given = asDecimal(entry)
    const [, amount, way] = /You are ([\d.\u2009]+) too (low|high)/.exec(unmarked(remark)) ?? []
    if (amount === undefined || !right || !given) return []
    const off = Number(toText(given)) - Number(toText(right))
    const told = Number(amount.replaceAll('\u2009', '')) * (way === 'low' ? -1 : 1)
    return Math.abs(off - told) < 1e-9 * Math.max(1, Math.abs(off))
      ? []
      : [`"${remark}" of ${toText(given)} where ${toText(right)} is asked`]
  })
}
