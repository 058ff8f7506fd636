import { type FlashPace, onsets, type Shown } from '@tachymetra/core/flash'
import { toWords } from '@tachymetra/core/number'
import type { SumProblem } from '@tachymetra/core/problem'
import { type CSSProperties, useEffect, useRef } from 'react'
import { type FlashSettings, useSettings } from '../data/settings.js'
import { KeyButton } from '../entry/KeyButton.js'
import { planBeeps } from '../sound/sound.js'
import { hush, speak } from '../sound/speech.js'
import { aloud } from '../words/words.js'
import { Words } from '../written/Words.js'
import { written } from '../written/written.js'
import { errorOf, showNumbers } from './show.js'
import './player.css'

interface Props {
  readonly problem: SumProblem
  readonly way: Shown['way']
  readonly pace: FlashPace
  readonly sound: FlashSettings['sound']
  readonly onStop: () => void
  readonly onDone: (shown: Shown) => void
}

/** The numbers themselves and nothing else. Any key or touch stops at once. */
export function Player(props: Props) {
  return props.way === 'still' ? <Still {...props} /> : <Moving {...props} />
}

function words({ terms }: SumProblem): string[] {
  return terms.map((t) => (t.sign < 0 ? '−' : '') + toWords(t.size))
}

function Still({ problem, pace, onStop, onDone }: Props) {
  const { flash } = useSettings()
  const list = words(problem).map((word) => written(word))
  const on = () => onDone({ ...pace, way: 'still', worstMs: 0, meanMs: 0 })
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === 'Escape') onStop()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [onStop])
  return (
    <div className="flash-stage still" style={{ '--flash-size': `${flash.size / 2}rem` } as CSSProperties}>
      <ol className="plain-list mono">
        {list.map((word, i) => (
          <li key={i}>{word}</li>
        ))}
      </ol>
      <p className="sr-only" id="numbers">
        <Words>{aloud(list.join('; ').replaceAll('−', 'minus '))}</Words>
      </p>
      <KeyButton label="I have the sum" onPress={on} main focused describedBy="numbers" />
    </div>
  )
}

function Moving({ problem, way, pace, sound, onStop, onDone }: Props) {
  const { flash } = useSettings()
  const stage = useRef<HTMLDivElement>(null)
  const number = useRef<HTMLDivElement>(null)
  const latest = useRef({ onStop, onDone })
  latest.current = { onStop, onDone }
  useEffect(() => {
    const texts = words(problem)
    const plain = texts.map((t) => aloud(t.replace('−', 'minus ')))
    let quiet = () => {}
    // Straight into the page: nothing else is drawn between the numbers.
    const element = number.current!
    element.textContent = ''
    const run = showNumbers(
      problem.terms.length,
      pace,
      (index) => {
        if (way === 'flash') element.textContent = index === undefined ? '' : written(texts[index]!)
        if (sound === 'voice' && index !== undefined) speak(plain[index]!, 900 / pace.showMs)
      },
      (start) => {
        if (sound === 'beep') quiet = planBeeps(onsets(problem.terms.length, pace).map((at) => start + at))
        if (way !== 'flash') glide(stage.current!, texts, way, pace, start)
      },
    )
    run.done.then((measured) => latest.current.onDone({ ...pace, way, ...errorOf(measured) }))
    const stop = () => {
      run.stop()
      latest.current.onStop()
    }
    window.addEventListener('keydown', stop)
    window.addEventListener('pointerdown', stop)
    stage.current!.focus({ preventScroll: true })
    return () => {
      run.stop()
      quiet()
      hush()
      window.removeEventListener('keydown', stop)
      window.removeEventListener('pointerdown', stop)
    }
  }, [problem, way, pace.showMs, pace.gapMs, sound])
  return (
    <section
      ref={stage}
      aria-label="Numbers are being shown. Any key stops."
      tabIndex={-1}
      className={`flash-stage ${way}`}
      style={{ '--flash-size': `${flash.size}rem` } as CSSProperties}
    >
      <div ref={number} className="flash-number mono" data-testid="flash-number" />
    </section>
  )
}

/** Where a number comes from and goes to, by way of the tape. */
const GLIDES = {
  'tape-left': ['translate(60vw, 0)', 'translate(-60vw, 0)'],
  'tape-right': ['translate(-60vw, 0)', 'translate(60vw, 0)'],
  'tape-down': ['translate(0, -45vh)', 'translate(0, 45vh)'],
} as const

/** Each number glides across the stage and stands in its middle when it is due. The browser moves it, without code on the way. */
function glide(
  stage: HTMLElement,
  texts: readonly string[],
  way: Shown['way'],
  { showMs, gapMs }: FlashPace,
  start: number,
): void {
  const across = 3 * (showMs + gapMs)
  for (const [i, text] of texts.entries()) {
    const element = document.createElement('div')
    element.className = 'flash-number gliding mono'
    element.textContent = written(text)
    stage.append(element)
    const due = start + i * (showMs + gapMs) - performance.now()
    const [from, to] = GLIDES[way as keyof typeof GLIDES]
    element.animate([{ transform: from }, { transform: to }], {
      duration: across,
      delay: due - across / 2 + showMs / 2,
      fill: 'both',
    })
  }
}
