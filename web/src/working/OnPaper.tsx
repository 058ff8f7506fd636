import type { Problem } from '@tachymetra/core/problem'
import { type PaperRow, workedOnPaper } from '@tachymetra/core/written'
import { useMemo, useState } from 'react'
import { KeyButton } from '../entry/KeyButton.js'
import { aloud } from '../words/words.js'
import { Words } from '../written/Words.js'
import './on-paper.css'

/** The usual written way, a step at a press: what stands on the sheet, and what is done. */
export function OnPaper({ problem }: { readonly problem: Problem }) {
  const { before, steps } = useMemo(() => workedOnPaper(problem), [problem])
  const [at, setAt] = useState(0)
  const step = steps[at - 1]
  if (steps.length === 0) return <p className="faint">Nothing is to be worked out here.</p>
  return (
    <div className="on-paper">
      <PaperSheet rows={step?.rows ?? before} />
      <p className="says" role="status">
        <Words>{step ? step.says : `${steps.length} steps.`}</Words>
        <span className="sr-only">{step && aloud(` Step ${at} of ${steps.length}.`)}</span>
      </p>
      <div className="row">
        <KeyButton label="Step back" onPress={() => setAt(Math.max(0, at - 1))} disabled={at === 0} />
        <KeyButton
          label="Next step on paper"
          onPress={() => setAt(Math.min(steps.length, at + 1))}
          disabled={at === steps.length}
        />
        <span className="faint" aria-hidden="true">
          {at} of {steps.length}
        </span>
      </div>
    </div>
  )
}

/** What stands on the paper, digit under digit; a row that has a line beneath it is followed by one. */
export function PaperSheet({ rows }: { readonly rows: readonly PaperRow[] }) {
  const wide = Math.max(...rows.flatMap((r) => r.cells.map((c) => c.column)), 0) + 1
  const columns = Array.from({ length: wide }, (_, i) => wide - 1 - i)
  return (
    <table className="paper-sheet mono">
      <caption className="sr-only">What stands on the paper</caption>
      <tbody>
        {rows.map((row, r) => (
          <tr key={r} className={row.line ? 'ruled' : ''}>
            <th scope="row" className="before">
              <Words>{row.before}</Words>
              <span className="sr-only">row {r + 1}</span>
            </th>
            {columns.map((column) => {
              const cell = row.cells.find((c) => c.column === column)
              const point = row.decimals > 0 && column === row.decimals && cell !== undefined
              return (
                <td key={column} className={`${cell?.fresh ? 'fresh' : ''}${point ? ' point' : ''}`}>
                  <Words>{cell?.text}</Words>
                </td>
              )
            })}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
