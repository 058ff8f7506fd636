import { drillById } from '@tachymetra/core/drill'
import { type Best, newBestOf } from '@tachymetra/core/learner'
import { readProblem } from '@tachymetra/core/problem'
import { decimals } from '@tachymetra/core/question'
import { techniqueById } from '@tachymetra/core/registry'
import { twoWaysOf, twoWaysVerdict } from '@tachymetra/core/report'
import { type DoneAttempt, progressOf } from '@tachymetra/core/session'
import { type Recipe, scoreOf } from '@tachymetra/core/set'
import type { Tally } from '@tachymetra/core/technique'
import type { ItemPace } from '@tachymetra/core/wire'
import { extraTimeWords, levelReasonWords, newBestWords, slipName, times } from '@tachymetra/core/words'
import { Button } from 'antd'
import { useEffect, useMemo, useRef } from 'react'
import { Link } from 'react-router'
import { AttemptTable, ownBest, PaceFigures, pacesOf, slipCounts } from '../charts/figures.js'
import { useNeeds } from '../data/needs.js'
import { useBests, useLearners, useMoves } from '../data/queries.js'
import { NextUp } from '../frame/NextUp.js'
import type { LocalSession } from '../kept/store.js'
import { setName } from '../words/setName.js'
import { Words } from '../written/Words.js'
import { hasStart } from './ReadyGo.js'
import { Results } from './Results.js'

/** What the session came to, from what this browser has kept: it needs no server. */
export function Summary({ session }: { readonly session: LocalSession }) {
  const { attempts } = session
  const head = useRef<HTMLHeadingElement>(null)
  const { calm } = useNeeds()
  const learner = useLearners().data?.find((l) => l.id === session.learnerId)
  useEffect(() => head.current?.focus(), [])
  const rows = attempts.map(({ record, verdict }) => ({
    ...record,
    ...verdict,
    slips: verdict.entries.flatMap((e) => e.slips.map((s) => s.id)),
  }))
  const paces = pacesOf(rows)
  const bests = useBests(session.learnerId, { before: session.startedAt }).data
  const tallies = useMemo(() => tallyOf(attempts), [attempts])
  const slips = slipCounts(rows.flatMap((r) => r.slips))
  const extra = extraTimeWords(session.recipe.extraTime)
  const score = scoreOf(
    session.recipe,
    rows.map(({ n, right }) => ({ n, right })),
  )
  return (
    <div className="stack" style={{ gap: '1.25rem' }}>
      <h1 ref={head} tabIndex={-1}>
        The session: <Words>{setName(session.recipe)}</Words>
      </h1>
      {session.first && (
        <p className="advice">
          <strong>Your first session is done.</strong> From now on the desk says what to practise next.
        </p>
      )}
      {extra && (
        <p className="faint">
          <Words>{extra}</Words>
        </p>
      )}
      <Results session={session} answers={rows} />
      <Moved session={session} calm={calm} />
      {score !== undefined && <p>Score: {score}</p>}
      {isFaultless(rows) && (
        <p className="advice">
          <strong>All {rows.length} right first time.</strong>
        </p>
      )}
      <TwoWays recipe={session.recipe} answers={rows} calm={calm} />
      {!calm && !hasStart(session.recipe) && <Quickest paces={paces} bests={bests} />}
      {!session.first && !hasStart(session.recipe) && <PaceFigures paces={paces} bests={bests} calm={calm} />}
      {tallies && (
        <p>
          <Words>{tallies.what}</Words>: {tallies.found} of {tallies.of}
        </p>
      )}
      <section>
        <h2>Mistakes</h2>
        {slips.length === 0 ? (
          <p>
            {rows.some((r) => r.entries.some((e) => e.verdict === 'wrong'))
              ? 'None of a known kind; the wrong values are with their problems in the record.'
              : 'None.'}
          </p>
        ) : (
          <ul className="plain-list">
            {slips.map(({ id, count }) => (
              <li key={id}>
                {slipName(id)}: <Words>{times(count)}</Words>
              </li>
            ))}
          </ul>
        )}
      </section>
      <AttemptTable attempts={rows} calm={calm} />
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

/** What the times say where the same problems were worked in two ways. */
function TwoWays(props: {
  readonly recipe: Recipe
  readonly answers: Parameters<typeof twoWaysVerdict>[1]
  readonly calm: boolean
}) {
  const [source] = props.recipe.sources
  const both = source?.kind === 'listed' ? twoWaysOf(source.problems) : undefined
  if (!both || props.calm) return null
  return (
    <p className="advice">
      <Words>{twoWaysVerdict(both, props.answers).says}</Words>
    </p>
  )
}

/** From how many on it is worth a word that all were right (common practice). */
const WORTH_SAYING = 3

const isFaultless = (rows: readonly { readonly clean: boolean }[]) =>
  rows.length >= WORTH_SAYING && rows.every((r) => r.clean)

/** One thing that grew: said once, and only where there is something to compare with. */
function Quickest(props: {
  readonly paces: readonly ItemPace[]
  readonly bests: readonly Best[] | undefined
}) {
  const { paces, bests = [] } = props
  const [found] = paces.flatMap((pace) =>
    pace.support === 'answer' ? (newBestOf(pace, ownBest(pace, bests)) ?? []) : [],
  )
  if (!found) return null
  const { head, tail } = newBestWords(found)
  return (
    <p className="advice" role="status">
      <strong>{head}</strong> {tail}
    </p>
  )
}

/** The moves of level this session brought about, as soon as the server has judged it. */
function Moved({ session, calm }: { readonly session: LocalSession; readonly calm: boolean }) {
  const moves = useMoves(session.learnerId)
  const practised = new Set(session.recipe.sources.map((s) => ('technique' in s ? s.technique : '')))
  const its = moves.data?.filter((m) => practised.has(m.technique) && m.at >= session.startedAt) ?? []
  return (
    <div role="status">
      {its.map((m) => (
        <p key={m.id} className="advice">
          <strong>
            {m.to > m.from ? 'Moved up' : 'Gone back'} to level {m.to}.
          </strong>{' '}
          <Words>{levelReasonWords(m.reason, calm)}</Words>
        </p>
      ))}
    </div>
  )
}

/** What the technique measures besides time and slips, over all attempts worked to the end in steps. */
function tallyOf(attempts: readonly DoneAttempt[]): Tally | undefined {
  const tallies = attempts.flatMap(({ record, verdict }) => {
    // What no technique works has nothing of the kind.
    const tally = drillById(record.technique) ? undefined : techniqueById(record.technique).tally
    if (!tally || record.support === 'answer' || verdict.outcome !== 'done') return []
    return tally(readProblem(record.expression), decimals(progressOf(record).walks[0]!.entries))
  })
  const [first] = tallies
  const sum = (count: (tally: Tally) => number) => tallies.reduce((total, t) => total + count(t), 0)
  return first && { what: first.what, found: sum((t) => t.found), of: sum((t) => t.of) }
}
