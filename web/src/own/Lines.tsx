import type { OwnLine } from '@tachymetra/core/exchange'
import { problemWords, readProblem } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import { misfitsOf } from '@tachymetra/core/report'
import { count } from '@tachymetra/core/words'
import { useMemo } from 'react'
import { Fold } from '../frame/Fold.js'
import { Mark } from '../working/Mark.js'
import { Words } from '../written/Words.js'

/** Lines that are shown as they were read; of faults all. */
const SHOWN = 40

/** What was read: every fault at its line, and how the others are understood. */
export function Lines(props: { readonly lines: readonly OwnLine[]; readonly technique: string | null }) {
  const { lines, technique } = props
  const good = lines.flatMap((l) => ('problem' in l ? [l] : []))
  const bad = lines.flatMap((l) => ('error' in l ? [l] : []))
  const misfits = useMemo(
    () => misfitsOf({ technique, problems: lines.flatMap((l) => ('problem' in l ? [l.problem] : [])) }),
    [technique, lines],
  )
  if (lines.length === 0) return null
  return (
    <div className="stack tight">
      <p role="status">
        {count(good.length, 'problem')}
        {bad.length > 0 && `, ${count(bad.length, 'line')} with a fault`}.
        {misfits > 0 &&
          ` ${techniqueById(technique!).name} does not fit ${count(misfits, 'of them', 'of them')}: there the best way is taken.`}
      </p>
      {bad.length > 0 && (
        <ul className="plain-list own-faults" aria-label="Lines with a fault">
          {bad.map(({ line, text, error }) => (
            <li key={line}>
              <Mark right={false} /> Line {line}: <span className="mono">{text.slice(0, 60)}</span>{' '}
              <span className="said-slip">
                <Words>{error}</Words>
              </span>
            </li>
          ))}
        </ul>
      )}
      {good.length > 0 && (
        <Fold summary="As they are read">
          {() => (
            <ul className="plain-list own-lines">
              {good.slice(0, SHOWN).map(({ line, problem }) => (
                <li key={line}>
                  <span className="faint">{line}</span>{' '}
                  <span className="mono">
                    <Words>{problemWords(readProblem(problem.expression))}</Words>
                  </span>{' '}
                  {problem.technique && (
                    <span className="faint">{techniqueById(problem.technique).name}</span>
                  )}
                </li>
              ))}
              {good.length > SHOWN && <li className="faint">and {good.length - SHOWN} more</li>}
            </ul>
          )}
        </Fold>
      )}
    </div>
  )
}
