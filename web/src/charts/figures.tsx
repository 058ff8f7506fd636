/** Figures and tables shared by the summary of a session and the record. */

import { type Best, paceOf, rightPerMinute } from '@tachymetra/core/learner'
import { SUPPORT_NAMES, WORKED_SUPPORTS } from '@tachymetra/core/session'
import type { AttemptSummary, ItemPace } from '@tachymetra/core/wire'
import { seconds, slipName } from '@tachymetra/core/words'
import { Link } from 'react-router'
import { practiceNames, problemOf } from '../words/setName.js'
import { minuteWords } from '../words/words.js'
import { Mark } from '../working/Mark.js'
import { Words } from '../written/Words.js'
import { written } from '../written/written.js'
import { Wide } from './Wide.js'
import './figures.css'

/** Pace at each technique and level under each support that was used, most supported first. */
export function pacesOf(attempts: readonly AttemptSummary[]): ItemPace[] {
  const worked = new Map(attempts.map((a) => [`${a.technique} ${a.level}`, a]))
  return [...worked.values()].flatMap(({ technique, level }) =>
    WORKED_SUPPORTS.flatMap((support) => {
      const its = attempts.filter(
        (a) => a.technique === technique && a.level === level && a.support === support,
      )
      const counted = its.map((a) => ({ ...a, done: a.outcome === 'done' }))
      return its.length ? [{ technique, level, support, ...paceOf(counted) }] : []
    }),
  )
}

export function slipCounts(ids: readonly string[]): { id: string; count: number }[] {
  return [...new Set(ids)]
    .map((id) => ({ id, count: ids.filter((other) => other === id).length }))
    .sort((a, b) => b.count - a.count)
}

/** The best of one's own at what was worked. */
export function ownBest(pace: ItemPace, bests: readonly Best[]): Best | undefined {
  const { technique, level, support } = pace
  return bests.find((b) => b.technique === technique && b.level === level && b.support === support)
}

/** What a session came to. @param bests the best of one's own until then, once that is known */
export function PaceFigures({
  paces,
  bests,
  calm = false,
}: {
  /** Without times. */
  readonly calm?: boolean
  readonly paces: readonly ItemPace[]
  readonly bests?: readonly Best[] | undefined
}) {
  const mixed = practiceNames(paces).length > 1
  return (
    <>
      {paces.map((pace) => (
        <section key={headOf(pace, mixed)} aria-label={written(headOf(pace, mixed))}>
          <h2>
            <Words>{headOf(pace, mixed)}</Words>
          </h2>
          <dl className="figures">
            <Figure name="right" value={`${pace.right} of ${pace.attempts}`} />
            <Figure name="right first time" value={`${pace.clean}`} />
            {!calm && (
              <>
                <Figure name="median time" value={seconds(pace.medianMs)} />
                <Figure name="right a minute" value={minuteWords(rightPerMinute(pace))} />
                <Figure name="quickest right" value={seconds(pace.bestMs)} />
              </>
            )}
            {bests && !calm && (
              <Figure name="own best before" value={seconds(ownBest(pace, bests)?.bestMs)} />
            )}
          </dl>
        </section>
      ))}
    </>
  )
}

/** The support, and what was worked under it where there were several things. */
function headOf(pace: ItemPace, mixed: boolean): string {
  const support = SUPPORT_NAMES[pace.support]
  return mixed ? `${practiceNames([pace]).join()}: ${support.toLowerCase()}` : support
}

/** One figure of a list of them, its name below it. */
export function Figure({ name, value }: { readonly name: string; readonly value: string }) {
  return (
    <div>
      <dt>{name}</dt>
      <dd>
        <Words>{value}</Words>
      </dd>
    </div>
  )
}

/** The attempts of a session, a line each; with `linked`, each leads to its replay. */
export function AttemptTable({
  attempts,
  linked = false,
  calm = false,
}: {
  readonly calm?: boolean
  readonly attempts: readonly AttemptSummary[]
  readonly linked?: boolean
}) {
  return (
    <Wide label="The problems of the session">
      <table className="plain-table attempts">
        <thead>
          <tr>
            <th scope="col">No.</th>
            <th scope="col">Problem</th>
            <th scope="col" className="support">
              Support
            </th>
            <th scope="col">Result</th>
            {!calm && <th scope="col">Time</th>}
          </tr>
        </thead>
        <tbody>
          {attempts.map((a) => (
            <tr key={a.id}>
              <td>{a.n}</td>
              <th scope="row" className="mono">
                {linked ? (
                  <Link to={`/record/attempt/${a.id}`}>
                    <Words>{problemOf(a)}</Words>
                  </Link>
                ) : (
                  <Words>{problemOf(a)}</Words>
                )}
              </th>
              <td className="support">{SUPPORT_NAMES[a.support]}</td>
              <td>
                <Mark right={a.right} /> <Words>{verdictWord(a)}</Words>
                {a.slips.length > 0 && (
                  <span className="said-slip">: {a.slips.map(slipName).join(', ')}</span>
                )}
              </td>
              {!calm && (
                <td>
                  <Words>{a.timed ? seconds(a.totalMs) : 'not timed'}</Words>
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </Wide>
  )
}

const OUTCOME_WORDS = { skipped: 'skipped', stopped: 'stopped', 'timed-out': 'out of time' } as const

function verdictWord({ outcome, clean, right }: AttemptSummary): string {
  if (outcome !== 'done') return OUTCOME_WORDS[outcome]
  return clean ? 'right first time' : right ? 'right' : 'wrong first'
}
