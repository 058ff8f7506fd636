import { toWords } from '@tachymetra/core/number'
import type { JudgedEntry } from '@tachymetra/core/session'
import type { Trace } from '@tachymetra/core/technique'
import { useState } from 'react'
import './how-it-goes.css'

/** A whole working, step by step, on the numbers that were just worked; the slip stands at the step where it was likely made. */
export function HowItGoes(props: {
  readonly work: Trace
  /** What a wrong answer likely came of. */
  readonly slips: JudgedEntry['slips']
  readonly summary: string
  /** Is it open from the start? */
  readonly open: boolean
}) {
  const { work, slips, summary } = props
  const [open, setOpen] = useState(props.open)
  return (
    <details className="how-it-goes" open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>{summary}</summary>
      {open && (
        <ol>
          {work.steps.map((step, i) => {
            const made = slips.filter((s) => s.step === i + 1)
            return (
              <li key={i} className={made.length > 0 ? 'slipped' : ''}>
                <span>{step.ask}</span> <span className="mono value">{toWords(work.entries[i]!)}</span>
                {made.map((slip) => (
                  <span key={slip.id} className="said-slip">
                    Likely here. {slip.remark}
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
