import { workingWith } from '@tachymetra/core/diagnose'
import { sameValue, valueWords } from '@tachymetra/core/question'
import type { Exercise, JudgedEntry } from '@tachymetra/core/session'
import { readAnswerOf, type Step, trace } from '@tachymetra/core/technique'
import { useMemo, useState } from 'react'
import { Words } from '../written/Words.js'
import { Mark } from './Mark.js'
import './how-it-goes.css'

type Worked = Pick<Exercise, 'technique' | 'problem' | 'variant'>

/**
 * A whole working, step by step, on the numbers that were just worked. What was likely done wrong stands at its step, with
 * what the values after it were then; steps that were worked before the answer alone was asked are marked.
 */
export function HowItGoes(props: {
  readonly exercise: Worked
  /** What a wrong answer likely came of, and the answer. */
  readonly slips: JudgedEntry['slips']
  readonly answer: string | undefined
  /** Steps the learner gave, from 1. */
  readonly given?: ReadonlySet<number>
  readonly summary: string
  /** Is it open from the start? */
  readonly open: boolean
}) {
  const { exercise, slips, answer, given, summary } = props
  const { technique, problem, variant } = exercise
  const [open, setOpen] = useState(props.open)
  const work = useMemo(() => trace(technique, problem, variant), [technique, problem, variant])
  const own = useMemo(() => {
    const value = answer === undefined ? undefined : readAnswerOf(technique, problem, variant, answer)
    return value !== undefined && slips.length > 0
      ? workingWith(technique, problem, variant, slips, value)
      : undefined
  }, [technique, problem, variant, slips, answer])
  // What is read off in one look has no way to it.
  if (work.steps.length < 2) return null
  return (
    <details className="how-it-goes" open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>
        <Words>{summary}</Words>
      </summary>
      {open && (
        <ol>
          {work.steps.map((step, i) => {
            const made = slips.filter((s) => s.step === i + 1)
            const value = work.entries[i]!
            const had = own?.entries[i]
            return (
              <li key={i} className={made.length > 0 ? 'slipped' : ''}>
                <span>
                  <Words>{step.ask}</Words>
                </span>{' '}
                <span className="mono value">
                  <Words>{step.kind.say(value)}</Words>
                </span>
                {carryWords(step) && (
                  <span className="faint">
                    {' '}
                    <Words>{carryWords(step)}</Words>
                  </span>
                )}
                {given?.has(i + 1) && (
                  <span className="faint">
                    {' '}
                    <Mark right /> yours
                  </span>
                )}
                {had !== undefined && !sameValue(had, value) && (
                  <span className="had">
                    {' '}
                    you probably had{' '}
                    <span className="mono">
                      <Words>{step.kind.say(had)}</Words>
                    </span>
                  </span>
                )}
                {made.map((slip) => (
                  <span key={slip.id} className="said-slip">
                    Likely here. <Words>{slip.remark}</Words>
                  </span>
                ))}
              </li>
            )
          })}
        </ol>
      )}
    </details>
  )
}

/** The carry of a step as it is: what goes over to the next, or that one was carried or borrowed in it. */
function carryWords({ holds, carries, action, reckons }: Step): string | undefined {
  const over = holds.find((h) => h.what === 'carry')
  if (over) return `carry ${valueWords(over.value)}`
  if (carries === 0) return undefined
  const less = action === 'take-part' || reckons?.includes('−') || action === 'glance' || action === 'hold'
  return less ? 'a borrow' : carries > 1 ? `${carries} carries` : 'a carry'
}
