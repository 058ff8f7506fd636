import {
  equal,
  FACT_DECKS,
  type FactCard,
  type FactDeck,
  gradeOf,
  readDecimal,
  seeded,
  toAsk,
  toText,
} from '@tachymetra/core'
import type { FactStanding } from '@tachymetra/core/wire'
import { Button, InputNumber, Select } from 'antd'
import { useMemo, useRef, useState } from 'react'
import { HAS_TOUCH } from '../bench/touch.js'
import { flush } from '../data/outbox.js'
import { useFacts } from '../data/queries.js'
import { changeSettings, useSettings } from '../data/settings.js'
import { keepRecall } from '../data/store.js'
import { KeyButton } from '../parts/KeyButton.js'
import { Keypad } from '../parts/Keypad.js'
import { Loading } from '../parts/Loading.js'
import { Mark } from '../parts/Mark.js'
import { OneLearner } from '../parts/OneLearner.js'
import { Trouble } from '../parts/Trouble.js'
import { useKeys } from '../parts/useKeys.js'
import { seconds } from '../parts/words.js'

/** Facts recalled at a glance: what is due, the drill, and which come slowly. */
export default function FactsPage() {
  return <OneLearner>{({ id, name }) => <Known key={id} learnerId={id} name={name} />}</OneLearner>
}

function Known({ learnerId, name }: { readonly learnerId: string; readonly name: string }) {
  const facts = useFacts(learnerId)
  const [cards, setCards] = useState<readonly FactCard[]>()
  if (facts.isPending) return <Loading />
  if (facts.isError) return <Trouble error={facts.error} retry={() => facts.refetch()} />
  if (cards) return <Drill cards={cards} learnerId={learnerId} onEnd={() => setCards(undefined)} />
  return (
    <div className="stack" style={{ gap: '1.25rem' }}>
      <h1>
        Facts{' '}
        <span className="faint" style={{ fontWeight: 400 }}>
          of {name}
        </span>
      </h1>
      <Choosing standings={facts.data} onStart={setCards} />
    </div>
  )
}

function Choosing({
  standings,
  onStart,
}: {
  readonly standings: readonly FactStanding[]
  readonly onStart: (cards: readonly FactCard[]) => void
}) {
  const { factDeck, factCount } = useSettings()
  const [now] = useState(() => new Date().toISOString())
  const dueIn = (deck: FactDeck) =>
    standings.filter((s) => s.due <= now && deck.cards.some((c) => c.id === s.fact)).length
  const due = standings.filter((s) => s.due <= now).length
  const deck = FACT_DECKS.find((d) => d.id === factDeck) ?? FACT_DECKS[1]!
  const begin = (decks: readonly FactDeck[], most: number) =>
    onStart(toAsk(decks, standings, now, most, seeded(crypto.getRandomValues(new Int32Array(1))[0]!)))
  return (
    <>
      <form
        className="row"
        onSubmit={(event) => {
          event.preventDefault()
          begin([deck], factCount)
        }}
      >
        <Select
          aria-label="Facts"
          value={deck.id}
          options={FACT_DECKS.map((d) => ({
            value: d.id,
            label: `${d.name}${dueIn(d) ? ` (${dueIn(d)} due)` : ''}`,
          }))}
          onChange={(id) => changeSettings({ factDeck: id })}
          style={{ minWidth: '16rem' }}
        />
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
        <Button type="primary" size="large" htmlType="submit">
          Recall
        </Button>
        {due > 0 && (
          <Button onClick={() => begin(FACT_DECKS, due)}>
            {due === 1 ? 'The one that is due' : `All ${due} that are due`}
          </Button>
        )}
      </form>
      <p className="faint">
        Type the answer; there is no Enter: it is taken at its last digit. Recalled within{' '}
        {seconds(deck.withinMs)} counts; slower counts as not recalled, and the fact comes again sooner.
      </p>
      <Heat deck={deck} standings={standings} />
    </>
  )
}

/** A fact's state in words and in shape: fast, steady, slow, shaky, new. */
function stateOf(
  deck: FactDeck,
  standing: FactStanding | undefined,
): 'new' | 'fast' | 'steady' | 'slow' | 'shaky' {
  if (!standing) return 'new'
  if (!standing.latestRight) return 'shaky'
  const share = (standing.medianMs ?? deck.withinMs) / deck.withinMs
  return share > 1 ? 'slow' : share > 0.6 ? 'steady' : 'fast'
}

function Heat({ deck, standings }: { readonly deck: FactDeck; readonly standings: readonly FactStanding[] }) {
  const of = useMemo(() => new Map(standings.map((s) => [s.fact, s])), [standings])
  return (
    <section className="stack" aria-labelledby="heat">
      <h2 id="heat">{deck.name}</h2>
      <p className="heat-key">
        {(['fast', 'steady', 'slow', 'shaky', 'new'] as const).map((state) => (
          <span key={state} className={`heat ${state}`}>
            {state}
          </span>
        ))}
      </p>
      <ul className="plain-list heat-map mono">
        {deck.cards.map((card) => {
          const standing = of.get(card.id)
          const state = stateOf(deck, standing)
          const words = `${card.ask}: ${state}${standing?.medianMs ? `, ${seconds(standing.medianMs)}` : ''}${standing ? `, ${standing.right} of ${standing.recalls} recalled` : ''}`
          return (
            <li key={card.id} className={`heat ${state}`} title={words}>
              {card.ask}
              <span className="sr-only">
                : {state}
                {standing?.medianMs ? `, ${seconds(standing.medianMs)}` : ''}
              </span>
            </li>
          )
        })}
      </ul>
    </section>
  )
}

interface Asked {
  readonly card: FactCard
  readonly ms: number
  readonly right: boolean
  readonly recalled: boolean
}

/** One fact after another. A wrong or slow one comes once more at the end. */
function Drill({
  cards,
  learnerId,
  onEnd,
}: {
  readonly cards: readonly FactCard[]
  readonly learnerId: string
  readonly onEnd: () => void
}) {
  const [queue, setQueue] = useState(cards)
  const [text, setText] = useState('')
  const [asked, setAsked] = useState<readonly Asked[]>([])
  const [wrong, setWrong] = useState<FactCard>()
  const shownAt = useRef(performance.now())
  const [trouble, setTrouble] = useState<Error>()
  const card = queue[0]
  const deckOf = (c: FactCard) => FACT_DECKS.find((d) => d.cards.includes(c))!

  const give = (entry: string) => {
    if (!card) return
    const want = toText(card.answer)
    const value = readDecimal(entry)
    const right = value !== undefined && equal(value, card.answer)
    if (!right && entry.length < want.length) {
      setText(entry)
      return
    }
    const ms = Math.round(performance.now() - shownAt.current)
    const recalled = gradeOf({ right, ms }, deckOf(card).withinMs) !== 1
    // Only the first time in a round tells what is remembered.
    const first = !asked.some((a) => a.card === card)
    if (first)
      keepRecall({
        id: crypto.randomUUID(),
        learnerId,
        fact: card.id,
        right,
        ms,
        at: new Date().toISOString(),
      }).then(flush, () =>
        setTrouble(new Error('This recall could not be kept: the browser refuses to store it.')),
      )
    if (first) setAsked([...asked, { card, ms, right, recalled }])
    setWrong(right ? undefined : card)
    setText('')
    setQueue(recalled || !first ? queue.slice(1) : [...queue.slice(1), card])
    shownAt.current = performance.now()
  }
  useKeys(
    { Backspace: () => setText(text.slice(0, -1)), Escape: onEnd, Enter: () => !card && onEnd() },
    (key) => give(text + key),
    true,
  )

  if (!card) return <Round asked={asked} onEnd={onEnd} />
  return (
    <div className="stack fact-drill">
      <p className="faint">{queue.length} to go</p>
      {trouble && <Trouble error={trouble} />}
      <p className="fact-ask mono" id="fact-ask" aria-live="polite">
        {card.ask}
      </p>
      <input
        className="entry"
        aria-labelledby="fact-ask"
        value={text}
        readOnly
        inputMode="none"
        data-testid="entry"
        autoComplete="off"
      />
      <p className="said" role="status">
        {wrong && (
          <>
            <Mark right={false} /> {wrong.ask} is <span className="mono">{toText(wrong.answer)}</span>
          </>
        )}
      </p>
      {HAS_TOUCH && (
        <Keypad
          onKey={(key) => give(text + key)}
          onErase={() => setText(text.slice(0, -1))}
          onEnter={onEnd}
          enterLabel="Stop"
        />
      )}
      <KeyButton label="Stop" shortcut="Esc" onPress={onEnd} />
    </div>
  )
}

function Round({ asked, onEnd }: { readonly asked: readonly Asked[]; readonly onEnd: () => void }) {
  const recalled = asked.filter((a) => a.recalled)
  return (
    <div className="stack" style={{ gap: '1rem' }}>
      <h1>
        {recalled.length} of {asked.length} recalled
      </h1>
      <ul className="plain-list heat-map mono">
        {asked.map(({ card, ms, right, recalled: ok }) => (
          <li key={card.id} className={`heat ${ok ? 'fast' : right ? 'slow' : 'shaky'}`}>
            {card.ask} {seconds(ms)} {!ok && (right ? 'slow' : 'wrong')}
          </li>
        ))}
      </ul>
      <div>
        <Button type="primary" autoFocus onClick={onEnd}>
          Back to the facts
        </Button>
      </div>
    </div>
  )
}
