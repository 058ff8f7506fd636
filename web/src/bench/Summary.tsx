import { readProblem } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import { progressOf } from '@tachymetra/core/session'
import type { Tally } from '@tachymetra/core/technique'
import { slipName } from '@tachymetra/core/words'
import { Button } from 'antd'
import { useEffect, useMemo, useRef } from 'react'
import { Link } from 'react-router'
import { useLearners, useMoves } from '../data/queries.js'
import type { LocalAttempt, LocalSitting } from '../data/store.js'
import { NextUp } from '../parts/NextUp.js'
import { levelWords } from '../parts/words.js'
import { AttemptTable, PaceFigures, pacesOf, slipCounts } from '../record/figures.js'

/** What the sitting came to, from what this browser has kept: it needs no server. */
export function Summary({
  sitting,
  attempts,
}: {
  readonly sitting: LocalSitting
  readonly attempts: readonly LocalAttempt[]
}) {
  const head = useRef<HTMLHeadingElement>(null)
  const learner = useLearners().data?.find((l) => l.id === sitting.learnerId)
  useEffect(() => head.current?.focus(), [])
  const rows = attempts.map(({ record, verdict }) => ({
    ...record,
    ...verdict,
    slips: verdict.entries.flatMap((e) => e.slips.map((s) => s.id)),
  }))
  const tallies = useMemo(() => tallyOf(attempts), [attempts])
  const slips = slipCounts(rows.flatMap((r) => r.slips))
  return (
    <div className="stack" style={{ gap: '1.25rem' }}>
      <h1 ref={head} tabIndex={-1}>
        The sitting: {techniqueById(sitting.technique).name}, {levelWords(sitting.level)}
      </h1>
      <Moved sitting={sitting} />
      <PaceFigures paces={pacesOf(rows)} />
      {tallies && (
        <p>
          {tallies.what}: {tallies.found} of {tallies.of}
        </p>
      )}
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
        {learner && <NextUp learner={learner} />}
        <Link to="/">
          <Button>Back to the desk</Button>
        </Link>
        <Link to="/record">See the record</Link>
      </div>
    </div>
  )
}

/** The moves of level this sitting brought about, as soon as the server has judged it. */
function Moved({ sitting }: { readonly sitting: LocalSitting }) {
  const moves = useMoves(sitting.learnerId)
  const its = moves.data?.filter((m) => m.technique === sitting.technique && m.at >= sitting.startedAt) ?? []
  return (
    <div role="status">
      {its.map((m) => (
        <p key={m.id} className="advice">
          <strong>
            {m.to > m.from ? 'Moved up' : 'Gone back'} to level {m.to}.
          </strong>{' '}
          {m.because}
        </p>
      ))}
    </div>
  )
}

/** What the technique measures besides time and slips, over all attempts worked to the end in steps. */
function tallyOf(attempts: readonly LocalAttempt[]): Tally | undefined {
  const tallies = attempts.flatMap(({ record, verdict }) => {
    const { tally } = techniqueById(record.technique)
    if (!tally || record.support === 'answer' || verdict.outcome !== 'done') return []
    return tally(readProblem(record.expression), progressOf(record).walks[0]!.entries)
  })
  const [first] = tallies
  const sum = (count: (tally: Tally) => number) => tallies.reduce((total, t) => total + count(t), 0)
  return first && { what: first.what, found: sum((t) => t.found), of: sum((t) => t.of) }
}
