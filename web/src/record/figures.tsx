/** Figures and tables shared by the summary of a sitting and the record. */
import { paceOf, perMinute } from '@tachymetra/core/learner'
import { problemWords, readProblem } from '@tachymetra/core/problem'
import { SUPPORT_NAMES, WORKED_SUPPORTS } from '@tachymetra/core/session'
import type { AttemptSummary, SupportPace } from '@tachymetra/core/wire'
import { slipName } from '@tachymetra/core/words'
import { Table } from 'antd'
import { Link } from 'react-router'
import { Mark } from '../parts/Mark.js'
import { seconds } from '../parts/words.js'

/** Pace under each support that was used, most supported first. */
export function pacesOf(attempts: readonly AttemptSummary[]): SupportPace[] {
  return WORKED_SUPPORTS.flatMap((support) => {
    const its = attempts.filter((a) => a.support === support)
    return its.length ? [{ support, ...paceOf(its.map((a) => ({ ...a, done: a.outcome === 'done' }))) }] : []
  })
}

export function slipCounts(ids: readonly string[]): { id: string; count: number }[] {
  return [...new Set(ids)]
    .map((id) => ({ id, count: ids.filter((other) => other === id).length }))
    .sort((a, b) => b.count - a.count)
}

export function PaceFigures({ paces }: { readonly paces: readonly SupportPace[] }) {
  return (
    <>
      {paces.map((pace) => (
        <section key={pace.support} aria-label={SUPPORT_NAMES[pace.support]}>
          <h2>{SUPPORT_NAMES[pace.support]}</h2>
          <dl className="figures">
            <Figure name="right" value={`${pace.right} of ${pace.attempts}`} />
            <Figure name="right first time" value={`${pace.clean}`} />
            <Figure name="median time" value={seconds(pace.medianMs)} />
            <Figure name="problems a minute" value={perMinute(pace)?.toFixed(1) ?? '–'} />
            <Figure name="best" value={seconds(pace.bestMs)} />
          </dl>
        </section>
      ))}
    </>
  )
}

function Figure({ name, value }: { readonly name: string; readonly value: string }) {
  return (
    <div>
      <dt>{name}</dt>
      <dd>{value}</dd>
    </div>
  )
}

/** The attempts of a sitting, a line each; with `linked`, each leads to its replay. */
export function AttemptTable({
  attempts,
  linked = false,
}: {
  readonly attempts: readonly AttemptSummary[]
  readonly linked?: boolean
}) {
  return (
    <Table<AttemptSummary>
      size="small"
      rowKey="id"
      dataSource={attempts}
      pagination={false}
      columns={[
        { title: 'No.', dataIndex: 'n' },
        {
          title: 'Problem',
          render: (_, a) => {
            const text = problemWords(readProblem(a.expression))
            return (
              <span className="mono" style={{ overflowWrap: 'anywhere' }}>
                {linked ? <Link to={`/record/attempt/${a.id}`}>{text}</Link> : text}
              </span>
            )
          },
        },
        { title: 'Support', responsive: ['sm'], render: (_, a) => SUPPORT_NAMES[a.support] },
        {
          title: 'Verdict',
          render: (_, a) => (
            <>
              <Mark right={a.right} /> {verdictWord(a)}
              {a.slips.length > 0 && <span className="said-slip">: {a.slips.map(slipName).join(', ')}</span>}
            </>
          ),
        },
        { title: 'Time', render: (_, a) => (a.timed ? seconds(a.totalMs) : 'not timed') },
      ]}
    />
  )
}

const OUTCOME_WORDS = { skipped: 'skipped', stopped: 'stopped', 'timed-out': 'out of time' } as const

function verdictWord({ outcome, clean, right }: AttemptSummary): string {
  if (outcome !== 'done') return OUTCOME_WORDS[outcome]
  return clean ? 'right first time' : right ? 'right' : 'not at first'
}
