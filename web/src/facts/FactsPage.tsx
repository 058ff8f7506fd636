import { FACT_DECKS, type FactCard, type FactDeck } from '@tachymetra/core/facts'
import { type RecallPace, recallLimit, toAsk } from '@tachymetra/core/learner'
import { MOST_ITEMS, plainRecipe } from '@tachymetra/core/set'
import type { FactStanding, LearnerWire } from '@tachymetra/core/wire'
import { seconds } from '@tachymetra/core/words'
import { Button, InputNumber } from 'antd'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { FACT_STATES, FactHeat, factsOf, type KnownFact } from '../charts/FactHeat.js'
import { ownSession } from '../data/begin.js'
import { freshRandom } from '../data/fresh.js'
import { useLearnerSettings } from '../data/learnerSettings.js'
import { usePlan } from '../data/plan.js'
import { useFacts, useTimes } from '../data/queries.js'
import { useRecallPace } from '../data/recallPace.js'
import { changeSettings, useSettings } from '../data/settings.js'
import { Loading } from '../frame/Loading.js'
import { NextUp } from '../frame/NextUp.js'
import { OneLearner } from '../frame/OneLearner.js'
import { Trouble } from '../frame/Trouble.js'
import type { LocalSession } from '../kept/store.js'
import { Words } from '../written/Words.js'
import { Drill, KeyingNote } from './Drill.js'
import { Keying } from './Keying.js'
import './facts.css'

/** Facts recalled at a glance: what is due, the drill, and which come slowly. */
export default function FactsPage() {
  const [search, setSearch] = useSearchParams()
  const today = search.has('today')
  const keying = search.has('keying')
  const all = () => setSearch({}, { replace: true })
  return (
    <OneLearner>
      {(learner) =>
        keying ? (
          <Keying learnerId={learner.id} onEnd={all} />
        ) : today ? (
          <PlannedRound key={learner.id} learner={learner} onEnd={all} />
        ) : (
          <Known key={learner.id} learner={learner} />
        )
      }
    </OneLearner>
  )
}

/** Some facts as a set: one missed or too slow comes once more at the end. */
function factSet(learnerId: string, facts: readonly string[]): LocalSession {
  const rule = { kind: 'repeat-missed' } as const
  return ownSession(learnerId, { ...plainRecipe([{ kind: 'facts', facts }], 'answer'), rule })
}

/** The facts of today's plan, as they were when the round began. */
function PlannedRound({ learner, onEnd }: { readonly learner: LearnerWire; readonly onEnd: () => void }) {
  const plan = usePlan(learner)
  const [set, setSet] = useState<LocalSession | 'nothing'>()
  if (!plan) return <Loading />
  if (!set) {
    const facts = plan.items.find((item) => item.kind === 'facts')?.facts ?? []
    setSet(facts.length === 0 ? 'nothing' : factSet(learner.id, facts))
    return <Loading />
  }
  if (set === 'nothing')
    return (
      <div className="stack">
        <h1>The facts of today are done</h1>
        <div>
          <Button type="primary" onClick={onEnd}>
            To all facts
          </Button>
        </div>
      </div>
    )
  return <Drill set={set} learnerId={learner.id} onEnd={onEnd} after={<NextUp learner={learner} />} />
}

function Known({ learner }: { readonly learner: LearnerWire }) {
  const { id: learnerId, name } = learner
  const facts = useFacts(learnerId)
  const times = useTimes(learnerId)
  const [set, setSet] = useState<LocalSession>()
  if (facts.isPending || times.isPending) return <Loading />
  if (facts.isLoadingError) return <Trouble error={facts.error} retry={() => facts.refetch()} />
  if (set) return <Drill set={set} learnerId={learnerId} onEnd={() => setSet(undefined)} />
  return (
    <div className="stack" style={{ gap: '1.25rem' }}>
      <h1>
        Facts{' '}
        <span className="faint" style={{ fontWeight: 400 }}>
          of <bdi>{name}</bdi>
        </span>
      </h1>
      <Choosing
        learnerId={learnerId}
        standings={facts.data}
        onStart={(cards) =>
          setSet(
            factSet(
              learnerId,
              cards.map((c) => c.id),
            ),
          )
        }
      />
      <KeyingNote learnerId={learnerId} />
    </div>
  )
}

/** What counts as known, in time. */
function limitWords(deck: FactDeck, pace: RecallPace, calm: boolean): string {
  const limit = recallLimit(deck, pace)
  if (limit === null) return 'Take the time you need: a right answer counts as known.'
  if (calm) return 'What does not come quickly is asked again sooner.'
  const [own, usual] = [seconds(limit), seconds(deck.withinMs)]
  const usually = limit > deck.withinMs ? 'practice leads to' : 'the usual is'
  const leads = own === usual ? '' : ` (${usually} ${usual})`
  const whose = pace.share === undefined || pace.ownPace === false ? '' : ', which follows your own answers'
  return `Within ${own} of thinking it counts as known${whose}${leads}; slower answers are asked again sooner.`
}

function dueWords(due: number): string {
  if (due === 1) return 'The one that is due'
  return due > MOST_ITEMS ? `${MOST_ITEMS} of the ${due} that are due` : `All ${due} that are due`
}

function Choosing({
  learnerId,
  standings,
  onStart,
}: {
  readonly learnerId: string
  readonly standings: readonly FactStanding[]
  readonly onStart: (cards: readonly FactCard[]) => void
}) {
  const { factDeck, factCount } = useSettings()
  const { calm } = useLearnerSettings(learnerId)
  const pace = useRecallPace(learnerId)
  const times = useTimes(learnerId)
  const [now] = useState(() => new Date().toISOString())
  const dueIn = (deck: FactDeck) =>
    standings.filter((s) => s.due <= now && deck.cards.some((c) => c.id === s.fact)).length
  const due = standings.filter((s) => s.due <= now).length
  const deck = FACT_DECKS.find((d) => d.id === factDeck) ?? FACT_DECKS[1]!
  const known = { standings, times: times.data, pace }
  const begin = (decks: readonly FactDeck[], most: number) => {
    const random = freshRandom()
    onStart(toAsk(decks, standings, now, most, random, { ahead: true }))
  }
  return (
    <>
      {due > 0 && (
        <div>
          <Button type="primary" size="large" onClick={() => begin(FACT_DECKS, Math.min(due, MOST_ITEMS))}>
            {dueWords(due)}
          </Button>
        </div>
      )}
      <div className="decks">
        <fieldset>
          <legend>Choose facts</legend>
          <ul className="plain-list">
            {FACT_DECKS.map((d) => (
              <DeckLine
                key={d.id}
                deck={d}
                due={dueIn(d)}
                facts={factsOf(d, known)}
                chosen={d === deck}
                onChoose={() => changeSettings({ factDeck: d.id })}
              />
            ))}
          </ul>
        </fieldset>
        <section className="panel stack" aria-labelledby="heat">
          <h2 id="heat">
            <Words>{deck.name}</Words>
          </h2>
          <FactHeat facts={factsOf(deck, known)} />
          <form
            className="row"
            onSubmit={(event) => {
              event.preventDefault()
              begin([deck], factCount)
            }}
          >
            <label htmlFor="fact-count">How many</label>
            <InputNumber
              id="fact-count"
              min={5}
              max={100}
              precision={0}
              value={factCount}
              onChange={(n) => changeSettings({ factCount: n ?? factCount })}
              style={{ width: '5.5rem' }}
            />
            <Button type="primary" htmlType="submit">
              Start
            </Button>
          </form>
          <p className="faint">
            A fact is known when its answer comes at once, without working it out. Type it; no Enter needed.{' '}
            <Words>{limitWords(deck, pace, calm)}</Words>
          </p>
        </section>
      </div>
    </>
  )
}

/** A deck to choose, with how many of its facts are in which state. */
function DeckLine(props: {
  readonly deck: FactDeck
  readonly due: number
  readonly facts: readonly KnownFact[]
  readonly chosen: boolean
  readonly onChoose: () => void
}) {
  const { deck, due, facts, chosen, onChoose } = props
  const sure = facts.filter((f) => f.state === 'fast' || f.state === 'steady').length
  return (
    <li className={chosen ? 'deck chosen' : 'deck'}>
      <label>
        <input type="radio" name="deck" checked={chosen} onChange={onChoose} />
        <span>
          <Words>{deck.name}</Words>
        </span>
        <span className="faint">
          {sure} of {facts.length} known{due > 0 && `, ${due} due`}
        </span>
        <span className="states" aria-hidden="true">
          {FACT_STATES.map((state) => (
            <i
              key={state}
              className={`heat ${state}`}
              style={{ flexGrow: facts.filter((f) => f.state === state).length }}
            />
          ))}
        </span>
      </label>
    </li>
  )
}
