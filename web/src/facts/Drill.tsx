import { FACT_DECKS, type FactCard } from '@tachymetra/core/facts'
import {
  COMMON_KEY_MS,
  isRecalled,
  judgeRecall,
  KEYING_DAYS,
  keyingDue,
  type RecallPace,
  recalled,
  recallLimit,
} from '@tachymetra/core/learner'
import { marked } from '@tachymetra/core/number'
import { type DoneRecall, JUDGE } from '@tachymetra/core/session'
import { extraTimeWords, seconds } from '@tachymetra/core/words'
import { Button } from 'antd'
import { type ReactNode, useState } from 'react'
import { Link } from 'react-router'
import { useLearnerSettings } from '../data/learnerSettings.js'
import { useRecallPace } from '../data/recallPace.js'
import { Entry } from '../entry/Entry.js'
import { KeyButton } from '../entry/KeyButton.js'
import { useKeys } from '../entry/useKeys.js'
import { Trouble } from '../frame/Trouble.js'
import type { LocalSession } from '../kept/store.js'
import { useAnswering } from '../practice/useAnswering.js'
import { useAttempt } from '../practice/useAttempt.js'
import { type Practice, usePractice } from '../practice/usePractice.js'
import { Mark } from '../working/Mark.js'
import { Words } from '../written/Words.js'
import './facts.css'
import '../charts/fact-heat.css'

/** A recall of the round, with what it came to. */
interface Asked extends DoneRecall {
  readonly card: FactCard
  readonly thinkMs: number
  /** What was typed. */
  readonly text: string
}

const deckOf = (card: FactCard) => FACT_DECKS.find((d) => d.cards.includes(card))!

function asked(done: DoneRecall, items: Practice['items']): Asked {
  const item = items[done.recall.n - 1]
  if (item?.kind !== 'fact') throw new RangeError(`Item ${done.recall.n} is no fact.`)
  const { thinkMs, entry } = judgeRecall(done.recall)
  return { ...done, card: item.card, thinkMs, text: entry }
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
  const practice = usePractice(set)
  const { items, item, n, turn, left, trouble, session } = practice
  const answers = (session.recalls ?? []).map((done) => asked(done, items))
  useKeys({ Escape: onEnd, Enter: () => n === undefined && onEnd() }, undefined, true)
  // A wrong one stays until a key is pressed: there is time to look at it.
  const looking = n === undefined ? undefined : answers[turn]
  if (looking) return <Missed missed={looking} onOn={practice.next} onStop={onEnd} />
  if (n === undefined || item?.kind !== 'fact')
    return <Round answers={answers} learnerId={learnerId} pace={pace} onEnd={onEnd} after={after} />
  return (
    <div className="stack fact-drill">
      <h1 className="sr-only">Facts</h1>
      <p className="faint">{left} to go</p>
      {trouble && <Trouble error={trouble} />}
      <Fact
        key={turn}
        card={item.card}
        at={{ learnerId, sessionId: set.id, n }}
        pace={pace}
        onRecalled={(done) => {
          practice.recalled(done)
          if (done.right) practice.next()
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
function limits(answers: readonly Asked[], pace: RecallPace): string | undefined {
  const all = answers.flatMap((a) => recallLimit(deckOf(a.card), pace) ?? [])
  if (all.length === 0) return undefined
  const [least, most] = [Math.min(...all), Math.max(...all)]
  return least === most ? seconds(least) : `${seconds(least)} to ${seconds(most)}`
}

/** One fact: an attempt at one question, over with its first entry. */
function Fact(props: {
  readonly card: FactCard
  /** Whose recall it is, and which item of which session. */
  readonly at: Pick<DoneRecall['recall'], 'learnerId' | 'sessionId' | 'n'>
  readonly pace: RecallPace
  readonly onRecalled: (done: DoneRecall) => void
}) {
  const { card, at, pace, onRecalled } = props
  const { keying } = useLearnerSettings(at.learnerId)
  const [task] = useState(() => ({ questions: [card], inOrder: true }))
  const [begun] = useState(() => ({ id: crypto.randomUUID(), at: new Date().toISOString() }))
  const attempt = useAttempt({
    task,
    byItself: true,
    onChange(events, progress) {
      const keyMs = keying?.ms ?? COMMON_KEY_MS
      const { right, thinkMs } = recalled(progress, keyMs)
      const withinMs = recallLimit(deckOf(card), pace)
      const recall = { ...begun, ...at, fact: card.id, judge: JUDGE, keyMs, withinMs, events }
      onRecalled({ recall, right, known: isRecalled({ right, thinkMs, withinMs }) })
    },
  })
  useAnswering(attempt, { own: { enter: undefined } })
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
  const first = answers.filter((a, i) => answers.findIndex((o) => o.recall.n === a.recall.n) === i)
  const known = first.filter((a) => a.known)
  return (
    <div className="stack" style={{ gap: '1rem' }}>
      <h1>
        {first.filter((a) => a.right).length} of {first.length} right
        {within && `, ${known.length} fast`}
      </h1>
      {within && !calm && (
        <p className="faint">
          Thinking time, without typing. Fast is within <Words>{within}</Words>.{' '}
          <Words>{extraTimeWords(extraTime)}</Words>
        </p>
      )}
      <ul className="plain-list heat-map mono">
        {first.map(({ card, thinkMs, right, known: ok }) => (
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
