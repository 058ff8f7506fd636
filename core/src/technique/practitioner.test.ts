/** Whoever says what a practitioner says is never refused; whoever says something wrong is never taken. */
import { expect, test } from 'vitest'
import { add, type Decimal, decimal, digitAt, isNegative, toText } from '../number/decimal.js'
import { type Random, seeded } from '../number/random.js'
import { printProblem } from '../problem/expression.js'
import { type Problem, rowsOf } from '../problem/problem.js'
import { meets } from '../question/question.js'
import type { AttemptEvent } from '../session/events.js'
import { beginTask, happen, mistaken, moved, type Progress } from '../session/reduce.js'
import type { WorkedSupport } from '../session/support.js'
import type { School, Technique } from './contract.js'
import { variantsOf } from './driver.js'
import { PRACTITIONER, type Spoken } from './practitioner.js'
import { TECHNIQUES } from './registry.js'

/** Problems a level; more for a closing measurement. */
const PROBLEMS = Number(process.env.PROBLEMS ?? 12)

const ALL = TECHNIQUES.map((t) => [t.id, t] as const)

function* drawn(
  technique: Technique,
  random: Random,
): Generator<{ problem: Problem; school: School; level: number }> {
  const variants = variantsOf(technique)
  for (const [l, level] of technique.levels.entries())
    for (let i = 0; i < PROBLEMS; i += 1) {
      const space = level.problems()
      yield {
        problem: space.at(random.below(space.size)),
        school: variants[i % variants.length]!,
        level: l + 1,
      }
    }
}

const entered = (at: number, text: string): AttemptEvent => ({ kind: 'entered', at, text })

/** Says the values of a way one after another. @returns how far it came, or what was refused */
function spoken(
  begun: Progress,
  { said, over = false }: Spoken,
): 'done' | 'not done' | 'a known mistake' | { readonly refused: string } {
  let progress = begun
  for (const [n, text] of said.entries()) {
    if (progress.outcome !== undefined) {
      // What was meant as a repetition was taken by the open step: only repetitions are left.
      const repeated = said.slice(n).every((t) => said.slice(0, n).includes(t))
      return repeated ? 'done' : { refused: `done before "${text}"` }
    }
    progress = happen(progress, entered(1000 * (n + 1), text))
    const last = progress.entries.at(-1)!
    if (!mistaken(last)) continue
    // A value stepped over to that is a known mistake here as well is taken for that.
    if (over && last.verdict === 'slip') return 'a known mistake'
    return { refused: `"${text}" is ${last.slips[0]?.id ?? 'wrong'} at "${progress.walks[0]!.next!.ask}"` }
  }
  // Of two readings the one that goes less far stands; the other has come to its end.
  const ended = progress.spare().some((w) => w.next === undefined)
  return progress.outcome === 'done' || ended ? 'done' : 'not done'
}

test.each(ALL)('%s: nothing a practitioner says is refused', (id, technique) => {
  const random = seeded(id.length + 17)
  let [runs, mistakes, unclear] = [0, 0, 0]
  for (const { problem, school, level } of drawn(technique, random))
    for (const way of PRACTITIONER[id]!(problem, school)) {
      const task = { technique, problem, school, level, support: 'guided' as const }
      const end = spoken(beginTask(task), way)
      runs += 1
      if (end === 'a known mistake') mistakes += 1
      const where = `${printProblem(problem)} ${JSON.stringify(school)}, ${way.way}: ${way.said.join(' ')}`
      // The same said again and again may be a repetition or the next value: both readings are kept, not all of them.
      const repeating = way.said.some((t, i) => t === way.said[i + 1] || t === way.said[i + 2])
      if (repeating && end !== 'done') {
        unclear += 1
        continue
      }
      if (typeof end === 'object') expect.fail(`${where}: ${end.refused}`)
      // Two readings fit where holding and writing come to the same digits: the one that goes less far stands.
      const two = id.startsWith('subtract-') && /write|at once/.test(way.way)
      if (end === 'not done' && !two) expect.fail(`${where} does not come to the end`)
    }
  expect(runs).toBeGreaterThan(PROBLEMS)
  expect(mistakes / runs).toBeLessThan(0.06)
  expect(unclear / runs).toBeLessThan(0.01)
})

/** Values that are wrong somewhere: every listed mistake, one and ten off, other digits, the problem's own numbers. */
function wrongValues(progress: Progress, problem: Problem): string[] {
  const step = progress.walks[0]!.next!
  const near = [1, -1, 10, -10].map((by) => add(step.expect, decimal(by)))
  const rows = rowsOf(problem).map((r) => r.size)
  const digits = rows.flatMap((n) => [step.place - 1, step.place + 1].map((p) => decimal(digitAt(n, p))))
  const wrong: Decimal[] = [...step.slips().map((s) => s.entry), ...near, ...digits, ...rows]
  return wrong.filter((n) => !isNegative(n)).map(toText)
}

test.each(ALL)('%s: nothing wrong is taken', (id, technique) => {
  const random = seeded(id.length + 3)
  let tried = 0
  for (const { problem, school, level } of drawn(technique, random)) {
    if (random.unit() > 0.4) continue
    // What may be said after each entry, worked out from the numbers: all that is right in any way.
    const ways = PRACTITIONER[id]!(problem, school).map((w) => w.said)
    const said = ways[Number(random.below(BigInt(ways.length)))]!
    const support: WorkedSupport = 'guided'
    let progress = beginTask({ technique, problem, school, level, support })
    for (const [n, text] of said.entries()) {
      if (progress.outcome !== undefined) break
      const step = progress.walks[0]!.next!
      for (const wrong of wrongValues(progress, problem)) {
        // What any way would say from here on is right.
        if (ways.some((w) => w.includes(wrong))) continue
        const value = step.kind.read(wrong)
        if (!value || progress.walks.some((w) => w.next && meets(w.next, value))) continue
        const after = happen(progress, entered(1000 * n + 500, wrong))
        tried += 1
        const last = after.entries.at(-1)!
        if (moved(last) && !isRightInside(after, progress))
          expect.fail(
            `${printProblem(problem)} ${JSON.stringify(school)}: "${wrong}" is taken (${last.verdict}) at "${step.ask}"`,
          )
      }
      progress = happen(progress, entered(1000 * (n + 1), text))
    }
  }
  expect(tried).toBeGreaterThan(20)
})

/** A value was taken that belongs to a working which is right to its end: then it is another way of saying it. */
function isRightInside(after: Progress, before: Progress): boolean {
  if (after.outcome === 'done') return true
  const right = before.walks.map((w) => toText(w.whole().expect))
  return after.walks.every((w) => right.includes(toText(w.whole().expect)))
}
