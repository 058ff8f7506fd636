import { FACT_DECKS, type FactCard } from '@tachymetra/core/facts'
import {
  COMMON_KEY_MS,
  isRecalled,
  KEYING_DAYS,
  keyingDue,
  type RecallPace,
  recalled,
  recallLimit,
} from '@tachymetra/core/learner'
import { marked } from '@tachymetra/core/number'
import { JUDGE } from '@tachymetra/core/session'
import { type Item, type ItemAnswer, itemsOf, toCome } from '@tachymetra/core/set'
import type { RecallWire } from '@tachymetra/core/wire'
import { extraTimeWords, seconds } from '@tachymetra/core/words'
import { Button } from 'antd'
import { type ReactNode, useMemo, useState } from 'react'
import { Link } from 'react-router'
import { useLearnerSettings } from '../data/learnerSettings.js'
import { useRecallPace } from '../data/recallPace.js'
import { Entry } from '../entry/Entry.js'
import { KeyButton } from '../entry/KeyButton.js'
import { useKeys } from '../entry/useKeys.js'
import { Trouble } from '../frame/Trouble.js'
import { handIn } from '../kept/outbox.js'
import { keepParcels, type LocalSession, recallParcels } from '../kept/store.js'
import { useAttempt } from '../practice/useAttempt.js'
import { Mark } from '../working/Mark.js'
import { Words } from '../written/Words.js'
import './facts.css'
import '../charts/fact-heat.css'

interface Asked extends ItemAnswer {
  readonly card: FactCard
  readonly thinkMs: number
  /** Right, and in time too. */
  readonly known: boolean
  /** What was typed. */
  readonly text: string
}

const deckOf = (card: FactCard) => FACT_DECKS.find((d) => d.cards.includes(card))!

function cardAt(items: readonly (Item | undefined)[], n: number | undefined): FactCard | undefined {
  const item = n === undefined ? undefined : items[n - 1]
  return item?.kind === 'fact' ? item.card : undefined
}

/** One fact after another, without Enter. A wrong or slow one comes once more at the end. */
export function Drill({
  set,
  learnerId,
  onEnd,
  after,
}: {
  readonly set: LocalSession
  readonly learnerId: string
  readonly onEnd: () => void
  /** What may come next, shown once the round is over. */
  readonly after?: ReactNode
}) {
  const now = useRecallPace(learnerId)
  // Limits stay the same for a round.
  const [pace] = useState(now)
  const items = useMemo(() => itemsOf(set), [set])
  const [answers, setAnswers] = useState<readonly Asked[]>([])
  const [trouble, setTrouble] = useState<Error>()
  const queue = toCome(set.recipe, answers)
  const [n] = queue
  const card = cardAt(items, n)
  // A wrong one stays until a key is pressed: there is time to look at it.
  const [looking, setLooking] = useState<Asked>()
  useKeys({ Escape: onEnd, Enter: () => !card && !looking && onEnd() }, undefined, true)
  if (looking) return <Missed missed={looking} onOn={() => setLooking(undefined)} onStop={onEnd} />
  if (!card || n === undefined)
    return <Round answers={answers} learnerId={learnerId} pace={pace} onEnd={onEnd} after={after} />
  // Only the first time in a round tells what is remembered.
  const first = !answers.some((a) => a.n === n)
  return (
    <div className="stack fact-drill">
      <h1 className="sr-only">Facts</h1>
      <p className="faint">{queue.length} to go</p>
      {trouble && <Trouble error={trouble} />}
      <Fact
        key={answers.length}
        card={card}
        learnerId={learnerId}
        pace={pace}
        onAnswered={(one, recall) => {
          const asked = { ...one, card, n }
          setAnswers([...answers, asked])
          if (!one.right) setLooking(asked)
          if (!first) return
          const announce = answers.length === 0 ? set : undefined
          const parcels = recallParcels({ ...recall, sessionId: set.id, n }, announce)
          handIn(() => keepParcels(parcels), parcels).catch(setTrouble)
        }}
      />
      <KeyButton label="Stop" shortcut="Esc" onPress={onEnd} />
    </div>
  )
}

/** A fact that went wrong, with what was typed and what is right. */
function Missed(props: { readonly missed: Asked; readonly onOn: () => void; readonly onStop: () => void }) {
  const { missed, onOn, onStop } = props
  const { ask, kind, expect } = missed.card
  const typed = kind.read(missed.text)
  useKeys({ Enter: onOn, ' ': onOn }, undefined, true)
  return (
    <div className="stack fact-drill">
      <h1 className="sr-only">Facts</h1>
      <div className="stack" role="status">
        <p className={`fact-ask mono${ask.length > 12 ? ' long' : ''}`}>
          <Words>{ask}</Words>
        </p>
        <p>
          <Mark right={false} /> You typed{' '}
          <span className="mono value">
            <Words>{typed === undefined ? marked(missed.text) : kind.say(typed)}</Words>
          </span>
          .
        </p>
        <p>
          <Mark right /> <Words>{ask}</Words> is{' '}
          <span className="mono value">
            <Words>{kind.say(expect)}</Words>
          </span>
          .
        </p>
      </div>
      <div className="row keys-line">
        <KeyButton label="Go on" shortcut="Enter" onPress={onOn} main focused />
        <KeyButton label="Stop" shortcut="Esc" onPress={onStop} />
      </div>
    </div>
  )
}

/** The time within which facts of a round count as fast: "1.0 s", "1.0 s to 2.5 s"; undefined without a limit. */
function limits(asked: readonly Asked[], pace: RecallPace): string | undefined {
  const all = asked.flatMap((a) => recallLimit(deckOf(a.card), pace) ?? [])
  if (all.length === 0) return undefined
  const [least, most] = [Math.min(...all), Math.max(...all)]
  return least === most ? seconds(least) : `${seconds(least)} to ${seconds(most)}`
}

/** One fact: an attempt at one question, over with its first entry. */
function Fact(props: {
  readonly card: FactCard
  readonly learnerId: string
  readonly pace: RecallPace
  /** What was answered, and the record of it. */
  readonly onAnswered: (
    one: Pick<Asked, 'thinkMs' | 'right' | 'known' | 'text'>,
    recall: Omit<RecallWire, 'sessionId' | 'n'>,
  ) => void
}) {
  const { card, learnerId, pace, onAnswered } = props
  const { keying } = useLearnerSettings(learnerId)
  const [task] = useState(() => ({ questions: [card], inOrder: true }))
  const [at] = useState(() => new Date().toISOString())
  const attempt = useAttempt({
    task,
    byItself: true,
    onChange(events, progress) {
      const keyMs = keying?.ms ?? COMMON_KEY_MS
      const { right, thinkMs, entry: text } = recalled(progress, keyMs)
      const withinMs = recallLimit(deckOf(card), pace)
      const known = isRecalled({ right, thinkMs, withinMs })
      onAnswered(
        { thinkMs, right, known, text },
        { id: crypto.randomUUID(), learnerId, fact: card.id, at, judge: JUDGE, keyMs, withinMs, events },
      )
    },
  })
  useKeys({ Backspace: attempt.erase }, { keys: card.kind.keys, press: attempt.press }, true)
  return (
    <>
      <p className={`fact-ask mono${card.ask.length > 12 ? ' long' : ''}`} id="fact-ask">
        <Words>{card.ask}</Words>
      </p>
      <Entry
        kind={card.kind}
        text={attempt.typing.text}
        labelledBy="fact-ask"
        onKey={attempt.press}
        onErase={attempt.erase}
      />
    </>
  )
}

function Round(props: {
  readonly answers: readonly Asked[]
  readonly learnerId: string
  readonly pace: RecallPace
  readonly onEnd: () => void
  readonly after: ReactNode
}) {
  const { answers, learnerId, pace, onEnd, after } = props
  const { extraTime, calm } = useLearnerSettings(learnerId)
  const within = limits(answers, pace)
  const asked = answers.filter((a, i) => answers.findIndex((other) => other.n === a.n) === i)
  const known = asked.filter((a) => a.known)
  return (
    <div className="stack" style={{ gap: '1rem' }}>
      <h1>
        {asked.filter((a) => a.right).length} of {asked.length} right
        {within && `, ${known.length} fast`}
      </h1>
      {within && !calm && (
        <p className="faint">
          Thinking time, without typing. Fast is within <Words>{within}</Words>.{' '}
          <Words>{extraTimeWords(extraTime)}</Words>
        </p>
      )}
      <ul className="plain-list heat-map mono">
        {asked.map(({ card, thinkMs, right, known: ok }) => (
          <li key={card.id} className={`heat ${ok ? 'fast' : right ? 'slow' : 'shaky'}`}>
            <Words>{card.ask}</Words> <Words>{!calm && seconds(thinkMs)}</Words>{' '}
            {!ok && (right ? 'slow' : 'wrong')}
          </li>
        ))}
      </ul>
      <div className="row">
        {after}
        <Button type={after ? 'default' : 'primary'} autoFocus={!after} onClick={onEnd}>
          Back to the facts
        </Button>
      </div>
    </div>
  )
}

/** Says when the keying baseline is missing or old, with the way to take it. */
export function KeyingNote({ learnerId }: { readonly learnerId: string }) {
  const settings = useLearnerSettings(learnerId)
  const [now] = useState(() => new Date().toISOString())
  const { keying } = settings
  return (
    <p className="faint">
      <Words>
        {keying
          ? `Keying a digit takes ${keying.ms} ms (measured ${keying.at.slice(0, 10)}); thinking is measured without it.`
          : 'How long keying a digit takes has not been measured; a common time is taken off.'}
      </Words>{' '}
      <Link to="/facts?keying">{keying ? 'Measure again' : 'Measure it, 20 seconds'}</Link>
      {keying && keyingDue(settings, now) && ` It is over ${KEYING_DAYS} days old.`}
    </p>
  )
}
