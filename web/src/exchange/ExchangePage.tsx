import { type AttemptRow, MOST_CSV, type ReadRow, readCsv } from '@tachymetra/core/exchange'
import { problemWords, readProblem } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import { durationOf } from '@tachymetra/core/session'
import {
  type BroughtInAnswer,
  type LearnerWire,
  MOST_BROUGHT_IN,
  MOST_TAKEN_OUT,
} from '@tachymetra/core/wire'
import { seconds } from '@tachymetra/core/words'
import { Button, Table } from 'antd'
import { useState } from 'react'
import { useOutletContext } from 'react-router'
import { call, LONG_MS } from '../data/api.js'
import { recordChanged } from '../data/queries.js'
import { FilePick } from '../parts/FilePick.js'
import { Mark } from '../parts/Mark.js'
import { Trouble } from '../parts/Trouble.js'
import { levelWords, when } from '../parts/words.js'
import { written } from '../written/written.js'

/** A learner's record taken out in open formats, and attempts brought in. */
export default function ExchangePage() {
  const learner = useOutletContext<LearnerWire>()
  const base = `/api/learners/${learner.id}`
  return (
    <div className="stack" style={{ gap: '1.5rem' }}>
      <section className="stack">
        <h2>Export</h2>
        <p>
          Tables for spreadsheets (CSV): every attempt with every entry, which can be imported again; every
          fact asked; every change of level. The description (a Frictionless data package) tells programs what
          each column holds. Learning records (xAPI) are for a record store: they name the learner by a number
          only.
        </p>
        <div className="row">
          <Button href={`${base}/attempts.csv`} download>
            Attempts as CSV
          </Button>
          <Button href={`${base}/facts.csv`} download>
            Facts as CSV
          </Button>
          <Button href={`${base}/levels.csv`} download>
            Levels as CSV
          </Button>
          <Button href={`${base}/datapackage.json`} download>
            Description of the tables
          </Button>
          <Button href={`${base}/statements.json`} download>
            Learning records (xAPI)
          </Button>
        </div>
      </section>
      <BringIn learner={learner} />
    </div>
  )
}

type Row = ReadRow & { readonly outcome?: string }

/** Preview first: what will be stored, and what is wrong with each line that will not. */
function BringIn({ learner }: { readonly learner: LearnerWire }) {
  const [rows, setRows] = useState<readonly Row[]>()
  const [name, setName] = useState('')
  const [fault, setFault] = useState<Error>()
  const [done, setDone] = useState<number>()
  const [takenOut, setTakenOut] = useState(false)
  const pick = async (file: File) => {
    setRows(undefined)
    setDone(undefined)
    setTakenOut(false)
    setFault(undefined)
    setName(file.name)
    try {
      if (file.size > MOST_CSV) throw new Error('The file is larger than 20 MB.')
      setRows(readCsv(await file.text(), () => crypto.randomUUID()))
    } catch (error) {
      setFault(error as Error)
    }
  }
  const good = rows?.filter((r) => 'row' in r && !r.outcome) ?? []
  const bad = rows?.filter((r) => 'error' in r) ?? []
  const bringIn = async () => {
    setFault(undefined)
    const outcomes = new Map<number, string>()
    try {
      for (let i = 0; i < good.length; i += MOST_BROUGHT_IN / 2) {
        const some = good.slice(i, i + MOST_BROUGHT_IN / 2)
        const body = { rows: some.map((r) => (r as { row: AttemptRow }).row) }
        const answers = await call<BroughtInAnswer>('POST', `/learners/${learner.id}/attempts`, body)
        for (const [k, answer] of answers.entries())
          outcomes.set(
            some[k]!.line,
            'error' in answer ? answer.error : answer.stored ? 'stored' : 'was there already',
          )
        setDone(Math.min(1, (i + some.length) / good.length))
      }
    } catch (error) {
      setFault(error as Error)
    }
    setRows(rows?.map((r) => ({ ...r, ...(outcomes.has(r.line) && { outcome: outcomes.get(r.line)! }) })))
    recordChanged()
  }
  const stored = rows?.filter((r) => r.outcome === 'stored') ?? []
  const takeOut = async () => {
    setFault(undefined)
    try {
      const ids = stored.flatMap((r) => ('row' in r ? [r.row.attempt.id] : []))
      for (let i = 0; i < ids.length; i += MOST_TAKEN_OUT)
        await call(
          'DELETE',
          `/learners/${learner.id}/attempts`,
          { ids: ids.slice(i, i + MOST_TAKEN_OUT) },
          LONG_MS,
        )
      setTakenOut(true)
      setRows(undefined)
    } catch (error) {
      setFault(error as Error)
    }
    recordChanged()
  }
  return (
    <section className="stack" aria-labelledby="in">
      <h2 id="in">Import</h2>
      <p>
        A CSV file with these columns at least: technique, support, expression, started, events. Each line is
        checked as if it were worked here; nothing is stored before you say so.
      </p>
      <div>
        <FilePick label="Choose a CSV file" accept=".csv,text/csv" onPick={(file) => void pick(file)} />
      </div>
      {fault && <Trouble error={fault} />}
      {takenOut && <p role="status">Taken out again: the record is as it was before {name}.</p>}
      {rows && (
        <>
          <p role="status">
            {name}: {rows.length} lines read, {rows.length - bad.length} can be stored, {bad.length} cannot.
            {done !== undefined && ` ${stored.length} stored.`}
          </p>
          <div className="row">
            {done !== 1 && (
              <Button type="primary" disabled={good.length === 0} onClick={() => void bringIn()}>
                Store {good.length} {good.length === 1 ? 'attempt' : 'attempts'}
              </Button>
            )}
            <Button onClick={() => setRows(undefined)}>{done === undefined ? 'Cancel' : 'Close'}</Button>
            {done === 1 && stored.length > 0 && (
              <Button onClick={() => void takeOut()}>
                Undo: take {stored.length === 1 ? 'it' : `these ${stored.length}`} out again
              </Button>
            )}
            {done !== undefined && done < 1 && <progress value={done} aria-label="Stored" />}
          </div>
          <Table<Row>
            size="small"
            rowKey="line"
            // What is wrong comes first.
            dataSource={[...bad, ...rows.filter((r) => !('error' in r))]}
            pagination={{ pageSize: 20, showSizeChanger: false, hideOnSinglePage: true }}
            scroll={{ x: 'max-content' }}
            columns={[
              { title: 'Line', dataIndex: 'line' },
              {
                title: 'Result',
                render: (_, r) =>
                  'error' in r ? (
                    <>
                      <Mark right={false} /> <span className="said-slip fault">{r.error}</span>
                    </>
                  ) : (
                    (r.outcome ?? 'to be stored')
                  ),
              },
              {
                title: 'Problem',
                render: (_, r) =>
                  'row' in r && <span className="mono">{problemWords(readProblem(r.expression))}</span>,
              },
              {
                title: 'Technique',
                render: (_, r) =>
                  'row' in r &&
                  `${techniqueById(r.row.attempt.technique).name}, ${levelWords(r.row.attempt.level)}`,
              },
              {
                title: 'When',
                render: (_, r) => 'row' in r && when(r.row.attempt.startedAt, learner.timeZone),
              },
              {
                title: 'Time',
                render: (_, r) => 'row' in r && written(seconds(durationOf(r.row.attempt.events))),
              },
            ]}
          />
        </>
      )}
    </section>
  )
}
