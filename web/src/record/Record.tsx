import { FACT_DECKS, factById } from '@tachymetra/core/facts'
import { rightPerMinute, slowFacts } from '@tachymetra/core/learner'
import { techniqueById } from '@tachymetra/core/registry'
import { SUPPORT_NAMES, SUPPORTS, WORKED_SUPPORTS, type WorkedSupport } from '@tachymetra/core/session'
import type { LearnerWire, MoveWire, PacePoint, PractisedWire, SessionWire } from '@tachymetra/core/wire'
import { levelReasonWords, seconds, slipName } from '@tachymetra/core/words'
import { Button, Select, Table } from 'antd'
import { useCallback, useState } from 'react'
import { Link } from 'react-router'
import { useLearnerSettings } from '../data/learnerSettings.js'
import {
  useFacts,
  useMoveBack,
  useMoves,
  usePractised,
  useProgress,
  useSessions,
  useTimes,
} from '../data/queries.js'
import { changeSettings, useSettings } from '../data/settings.js'
import { FactHeat } from '../parts/FactHeat.js'
import { LearnerSelect } from '../parts/LearnerSelect.js'
import { Loading } from '../parts/Loading.js'
import { OneLearner } from '../parts/OneLearner.js'
import { practiceNames } from '../parts/setName.js'
import { Trouble } from '../parts/Trouble.js'
import { when } from '../parts/words.js'
import { Days } from './Days.js'
import { PaceSection } from './PaceSection.js'
import { Slips } from './Slips.js'
import './record.css'

/** What a learner has done: days, pace and accuracy, slips, facts, levels, and every session. */
export default function Record() {
  return (
    <OneLearner>
      {(learner, all) => (
        <div className="stack" style={{ gap: '1.75rem' }}>
          <div className="row">
            <h1 id="whose">The record of</h1>
            <LearnerSelect learner={learner} all={all} labelledBy="whose" />
            <Link to="/record/sheet">Progress sheet</Link>
            <Link to="/record/exchange">Export and import</Link>
          </div>
          <Sections key={learner.id} learner={learner} />
        </div>
      )}
    </OneLearner>
  )
}

const SPANS = [
  { value: 28, label: 'last 4 weeks' },
  { value: 91, label: 'last 13 weeks' },
  { value: 0, label: 'all there is' },
]

function Sections({ learner }: { readonly learner: LearnerWire }) {
  const practised = usePractised(learner.id)
  const progress = useProgress(learner.id)
  const settings = useLearnerSettings(learner.id)
  const [chosen, setChosen] = useState<string>()
  const [support, setSupport] = useState<WorkedSupport>()
  const [span, setSpan] = useState(91)
  const [now] = useState(() => Date.now())
  const keep = useCallback(
    (p: PacePoint) =>
      (!support || p.support === support) && (span === 0 || Date.parse(p.at) > now - span * 86_400_000),
    [support, span, now],
  )
  if (practised.isPending || progress.isPending) return <Loading />
  if (practised.isLoadingError) return <Trouble error={practised.error} retry={() => practised.refetch()} />
  if (progress.isLoadingError) return <Trouble error={progress.error} retry={() => progress.refetch()} />
  // Without a choice, what was worked most lately stands where only one technique can be shown.
  const technique = chosen ?? mostWorked(practised.data)
  return (
    <>
      {practised.data.length === 0 && progress.data.facts.length === 0 && (
        <p>
          Nothing has been practised yet. <Link to="/">Begin at the desk</Link>; every problem worked then
          stands here, with its time and its mistakes.
        </p>
      )}
      <Days learnerId={learner.id} today={progress.data.day} minutes={settings.minutes} />
      {technique && (
        <section className="stack" aria-labelledby="pace">
          <div className="row">
            <h2 id="pace">Pace and accuracy</h2>
            <Select
              aria-label="Technique"
              value={chosen ?? ''}
              options={[
                { value: '', label: `All; here: ${techniqueById(technique).name}` },
                ...practised.data.map((p) => ({
                  value: p.technique,
                  label: techniqueById(p.technique).name,
                })),
              ]}
              onChange={(id) => setChosen(id || undefined)}
              style={{ minWidth: '15rem' }}
            />
            <Select
              aria-label="Support"
              value={support ?? ''}
              options={[
                { value: '', label: 'any support' },
                ...WORKED_SUPPORTS.map((s) => ({ value: s, label: SUPPORT_NAMES[s] })),
              ]}
              onChange={(s) =>
                setSupport(SUPPORTS.includes(s as WorkedSupport) ? (s as WorkedSupport) : undefined)
              }
              style={{ minWidth: '9rem' }}
            />
            <Select
              aria-label="Time"
              value={span}
              options={SPANS}
              onChange={setSpan}
              style={{ minWidth: '9rem' }}
            />
          </div>
          <PaceSection learner={learner} technique={technique} settings={settings} keep={keep} />
        </section>
      )}
      <Slips learnerId={learner.id} {...(chosen && { technique: chosen })} />
      <Facts learnerId={learner.id} />
      <Moves learner={learner} technique={chosen} />
      <Sessions learnerId={learner.id} timeZone={learner.timeZone} technique={chosen} />
    </>
  )
}

/** The technique with the most problems in the fortnight before the latest session. */
function mostWorked(practised: readonly PractisedWire[]): string | undefined {
  return practised.toSorted((a, b) => b.lately - a.lately)[0]?.technique
}

function Facts({ learnerId }: { readonly learnerId: string }) {
  const { factDeck } = useSettings()
  const { extraTime } = useLearnerSettings(learnerId)
  const facts = useFacts(learnerId)
  const times = useTimes(learnerId)
  const deck = FACT_DECKS.find((d) => d.id === factDeck) ?? FACT_DECKS[1]!
  if (facts.isPending) return <Loading />
  if (facts.isLoadingError) return <Trouble error={facts.error} retry={() => facts.refetch()} />
  const slow = times.data ? slowFacts(times.data).slice(0, 8) : []
  return (
    <section className="stack" aria-labelledby="facts">
      <div className="row">
        <h2 id="facts">Facts</h2>
        <Select
          aria-label="Deck"
          value={deck.id}
          options={FACT_DECKS.map((d) => ({ value: d.id, label: d.name }))}
          onChange={(id) => changeSettings({ factDeck: id })}
          style={{ minWidth: '14rem' }}
        />
      </div>
      <FactHeat deck={deck} standings={facts.data} times={times.data} extraTime={extraTime} />
      {slow.length > 0 && (
        <div>
          <p>
            <strong>Facts that slow you down</strong>{' '}
            <span className="faint">(from {times.data!.seen} of the latest steps and recalls)</span>
          </p>
          <ul className="plain-list misfits">
            {slow.map(({ fact, because }) => (
              <li key={fact}>
                <span className="mono">{factById(fact)!.card.ask}</span>: {because}
              </li>
            ))}
          </ul>
        </div>
      )}
    </section>
  )
}

const SHOWN_MOVES = 8

function Moves({
  learner,
  technique,
}: {
  readonly learner: LearnerWire
  readonly technique: string | undefined
}) {
  const moves = useMoves(learner.id)
  const moveBack = useMoveBack(learner.id)
  const [all, setAll] = useState(false)
  if (moves.isPending) return <Loading />
  if (moves.isLoadingError) return <Trouble error={moves.error} retry={() => moves.refetch()} />
  const its = moves.data.filter((m) => !technique || m.technique === technique)
  const latest = (m: MoveWire) => moves.data.find((o) => o.technique === m.technique) === m
  return (
    <section className="stack" aria-labelledby="moves">
      <h2 id="moves">Levels: every move and its reason</h2>
      {its.length === 0 ? (
        <p>None yet.</p>
      ) : (
        <ul className="plain-list moves">
          {its.slice(0, all ? its.length : SHOWN_MOVES).map((m) => (
            <li key={m.id}>
              <span className="faint">{when(m.at, learner.timeZone)}</span>{' '}
              <strong>
                {techniqueById(m.technique).name}: level {m.from} to {m.to}
              </strong>{' '}
              {levelReasonWords(m.reason)}{' '}
              {latest(m) && (
                <button type="button" className="key-button" onClick={() => moveBack.mutate(m)}>
                  Undo
                  <span className="sr-only">
                    : {techniqueById(m.technique).name} to level {m.from}
                  </span>
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
      {its.length > SHOWN_MOVES && !all && (
        <div>
          <Button onClick={() => setAll(true)}>All {its.length}</Button>
        </div>
      )}
    </section>
  )
}

function Sessions(props: {
  readonly learnerId: string
  readonly timeZone: string
  readonly technique: string | undefined
}) {
  const { learnerId, timeZone, technique } = props
  const sessions = useSessions(learnerId, technique)
  if (sessions.isPending) return <Loading />
  if (sessions.isLoadingError) return <Trouble error={sessions.error} retry={() => sessions.refetch()} />
  return (
    <section className="stack">
      <h2>Sessions</h2>
      <Table<SessionWire>
        size="small"
        rowKey="id"
        dataSource={sessions.data.pages.flatMap((p) => p.sessions)}
        pagination={false}
        scroll={{ x: 'max-content' }}
        locale={{ emptyText: 'None yet.' }}
        columns={[
          {
            title: 'When',
            render: (_, s) => <Link to={`/record/session/${s.id}`}>{when(s.startedAt, timeZone)}</Link>,
          },
          { title: 'What', render: (_, s) => practiceNames(s.paces).join('; ') },
          { title: 'Support', render: (_, s) => s.paces.map((p) => SUPPORT_NAMES[p.support]).join(', ') },
          { title: 'Right', render: (_, s) => s.paces.map((p) => `${p.right} of ${p.attempts}`).join(', ') },
          { title: 'Median time', render: (_, s) => s.paces.map((p) => seconds(p.medianMs)).join(', ') },
          {
            title: 'Right a minute',
            render: (_, s) => s.paces.map((p) => rightPerMinute(p)?.toFixed(1) ?? '–').join(', '),
          },
          {
            title: 'Mistakes',
            render: (_, s) => s.slips.map((x) => `${x.count} × ${slipName(x.id)}`).join(', '),
          },
        ]}
      />
      {sessions.hasNextPage && (
        <div>
          <Button onClick={() => sessions.fetchNextPage()} loading={sessions.isFetchingNextPage}>
            Earlier sessions
          </Button>
        </div>
      )}
    </section>
  )
}
