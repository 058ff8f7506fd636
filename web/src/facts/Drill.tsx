import {
  equal,
  FACT_DECKS,
  type FactCard,
  gradeOf,
  KEYING_DAYS,
  keyingDue,
  MOST_MS,
  readDecimal,
  thinking,
  toText,
} from '@tachymetra/core'
import { Button } from 'antd'
import { type ReactNode, useRef, useState } from 'react'
import { Link } from 'react-router'
import { HAS_TOUCH } from '../bench/touch.js'
import { useLearnerSettings } from '../data/learnerSettings.js'
import { flush } from '../data/outbox.js'
import { keepRecall } from '../data/store.js'
import { KeyButton } from '../parts/KeyButton.js'
import { Keypad } from '../parts/Keypad.js'
import { Mark } from '../parts/Mark.js'
import { Trouble } from '../parts/Trouble.js'
import { useKeys } from '../parts/useKeys.js'
import { seconds } from '../parts/words.js'

interface Asked {
  readonly card: FactCard
  readonly thinkMs: number
  readonly right: boolean
  readonly recalled: boolean
}

const deckOf = (card: FactCard) => FACT_DECKS.find((d) => d.cards.includes(card))!

/** One fact after another, without Enter. A wrong or slow one comes once more at the end. */
export function Drill({
  cards,
  learnerId,
  onEnd,
  after,
}: {
  readonly cards: readonly FactCard[]
  readonly learnerId: string
  readonly onEnd: () => void
  /** What may come next, shown once the round is over. */
  readonly after?: ReactNode
}) {
  const { keying } = useLearnerSettings(learnerId)
  const [queue, setQueue] = useState(cards)
  const [text, setText] = useState('')
  const [asked, setAsked] = useState<readonly Asked[]>([])
  const [wrong, setWrong] = useState<FactCard>()
  const shownAt = useRef(performance.now())
  const firstKeyAt = useRef<number>(undefined)
  const [trouble, setTrouble] = useState<Error>()
  const card = queue[0]

  const give = (entry: string) => {
    if (!card) return
    const now = performance.now()
    firstKeyAt.current ??= now
    const want = toText(card.answer)
    const value = readDecimal(entry)
    const right = value !== undefined && equal(value, card.answer)
    if (!right && entry.length < want.length) {
      setText(entry)
      return
    }
    const ms = Math.min(MOST_MS, Math.round(now - shownAt.current))
    const thinkMs = thinking(ms, now - firstKeyAt.current, entry.length, keying?.ms)
    const recalled = gradeOf({ right, thinkMs }, deckOf(card).withinMs) !== 1
    // Only the first time in a round tells what is remembered.
    const first = !asked.some((a) => a.card === card)
    if (first) {
      const at = new Date().toISOString()
      keepRecall({ id: crypto.randomUUID(), learnerId, fact: card.id, right, ms, thinkMs, at }).then(
        flush,
        () => setTrouble(new Error('This recall could not be kept: the browser refuses to store it.')),
      )
      setAsked([...asked, { card, thinkMs, right, recalled }])
    }
    setWrong(right ? undefined : card)
    setText('')
    setQueue(recalled || !first ? queue.slice(1) : [...queue.slice(1), card])
    shownAt.current = performance.now()
    firstKeyAt.current = undefined
  }
  useKeys(
    { Backspace: () => setText(text.slice(0, -1)), Escape: onEnd, Enter: () => !card && onEnd() },
    (key) => give(text + key),
    true,
  )

  if (!card) return <Round asked={asked} onEnd={onEnd} after={after} />
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
      {HAS_TOUCH && <Keypad onKey={(key) => give(text + key)} onErase={() => setText(text.slice(0, -1))} />}
      <KeyButton label="Stop" shortcut="Esc" onPress={onEnd} />
    </div>
  )
}

function Round(props: {
  readonly asked: readonly Asked[]
  readonly onEnd: () => void
  readonly after: ReactNode
}) {
  const { asked, onEnd, after } = props
  const recalled = asked.filter((a) => a.recalled)
  return (
    <div className="stack" style={{ gap: '1rem' }}>
      <h1>
        {recalled.length} of {asked.length} recalled
      </h1>
      <p className="faint">Times to think; what keying takes by itself is taken off.</p>
      <ul className="plain-list heat-map mono">
        {asked.map(({ card, thinkMs, right, recalled: ok }) => (
          <li key={card.id} className={`heat ${ok ? 'fast' : right ? 'slow' : 'shaky'}`}>
            {card.ask} {seconds(thinkMs)} {!ok && (right ? 'slow' : 'wrong')}
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
      {keying
        ? `Keying a digit takes ${keying.ms} ms (measured ${keying.at.slice(0, 10)}); thinking is judged without it.`
        : 'How long keying a digit takes has not been measured; a common time is taken off.'}{' '}
      <Link to="/facts?keying">{keying ? 'Measure again' : 'Measure it, 20 seconds'}</Link>
      {keying && keyingDue(settings, now) && ` It is over ${KEYING_DAYS} days old.`}
    </p>
  )
}
