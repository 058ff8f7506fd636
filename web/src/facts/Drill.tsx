import { FACT_DECKS, type FactCard } from '@tachymetra/core/facts'
import { COMMON_KEY_MS, isRecalled, KEYING_DAYS, keyingDue, recalled } from '@tachymetra/core/learner'
import { JUDGE } from '@tachymetra/core/session'
import { Button } from 'antd'
import { type ReactNode, useState } from 'react'
import { Link } from 'react-router'
import { useLearnerSettings } from '../data/learnerSettings.js'
import { flush } from '../data/outbox.js'
import { keepRecall } from '../data/store.js'
import { Entry } from '../parts/Entry.js'
import { KeyButton } from '../parts/KeyButton.js'
import { Mark } from '../parts/Mark.js'
import { Trouble } from '../parts/Trouble.js'
import { useAttempt } from '../parts/useAttempt.js'
import { useKeys } from '../parts/useKeys.js'
import { seconds } from '../parts/words.js'

interface Asked {
  readonly card: FactCard
  readonly thinkMs: number
  readonly right: boolean
  /** In time, too. */
  readonly known: boolean
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
  const [queue, setQueue] = useState(cards)
  const [asked, setAsked] = useState<readonly Asked[]>([])
  const [wrong, setWrong] = useState<FactCard>()
  const [turn, setTurn] = useState(0)
  const [trouble, setTrouble] = useState<Error>()
  const [card] = queue
  useKeys({ Escape: onEnd, Enter: () => !card && onEnd() }, undefined, true)
  if (!card) return <Round asked={asked} onEnd={onEnd} after={after} />
  const answered = (one: Asked) => {
    // Only the first time in a round tells what is remembered.
    const first = !asked.some((a) => a.card === card)
    if (first) setAsked([...asked, one])
    setWrong(one.right ? undefined : card)
    setQueue(one.known || !first ? queue.slice(1) : [...queue.slice(1), card])
    setTurn(turn + 1)
  }
  return (
    <div className="stack fact-drill">
      <p className="faint">{queue.length} to go</p>
      {trouble && <Trouble error={trouble} />}
      <Fact
        key={turn}
        card={card}
        learnerId={learnerId}
        kept={!asked.some((a) => a.card === card)}
        onAnswered={answered}
        onTrouble={setTrouble}
      >
        <p className="said" role="status">
          {wrong && (
            <>
              <Mark right={false} /> {wrong.ask} is{' '}
              <span className="mono">{wrong.kind.say(wrong.expect)}</span>
            </>
          )}
        </p>
      </Fact>
      <KeyButton label="Stop" shortcut="Esc" onPress={onEnd} />
    </div>
  )
}

/** One fact: an attempt at one question, over with its first entry. */
function Fact(props: {
  readonly card: FactCard
  readonly learnerId: string
  /** Is the recall recorded? */
  readonly kept: boolean
  readonly onAnswered: (one: Asked) => void
  readonly onTrouble: (trouble: Error) => void
  readonly children: ReactNode
}) {
  const { card, learnerId, kept, onAnswered, onTrouble, children } = props
  const { keying } = useLearnerSettings(learnerId)
  const [task] = useState(() => ({ questions: [card], inOrder: true }))
  const [at] = useState(() => new Date().toISOString())
  const attempt = useAttempt({
    task,
    byItself: true,
    onChange(events, progress) {
      const keyMs = keying?.ms ?? COMMON_KEY_MS
      const { right, thinkMs } = recalled(progress, keyMs)
      const known = isRecalled({ right, thinkMs }, deckOf(card).withinMs)
      if (kept)
        keepRecall({
          id: crypto.randomUUID(),
          learnerId,
          fact: card.id,
          at,
          judge: JUDGE,
          keyMs,
          events,
        }).then(flush, () =>
          onTrouble(new Error('This recall could not be kept: the browser refuses to store it.')),
        )
      onAnswered({ card, thinkMs, right, known })
    },
  })
  useKeys({ Backspace: attempt.erase }, { keys: card.kind.keys, press: attempt.press }, true)
  return (
    <>
      <p className={`fact-ask mono${card.ask.length > 12 ? ' long' : ''}`} id="fact-ask" aria-live="polite">
        {card.ask}
      </p>
      <Entry
        kind={card.kind}
        text={attempt.typing.text}
        labelledBy="fact-ask"
        onKey={attempt.press}
        onErase={attempt.erase}
      >
        {children}
      </Entry>
    </>
  )
}

function Round(props: {
  readonly asked: readonly Asked[]
  readonly onEnd: () => void
  readonly after: ReactNode
}) {
  const { asked, onEnd, after } = props
  const known = asked.filter((a) => a.known)
  return (
    <div className="stack" style={{ gap: '1rem' }}>
      <h1>
        {known.length} of {asked.length} recalled
      </h1>
      <p className="faint">Times to think; what keying takes by itself is taken off.</p>
      <ul className="plain-list heat-map mono">
        {asked.map(({ card, thinkMs, right, known: ok }) => (
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
