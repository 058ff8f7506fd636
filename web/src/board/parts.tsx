/** Parts of a lesson besides problems that are worked. */

import type { FactCard } from '@tachymetra/core/facts'
import { flashList, readGrid, safePace } from '@tachymetra/core/flash'
import { seeded, toWords } from '@tachymetra/core/number'
import { answerOf, problemWords, readProblem } from '@tachymetra/core/problem'
import { valueWords } from '@tachymetra/core/question'
import { techniqueById } from '@tachymetra/core/registry'
import type { BoardPart } from '@tachymetra/core/set'
import { clearFrame, type Frame, frameValue } from '@tachymetra/core/soroban'
import { useMemo, useState } from 'react'
import { SorobanFrame } from '../beads/SorobanFrame.js'
import { Player } from '../player/Player.js'
import { GridTable } from '../working/GridTable.js'
import { Pattern } from '../working/Pattern.js'
import { Words } from '../written/Words.js'
import { type askedAt, FLASH_ANSWER, FLASH_ASKS, FLASH_SHOWS, waysOf } from './wall.js'

type Part<K extends BoardPart['kind']> = Extract<BoardPart, { kind: K }>

/** Lines of a way that stand there at once: more would be too small. */
const LINES = 5

/** Two workings side by side, a line at a press; of a long one the last lines stay. */
export function WaysWall({ part, presses }: { readonly part: Part<'ways'>; readonly presses: number }) {
  const works = useMemo(() => waysOf(part), [part])
  const problem = readProblem(part.expression)
  const [first] = works
  return (
    <div className="wall-ways">
      <p className="wall-line">
        <Words>{problemWords(problem)}</Words>
      </p>
      {works.map((work, i) => {
        const lines = Math.max(0, Math.min(work.steps.length, presses - (i === 0 ? 0 : first!.steps.length)))
        return (
          <section key={part.ways[i]} aria-label={techniqueById(part.ways[i]!).name}>
            <h2>{techniqueById(part.ways[i]!).name}</h2>
            <ol>
              {work.steps.slice(Math.max(0, lines - LINES), lines).map((step, k) => (
                <li key={lines - LINES + k}>
                  {step.reckons && (
                    <span className="faint">
                      <Words>{step.reckons}</Words> ={' '}
                    </span>
                  )}
                  <strong>
                    <Words>{step.kind.say(work.entries[Math.max(0, lines - LINES) + k]!)}</Words>
                  </strong>
                </li>
              ))}
            </ol>
          </section>
        )
      })}
    </div>
  )
}

/** A table, or finished work: each question is asked, then told. */
export function AskedWall({
  asked,
  presses,
}: {
  readonly asked: NonNullable<ReturnType<typeof askedAt>>
  readonly presses: number
}) {
  const { technique, expression, says, questions } = asked
  const n = Math.ceil(presses / 2) - 1
  const told = (i: number) => 2 * i + 2 <= presses
  const question = questions[n]
  // A fact is its own question, and stands there already.
  const ask = question?.ask === says ? '' : question?.ask
  return (
    <div className="worked" data-view="work">
      <div className="wall-problem">
        {technique === 'grid' ? (
          <GridTable
            grid={readGrid(expression)}
            sum={(i) => (told(i) ? questions[i]!.kind.say(questions[i]!.expect) : '?')}
          />
        ) : (
          <p className="wall-line">
            <Words>{says}</Words>
          </p>
        )}
      </div>
      <p className="wall-ask long" role="status">
        <Words>{ask}</Words>{' '}
        {question && told(n) && (
          <strong>
            <Words>{question.kind.say(question.expect)}</Words>
          </strong>
        )}
      </p>
    </div>
  )
}

/** Letters of a fact that fit on one large line. */
const SHORT_FACT = 9

/** A fact that is called; its answer comes after a while, or at a press. */
export function FactWall({ card, told }: { readonly card: FactCard; readonly told: boolean }) {
  const answer = card.kind.say(card.expect)
  const long = Math.max(card.ask.length, answer.length) > SHORT_FACT
  return (
    <div className={`wall-fact${long ? ' long' : ''}`} role="status">
      <p>
        <Words>{card.ask}</Words>
      </p>
      <p className="answer">
        <Words>{told ? answer : '\u00a0'}</Words>
      </p>
    </div>
  )
}

/** Numbers that come by themselves, never faster than is safe for everybody's eyes. */
export function FlashWall(props: {
  readonly part: Part<'flash'>
  readonly seed: number
  readonly presses: number
  readonly onShown: () => void
}) {
  const { part, seed, presses, onShown } = props
  const { digits, numbers: count, minus, way, showMs } = part
  const problem = useMemo(
    () => flashList({ digits, count, minus }, seeded(seed)),
    [digits, count, minus, seed],
  )
  const pace = safePace({ showMs, gapMs: GAP_MS })
  if (presses === FLASH_SHOWS)
    return <Player problem={problem} way={way} pace={pace} sound="beep" onStop={onShown} onDone={onShown} />
  const words: Readonly<Record<number, string>> = {
    0: 'Ready?',
    [FLASH_ASKS]: 'The sum?',
    [FLASH_ANSWER]: `${problemWords(problem)} = ${valueWords(answerOf(problem))}`,
  }
  return (
    <p className="wall-line" role="status">
      <Words>{words[presses]}</Words>
    </p>
  )
}

const GAP_MS = 200

/** A large frame, moved by hand. */
export function FrameWall() {
  const [frame, setFrame] = useState<Frame>(() => clearFrame(RODS))
  const [chosen, setChosen] = useState(0)
  return (
    <div className="wall-frame">
      <SorobanFrame frame={frame} onChange={setFrame} chosen={chosen} onChoose={setChosen} lit={chosen} />
      <p className="wall-line" role="status">
        <Words>{toWords(frameValue(frame))}</Words>
      </p>
    </div>
  )
}

/** As many rods as leave beads that are seen from the back of a room. */
const RODS = 7

/** The pattern of a crosswise product, one column more at each press. */
export function PatternWall(props: {
  readonly first: number
  readonly second: number
  readonly shown: number
}) {
  const { first, second, shown } = props
  return (
    <div className="wall-pattern" data-shown={shown}>
      <p className="wall-line">
        <Words>{`${first} × ${second}`}</Words>
      </p>
      <style>{`.wall-pattern .pattern li:nth-child(n + ${shown + 1}) { visibility: hidden }`}</style>
      <Pattern first={first} second={second} />
    </div>
  )
}
