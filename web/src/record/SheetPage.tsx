import { masteryOf } from '@tachymetra/core/curriculum'
import { type Sheet, sheetOf } from '@tachymetra/core/report'
import type { LearnerWire } from '@tachymetra/core/wire'
import { Button } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { handOut } from '../data/files.js'
import { useLearnerSettingsQuery } from '../data/learnerSettings.js'
import { useDays, useMoves, useProgress, useSlips } from '../data/queries.js'
import { Loading } from '../parts/Loading.js'
import { OneLearner } from '../parts/OneLearner.js'
import { Trouble } from '../parts/Trouble.js'
import { Wide } from '../parts/Wide.js'
import './record.css'

/** The progress sheet, to be printed or kept as PDF. */
export default function SheetPage() {
  return <OneLearner>{(learner) => <Made key={learner.id} learner={learner} />}</OneLearner>
}

function Made({ learner }: { readonly learner: LearnerWire }) {
  const { id, name } = learner
  const [progress, settings, days, moves, slips] = [
    useProgress(id),
    useLearnerSettingsQuery(id),
    useDays(id),
    useMoves(id),
    useSlips(id),
  ]
  const failed = [progress, settings, days, moves, slips].find((q) => q.isLoadingError)
  if (failed) return <Trouble error={failed.error!} retry={() => failed.refetch()} />
  if (!progress.data || !settings.data || !days.data || !moves.data || !slips.data) return <Loading />
  const sheet = sheetOf({
    name,
    day: progress.data.day,
    settings: settings.data,
    moves: moves.data,
    mastery: masteryOf({ ...settings.data, latest: progress.data.latest, moves: progress.data.moves }),
    days: days.data,
    facts: progress.data.facts,
    slips: slips.data,
  })
  return <Shown sheet={sheet} />
}

function Shown({ sheet }: { readonly sheet: Sheet }) {
  const [fault, setFault] = useState<Error>()
  const asPdf = async () => {
    try {
      const { sheetPdf } = await import('./sheetPdf.js')
      handOut(`${sheet.title}.pdf`, 'application/pdf', new Uint8Array(await sheetPdf(sheet)))
    } catch (error) {
      setFault(error as Error)
    }
  }
  return (
    <div className="stack sheet" style={{ gap: '1.25rem' }}>
      <div className="row spread no-print">
        <Link to="/record">Record</Link>
        <span className="row">
          <Button onClick={() => window.print()}>Print</Button>
          <Button type="primary" onClick={() => void asPdf()}>
            Save as PDF
          </Button>
        </span>
      </div>
      {fault && <Trouble error={fault} />}
      <h1>{sheet.title}</h1>
      {sheet.lines.map((line) => (
        <p key={line}>{line}</p>
      ))}
      {sheet.tables.map((table) => (
        <Wide key={table.title} label={table.title}>
          <table className="plain-table">
            <caption>{table.title}</caption>
            <thead>
              <tr>
                {table.columns.map((c) => (
                  <th key={c} scope="col">
                    {c}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {table.rows.map((row) => (
                <tr key={row.join()}>
                  {row.map((cell, i) => (
                    <td key={table.columns[i]} className={cell.endsWith('.') ? 'sentence' : undefined}>
                      {cell}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </Wide>
      ))}
    </div>
  )
}
