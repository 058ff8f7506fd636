import { MOST_CSV } from '@tachymetra/core/exchange'
import type { LearnerWire } from '@tachymetra/core/wire'
import { Button, Table } from 'antd'
import { useState } from 'react'
import { recordChanged } from '../data/queries.js'
import { FilePick } from '../forms/FilePick.js'
import { useDoing } from '../forms/useDoing.js'
import { Trouble } from '../frame/Trouble.js'
import { call, LONG_MS } from '../wire/api.js'
import { Mark } from '../working/Mark.js'
import { Words } from '../written/Words.js'
import { type Incoming, type Line, readIncoming, store, takeOut } from './incoming.js'

/** Preview first: what will be stored, and what is wrong with each line that will not. */
export function BringIn({ learner }: { readonly learner: LearnerWire }) {
  const [incoming, setIncoming] = useState<Incoming>()
  const [name, setName] = useState('')
  const [fault, doing] = useDoing()
  const [done, setDone] = useState<number>()
  const [takenOut, setTakenOut] = useState(false)
  const pick = (file: File) =>
    doing(async () => {
      setIncoming(undefined)
      setDone(undefined)
      setTakenOut(false)
      setName(file.name)
      if (file.size > MOST_CSV) throw new Error('The file is larger than 20 MB.')
      setIncoming(readIncoming(await file.text(), learner.timeZone))
    })
  const lines = incoming?.lines ?? []
  const bad = lines.filter((l) => l.error)
  const good = lines.filter((l) => !l.error && !l.outcome)
  const stored = lines.filter((l) => l.outcome === 'stored')
  const bringIn = (what: Incoming) =>
    doing(async () => {
      const send = (path: string, body: object) => call<never>('POST', `/learners/${learner.id}${path}`, body)
      try {
        await store(what, send, (after, share) => {
          setIncoming(after)
          setDone(share)
        })
      } finally {
        recordChanged()
      }
    })
  const undo = (what: Incoming) =>
    doing(async () => {
      await takeOut(what, (path, body) => call('DELETE', `/learners/${learner.id}${path}`, body, LONG_MS))
      setTakenOut(true)
      setIncoming(undefined)
      recordChanged()
    })
  return (
    <section className="stack" aria-labelledby="in">
      <h2 id="in">Import</h2>
      <p>
        A CSV file of attempts, with these columns at least: technique, support, expression, started, events;
        or of facts: fact, started, right, total_ms. Each line is checked as if it were worked here; nothing
        is stored before you say so.
      </p>
      <div>
        <FilePick label="Choose a CSV file" accept=".csv,text/csv" onPick={(file) => void pick(file)} />
      </div>
      {fault && <Trouble error={fault} />}
      {takenOut && (
        <p role="status">
          Taken out again: the record is as it was before <bdi>{name}</bdi>.
        </p>
      )}
      {incoming && (
        <>
          <p role="status">
            <bdi>{name}</bdi>: {lines.length} lines read, {lines.length - bad.length} can be stored,{' '}
            {bad.length} cannot.
            {done !== undefined && ` ${stored.length} stored.`}
          </p>
          <div className="row">
            {done !== 1 && (
              <Button type="primary" disabled={good.length === 0} onClick={() => void bringIn(incoming)}>
                Store {good.length} {good.length === 1 ? incoming.one : incoming.many}
              </Button>
            )}
            <Button onClick={() => setIncoming(undefined)}>{done === undefined ? 'Cancel' : 'Close'}</Button>
            {done === 1 && stored.length > 0 && (
              <Button onClick={() => void undo(incoming)}>
                Undo: take {stored.length === 1 ? 'it' : `these ${stored.length}`} out again
              </Button>
            )}
            {done !== undefined && done < 1 && <progress value={done} aria-label="Stored" />}
          </div>
          <Table<Line>
            size="small"
            rowKey="line"
            // What is wrong comes first.
            dataSource={[...bad, ...lines.filter((l) => !l.error)]}
            pagination={{ pageSize: 20, showSizeChanger: false, hideOnSinglePage: true }}
            scroll={{ x: 'max-content' }}
            columns={[
              { title: 'Line', dataIndex: 'line' },
              {
                title: 'Result',
                render: (_, { error, outcome }) =>
                  error ? (
                    <>
                      <Mark right={false} />{' '}
                      <span className="said-slip fault">
                        <Words>{error}</Words>
                      </span>
                    </>
                  ) : (
                    (outcome ?? 'to be stored')
                  ),
              },
              ...incoming.columns.map((title, i) => ({
                title,
                render: (_: unknown, { cells }: Line) => <Words>{cells?.[i]}</Words>,
              })),
            ]}
          />
        </>
      )}
    </section>
  )
}
