import { type AttemptRecord, judgeAttempt, techniqueById } from '@tachymetra/core'
import { Button } from 'antd'
import { useEffect, useMemo, useRef } from 'react'
import { Link } from 'react-router'
import type { LocalSitting } from '../data/store.js'
import { levelWords, slipName } from '../parts/words.js'
import { AttemptTable, PaceFigures, pacesOf, slipCounts } from '../record/figures.js'

/** What the sitting came to, from what this browser has kept: it needs no server. */
export function Summary({
  sitting,
  attempts,
}: {
  readonly sitting: LocalSitting
  readonly attempts: readonly AttemptRecord[]
}) {
  const head = useRef<HTMLHeadingElement>(null)
  useEffect(() => head.current?.focus(), [])
  const rows = useMemo(
    () =>
      attempts.map((record) => {
        const { entries, ...verdict } = judgeAttempt(record)
        return { ...record, ...verdict, slips: entries.flatMap((e) => e.slip ?? []) }
      }),
    [attempts],
  )
  const slips = slipCounts(rows.flatMap((r) => r.slips))
  return (
    <div className="stack" style={{ gap: '1.25rem' }}>
      <h1 ref={head} tabIndex={-1}>
        The sitting: {techniqueById(sitting.technique).name}, {levelWords(sitting.level)}
      </h1>
      <PaceFigures paces={pacesOf(rows)} />
      <section>
        <h2>Slips</h2>
        {slips.length === 0 ? (
          <p>None.</p>
        ) : (
          <ul className="plain-list">
            {slips.map(({ id, count }) => (
              <li key={id}>
                {count} × {slipName(id)}
              </li>
            ))}
          </ul>
        )}
      </section>
      <AttemptTable attempts={rows} />
      <div className="row">
        <Link to="/">
          <Button type="primary">Back to the desk</Button>
        </Link>
        <Link to="/record">See the record</Link>
      </div>
    </div>
  )
}
