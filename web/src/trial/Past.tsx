import { dayIn } from '@tachymetra/core/number'
import { type Trial, trialStanding } from '@tachymetra/core/set'
import type { LearnerWire } from '@tachymetra/core/wire'
import { resultWords } from '@tachymetra/core/words'
import { Button } from 'antd'
import { useCallback, useMemo } from 'react'
import { Link } from 'react-router'
import type { Ink } from '../charts/axis.js'
import { Chart } from '../charts/Chart.js'
import { handOut } from '../data/files.js'
import { useDoing } from '../forms/useDoing.js'
import { Trouble } from '../frame/Trouble.js'
import { when } from '../words/words.js'
import { Words } from '../written/Words.js'
import { writtenPlain } from '../written/written.js'
import { type Run, runTable, standingLines, trialChart, trialSheet } from './runs.js'

/** Runs that are listed below the chart. */
const LISTED = 8

/** One trial: what it is, and how it went from run to run. */
export function Past(props: {
  readonly trial: Trial
  /** Of all trials, newest first. */
  readonly all: readonly Run[]
  readonly learner: LearnerWire
  readonly onBegin: () => void
}) {
  const { trial, all, learner, onBegin } = props
  const { timeZone } = learner
  const runs = useMemo(() => all.filter((r) => r.recipe.trial === trial.id), [all, trial])
  const whole = useMemo(() => runs.filter((r) => r.result.whole).toReversed(), [runs])
  const standing = useMemo(() => trialStanding(whole.map((r) => r.result)), [whole])
  const draw = useCallback(
    (c: Ink) => (standing ? trialChart(c, trial, whole, standing, timeZone) : { traces: [], layout: {} }),
    [standing, trial, whole, timeZone],
  )
  return (
    <section className="stack past" aria-labelledby="past">
      <div className="row spread">
        <h2 id="past">{trial.name}</h2>
        <Button type="primary" onClick={onBegin}>
          Begin this trial
        </Button>
      </div>
      <p>
        <Words>{trial.about}</Words>
      </p>
      {!standing && <p className="faint">You have not finished it yet.</p>}
      {standing && whole.length === 1 && (
        <p>
          <Words>{standingLines(trial, standing)[0]}</Words>
        </p>
      )}
      {standing && whole.length > 1 && (
        <Chart
          says={standingLines(trial, standing).join(' ')}
          draw={draw}
          table={runTable(trial, whole, timeZone)}
        />
      )}
      <ol className="plain-list runs">
        {runs.slice(0, LISTED).map(({ id, startedAt, recipe, result }) => (
          <li key={id}>
            <Link to={recipe.paper ? `/papers/${id}` : `/record/session/${id}`}>
              {when(startedAt, timeZone)}
            </Link>
            : <Words>{resultWords(result.right, result.of, result.ms)}</Words>
            {!result.whole && ', not all worked'}
          </li>
        ))}
      </ol>
      {standing && (
        <Keep
          sheet={() =>
            trialSheet(
              learner.name,
              trial,
              whole,
              standing,
              timeZone,
              dayIn(new Date().toISOString(), timeZone),
            )
          }
        />
      )}
    </section>
  )
}

/** The runs as a sheet to keep, to print or to save. */
function Keep({ sheet }: { readonly sheet: () => ReturnType<typeof trialSheet> }) {
  const [fault, doing] = useDoing()
  const save = () =>
    doing(async () => {
      const { sheetPdf } = await import('../print/sheetPdf.js')
      const { title, lines, tables, day } = sheet()
      const own = (texts: readonly string[]) => texts.map((text) => writtenPlain(text))
      const made = {
        title,
        day,
        lines: own(lines),
        tables: tables.map((t) => ({ ...t, rows: t.rows.map(own) })),
      }
      handOut(`${title}.pdf`, 'application/pdf', new Uint8Array(await sheetPdf(title, [made])))
    })
  return (
    <div className="row">
      <Button onClick={() => void save()}>Save as a sheet to keep</Button>
      <Button onClick={() => window.print()}>Print</Button>
      {fault && <Trouble error={fault} />}
    </div>
  )
}
