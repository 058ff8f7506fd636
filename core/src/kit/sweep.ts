/** Measures of how entries are read, over many problems of a technique: for `npm run sweep`. */
import { present } from '../number/present.js'
import type { Random } from '../number/random.js'
import { printProblem } from '../problem/expression.js'
import type { Problem } from '../problem/problem.js'
import { meets } from '../question/question.js'
import { asDecimal } from '../question/value.js'
import type { AttemptEvent } from '../session/events.js'
import { type EntryVerdict, type JudgedEntry, moved, type Progress } from '../session/progress.js'
import { beginTask, happen } from '../session/reduce.js'
import type { Technique, Variant } from '../technique/contract.js'
import { trace, variantsOf } from '../technique/driver.js'
import { workingFaults } from './kit.js'
import { amountFaults, creditedFaults, type Heard, sayAll } from './listening.js'

function* drawn(
  technique: Technique,
  count: number,
  random: Random,
): Generator<readonly [problem: Problem, variant: Variant]> {
  const variants = variantsOf(technique)
  let turn = 0
  for (const level of technique.levels)
    for (let i = 0; i < count; i += 1, turn += 1) {
      const space = level.problems()
      yield [space.at(random.below(space.size)), present(variants[turn % variants.length])]
    }
}

/** Works problems of every level aloud, guided and in steps only, and tries to end them by less than the answer. */
export function heardOver(
  technique: Technique,
  count: number,
  random: Random,
): Heard & { readonly credited: string[] } {
  const all = { said: 0, decided: 0, refused: [] as string[], credited: [] as string[] }
  for (const [problem, variant] of drawn(technique, count, random)) {
    for (const support of ['guided', 'steps'] as const) {
      const heard = sayAll(technique, problem, variant, support, random)
      all.said += heard.said
      all.decided += heard.decided
      all.refused.push(...heard.refused)
    }
    for (const support of ['guided', 'steps', 'answer'] as const)
      all.credited.push(...creditedFaults(technique, problem, variant, support))
  }
  return all
}

const COUNTED = [
  'decisive',
  'decisiveSoFar',
  'slip',
  'slipSoFar',
  'toldLater',
  'leftOut',
  'leftOutSoFar',
  'digit',
  'digitSoFar',
  'column',
  'columnSoFar',
  'total',
  'totalSoFar',
] as const
type Counted = Record<(typeof COUNTED)[number], number>

const entered = (text: string): AttemptEvent => ({ kind: 'entered', at: 0, text })
const lastOf = ({ entries }: Progress): JudgedEntry => present(entries.at(-1))

/** A part that was not taken leaves a value that is on the way. */
const LEFT_OUT = /left-out|not-done|too-narrow|not-given-back/

const isList = (problem: Problem) => problem.kind === 'sum' && problem.terms.length > 2

/**
 * How wrong values are taken at every step: known mistakes, other digits where one decision is made, totals of a list and of
 * its columns that are at most twelve off.
 */
export function wrongOver(technique: Technique, count: number, random: Random): Counted {
  const found = Object.fromEntries(COUNTED.map((key) => [key, 0])) as Counted
  const tell = (verdict: EntryVerdict, all: keyof Counted, soFar: keyof Counted) => {
    found[all] += 1
    if (verdict === 'so-far') found[soFar] += 1
  }
  for (const [problem, variant] of drawn(technique, count, random)) {
    let progress = beginTask({ technique, problem, variant, level: 0, support: 'guided' })
    while (progress.outcome === undefined) {
      const step = present(present(progress.walks[0]).next)
      const slips = step.slips()
      for (const slip of slips) {
        const text = step.kind.print(slip.entry)
        if (step.kind.read(text) === undefined || meets(step, slip.entry)) continue
        const after = happen(progress, entered(text))
        const { verdict } = lastOf(after)
        if (moved(lastOf(after))) continue
        if (slip.decisive) tell(verdict, 'decisive', 'decisiveSoFar')
        else if (LEFT_OUT.test(slip.id)) tell(verdict, 'leftOut', 'leftOutSoFar')
        else {
          tell(verdict, 'slip', 'slipSoFar')
          if (verdict === 'so-far' && lastOf(happen(after, entered(text))).verdict === 'slip')
            found.toldLater += 1
        }
      }
      const right = asDecimal(step.expect)
      const others =
        right && right.scale === 0 && right.units >= 0n && right.units < 10n && slips.some((s) => s.decisive)
          ? Array.from({ length: 10 }, (_, d) => String(d))
          : []
      for (const text of others) {
        const value = step.kind.read(text)
        if (value === undefined || meets(step, value)) continue
        const last = lastOf(happen(progress, entered(text)))
        if (!moved(last)) tell(last.verdict, 'digit', 'digitSoFar')
      }
      const isColumn = step.action === 'column-total'
      if (right?.scale === 0 && isList(problem) && (isColumn || step.total))
        for (let off = -12n; off <= 12n; off += 1n) {
          const value = right.units + off
          if (off === 0n || value < 0n) continue
          const last = lastOf(happen(progress, entered(String(value))))
          if (moved(last)) continue
          tell(last.verdict, 'total', 'totalSoFar')
          if (isColumn) tell(last.verdict, 'column', 'columnSoFar')
        }
      progress = happen(progress, entered(step.kind.print(step.expect)))
      if (!moved(lastOf(progress))) break
    }
  }
  return found
}

const SAID_FALSELY = /come from\?|is not so|is not true|is no sentence|where .* is asked/

/** Looks at every question, reason and remark of problems of every level: whether its numbers are so. */
export function truthOver(
  technique: Technique,
  count: number,
  random: Random,
): { readonly remarks: number; readonly faults: readonly string[] } {
  const faults: string[] = []
  let remarks = 0
  for (const [problem, variant] of drawn(technique, count, random)) {
    const { steps } = trace(technique, problem, variant)
    remarks += steps.reduce((sum, s) => sum + s.slips().length, 0)
    const found = [...workingFaults(technique, problem, variant), ...steps.flatMap((s) => amountFaults(s))]
    for (const fault of found.filter((f) => SAID_FALSELY.test(f)))
      faults.push(`${technique.id} ${printProblem(problem)} ${JSON.stringify(variant)}: ${fault}`)
  }
  return { remarks, faults }
}
