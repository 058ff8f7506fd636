import { checksOf } from '@tachymetra/core/check'
import { type Decimal, toWords } from '@tachymetra/core/number'
import type { Problem } from '@tachymetra/core/problem'
import { useMemo } from 'react'
import { Words } from '../written/Words.js'
import { Mark } from './Mark.js'
import './checks.css'

/** The checks that need no redoing, worked on an answer, each with what it does not prove. */
export function Checks({ problem, answer }: { readonly problem: Problem; readonly answer: Decimal }) {
  const checks = useMemo(() => checksOf(problem, answer), [problem, answer])
  if (checks.length === 0) return <p className="faint">There is no quick check for this kind of problem.</p>
  return (
    <div className="checks">
      {checks.map((check) => (
        <section key={check.id}>
          <h3>
            <Mark right={check.passes} /> <Words>{check.name}</Words>:{' '}
            {check.passes ? 'passes' : 'does not pass'}
          </h3>
          <ol className="plain-list mono">
            {check.steps.map((line) => (
              <li key={line}>
                <Words>{line}</Words>
              </li>
            ))}
          </ol>
          <p className="faint">
            <Words>{check.limit}</Words>
            {check.wrongButPasses && (
              <>
                {' '}
                Here <Words>{toWords(check.wrongButPasses)}</Words> would pass too, and is wrong.
              </>
            )}
          </p>
        </section>
      ))}
    </div>
  )
}
