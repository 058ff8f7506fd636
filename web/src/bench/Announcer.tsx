import { marked } from '@tachymetra/core/number'
import type { Progress } from '@tachymetra/core/session'
import { useEffect, useRef } from 'react'
import type { Hand } from '../beads/rodKeys.js'
import { rodsChanged } from '../beads/rodWords.js'
import type { Needs } from '../data/needs.js'
import { Said, useTelling } from '../practice/Told.js'
import type { AttemptOnScreen } from '../practice/useAttempt.js'
import { speak } from '../sound/speech.js'
import { aloud } from '../words/words.js'
import { beadHintWords, doneWords, hintWords, questionOf, saidWords } from '../working/saying.js'
import { Words } from '../written/Words.js'
import type { BenchFrame } from './useFrame.js'

/** What there is to tell at a moment. */
interface Told {
  readonly progress: Progress
  readonly explained: string | undefined
  /** Said about a text that is no answer, or about beads. */
  readonly notice: string | undefined
  /** What stands on the frame while beads are moved, and the rod that keys act on. */
  readonly hand: Hand | undefined
  readonly calm: boolean
}

/**
 * The one place at the bench that is read out as it changes: the verdict and the next question together, a hint, what was
 * wrong, a mistake made again, what a frame shows. Each is said once.
 */
export function Announcer(props: {
  /** The problem, in words; what describes the entry. */
  readonly opening: string
  readonly attempt: AttemptOnScreen
  readonly explained: string | undefined
  readonly frame: BenchFrame
  readonly needs: Needs
}) {
  const { opening: inWords, attempt, explained, frame, needs } = props
  const { readAloud, calm } = needs
  const told: Told = {
    progress: attempt.progress,
    explained,
    notice: attempt.notice ?? (frame.onFrame ? frame.beads.said : undefined),
    hand: frame.onFrame ? frame.beads : undefined,
    calm,
  }
  const { said, tell } = useTelling(readAloud)
  const before = useRef(told)
  // A screen reader tells the problem as the entry is focused; whoever listens to the browser's voice is told it here.
  const opening = useRef('')
  opening.current = `${inWords}. ${questionOf(attempt.progress)}`
  useEffect(() => {
    if (readAloud) speak(aloud(opening.current))
  }, [readAloud])
  useEffect(() => {
    const words = changed(before.current, told)
    before.current = told
    if (words) tell(words)
  })
  return (
    <>
      <p className="sr-only" id="problem">
        <Words>{inWords}</Words>
      </p>
      <Said>{said}</Said>
    </>
  )
}

/** What has come about between two moments, in words; undefined where there is nothing to tell. */
function changed(was: Told, is: Told): string | undefined {
  const { progress } = is
  if (progress !== was.progress) {
    if (progress.outcome !== undefined)
      return was.progress.outcome === undefined ? aloud(doneWords(progress, is.calm)) : undefined
    const [entry] = progress.entries.slice(was.progress.entries.length)
    if (entry) {
      const wrong = saidWords(progress, is.explained)
      if (wrong) return aloud(wrong)
      const verdict = entry.verdict === 'given' ? `Shown: ${marked(entry.text)}.` : 'Right.'
      return aloud(`${verdict} ${questionOf(progress)} ${handChanged(was, is)}`.trim())
    }
    if (progress.hintOpen && !was.progress.hintOpen)
      return aloud([hintWords(progress), beadHintWords(progress)].filter(Boolean).join('. '))
    // Another support asks in other words.
    if (progress.support !== was.progress.support) return aloud(questionOf(progress))
  }
  if (is.explained !== was.explained && is.explained) return aloud(is.explained)
  if (is.notice !== was.notice && is.notice) return aloud(is.notice)
  return handChanged(was, is) || undefined
}

const handChanged = (was: Told, is: Told) => (was.hand && is.hand ? rodsChanged(was.hand, is.hand) : '')
