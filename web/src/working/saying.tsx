/** What the bench says: the question, the hint, what a mistake was, and what became of the problem. */

import type { Cause } from '@tachymetra/core/diagnose'
import type { FadeLevel } from '@tachymetra/core/learner'
import { digitAt, placeName, readDecimal, toWords } from '@tachymetra/core/number'
import { printProblem, solvedWords, trueRootWords } from '@tachymetra/core/problem'
import { asDecimal, decimals, type Value } from '@tachymetra/core/question'
import {
  againWords,
  type Exercise,
  figuresOf,
  type JudgedEntry,
  mistaken,
  moved,
  openQuestion,
  openStep,
  type Progress,
  passedOver,
  wrongAnswers,
} from '@tachymetra/core/session'
import { type BeadMove, beadWorkOf, fingerOf, moveWords } from '@tachymetra/core/soroban'
import { type Walk, wayWords } from '@tachymetra/core/technique'
import { PASSED_OVER, seconds } from '@tachymetra/core/words'
import { memo, useEffect, useRef, useState } from 'react'
import { HAS_TOUCH } from '../data/touch.js'
import { ACTION_WORDS } from '../words/actions.js'
import { Words } from '../written/Words.js'
import { askForCauses } from './causes.js'
import { Stacked } from './ItemLine.js'
import { Mark } from './Mark.js'
import './saying.css'

/** Guided asks in words; the steps alone only light the place; the answer alone asks for just that. */
export function questionOf(progress: Progress): string {
  const step = openStep(progress)
  if (step && progress.support === 'steps') return ACTION_WORDS[step.action]
  return openQuestion(progress)?.ask ?? ''
}

/** The answer an attempt came to (any of several may be right), or would have come to. */
export function answerGiven({ walks, entries, outcome }: Progress): Value {
  const last = entries.at(-1)
  const given = outcome === 'done' && last?.step === 0 ? walks[0]!.whole().kind.read(last.text) : undefined
  return given ?? walks[0]!.answer ?? walks[0]!.whole().expect
}

/** The last entry while the same question is still open. */
function standingEntry({ entries, outcome }: Progress): JudgedEntry | undefined {
  const last = entries.at(-1)
  return last && !moved(last) && outcome === undefined ? last : undefined
}

/** What is to be done on the frame, by how much of it is left. */
export const FRAME_NOTES: Readonly<Record<FadeLevel, string>> = {
  beads: 'Move the beads. Press Enter or wait a moment.',
  ghosts: 'The beads are faint: picture them.',
  empty: 'The rods are bare: move the beads you picture. The digits show the value.',
  none: '',
}

/** The same where only the answer is asked: nothing is judged before the learner says so. */
export const FRAME_NOTES_ALONE: Readonly<Record<FadeLevel, string>> = {
  beads: 'Move the beads or type the number. Enter checks it.',
  ghosts: 'The beads are faint: picture them, move them or type the number. Enter checks it.',
  empty: 'The rods are bare: move the beads you picture, or type the number. Enter checks it.',
  none: '',
}

/** The hint as a sentence: why, the facts, and on the frame every bead with its finger. */
export function hintWords(progress: Progress): string | undefined {
  const step = progress.walks[0]?.next
  if (!step) return undefined
  const facts = step.facts.join(', ').replaceAll('-', '−').replaceAll('x', '×').replaceAll('/', '÷')
  return `${progress.support === 'guided' ? step.why : step.ask}${facts && ` (${facts})`}`
}

/** Every bead of the step with its finger. */
export function fingering(moves: readonly BeadMove[]): string {
  return `${moves.map((m) => `${placeName(m.place)}: ${moveWords(m)}, ${fingerOf(m)}`).join('; ')}.`
}

/** The same where beads are moved; nothing where no bead moves. */
export function beadHintWords(progress: Progress): string | undefined {
  const step = progress.walks[0]?.next
  const moves = step && beadWorkOf(step)?.moves
  return moves && moves.length > 0 ? fingering(moves) : undefined
}

export function Hint({ progress }: { readonly progress: Progress }) {
  const words = hintWords(progress)
  const beads = beadHintWords(progress)
  if (!words) return null
  return (
    <span className="faint">
      <br />
      <Words>{words}</Words>
      {beads && (
        <>
          <br />
          <Words>{beads}</Words>
        </>
      )}
    </span>
  )
}

/** What is said to an entry that left its question open: the value that is not right, and why. */
function remarkOn(
  progress: Progress,
  explained: string | undefined,
):
  | { readonly passed: string }
  | { readonly value: string; readonly remark: string }
  | { readonly again: string }
  | undefined {
  const entry = standingEntry(progress)
  if (!entry) return undefined
  if (passedOver(entry)) return { passed: passedWords(progress, entry) }
  const again = againWords(progress)
  if (again) return { again }
  const remark =
    entry.slips[0]?.remark ??
    explained ??
    (HAS_TOUCH ? 'Try again, or tap Show.' : 'Try again, or press S to see it.')
  return { value: entryWords(progress.walks[0], entry), remark }
}

export function Said(props: { readonly progress: Progress; readonly explained: string | undefined }) {
  const said = remarkOn(props.progress, props.explained)
  if (!said) return null
  if ('passed' in said)
    return (
      <p>
        <Words>{said.passed}</Words>
      </p>
    )
  if ('again' in said)
    return (
      <p>
        <Mark right={false} />{' '}
        <span className="said-slip">
          <Words>{said.again}</Words>
        </span>
      </p>
    )
  return (
    <p>
      <Mark right={false} />{' '}
      <span className="value">
        <Words>{said.value}</Words>
      </span>{' '}
      is not right.{' '}
      <span className="said-slip">
        <Words>{said.remark}</Words>
      </span>
    </p>
  )
}

/** The same as a sentence; undefined where nothing is wrong. */
export function saidWords(progress: Progress, explained: string | undefined): string | undefined {
  const said = remarkOn(progress, explained)
  if (!said) return undefined
  if ('passed' in said) return said.passed
  return 'again' in said ? said.again : `${said.value} is not right. ${said.remark}`
}

/** A value on the way to what is asked, or true and not asked: nothing is counted. */
function passedWords(progress: Progress, entry: JudgedEntry): string {
  const { as, place, verdict } = entry
  const value = entryWords(progress.walks[0], entry)
  if (verdict === 'so-far')
    return isBareDigit(progress, entry) ? PASSED_OVER.digit(value, place) : PASSED_OVER.soFar(value)
  if (as === 'form') return openQuestion(progress)?.kind.form?.says ?? ''
  return as === 'rounded' ? PASSED_OVER.rounded(value) : PASSED_OVER.later(value, place)
}

/** The same in two words, in a list of entries. */
export const passedName = ({ verdict }: JudgedEntry) => (verdict === 'so-far' ? 'so far' : 'not counted')

/** The digit of the lit place alone, where a whole total is asked. */
function isBareDigit(progress: Progress, { text, place }: JudgedEntry): boolean {
  const step = openStep(progress)
  const total = step?.total && place > 0 ? asDecimal(step.expect) : undefined
  return total !== undefined && text === String(digitAt(total, place))
}

/** One word for what became of it, the same as in the record. */
export function verdictWords(progress: Progress): string {
  const { outcome, entries } = progress
  if (outcome !== 'done') return outcome === 'timed-out' ? 'Time is up' : 'Skipped'
  const { right, clean } = figuresOf(progress)
  if (clean) return 'Right first time'
  const help = progress.hints > 0 || entries.some((e) => e.verdict === 'given')
  if (right) return entries.some(mistaken) ? 'Right, after a mistake on the way' : 'Right, with help'
  return help && entries.at(-1)?.verdict === 'given' ? 'Shown' : 'Right after another try'
}

/** How it came out, how long it took unless nothing is to hurry, and how many of what was to be found. */
function outcomeWords(progress: Progress, calm: boolean): string {
  const { problem, technique } = progress.task as Exercise
  const done = progress.outcome === 'done'
  const tally =
    progress.mostHelp !== 'answer' && done
      ? technique.tally?.(problem, decimals(progress.walks[0]!.entries))
      : undefined
  const time = done && !calm ? `, in ${seconds(figuresOf(progress).totalMs)}` : ''
  const found = tally && tally.of > 0 ? `; ${tally.what}: ${tally.found} of ${tally.of}` : ''
  return `${verdictWords(progress)}${time}${found}`
}

const solved = (progress: Progress) => solvedWords((progress.task as Exercise).problem, answerGiven(progress))

const besideIt = (progress: Progress) =>
  trueRootWords((progress.task as Exercise).problem, answerGiven(progress))

export function Done({ progress, calm }: { readonly progress: Progress; readonly calm: boolean }) {
  const { right } = figuresOf(progress)
  const beside = besideIt(progress)
  return (
    <div className="done-panel">
      <p className="big">
        <Stacked text={solved(progress)} />
      </p>
      {beside && (
        <p className="faint">
          <Words>{beside}</Words>
        </p>
      )}
      <p className={right ? 'said-right' : ''}>
        {right && <Mark right />} <Words>{outcomeWords(progress, calm)}</Words>
      </p>
    </div>
  )
}

/** The same as sentences. */
export const doneWords = (progress: Progress, calm: boolean): string =>
  [`${outcomeWords(progress, calm)}. ${solved(progress)}.`, besideIt(progress)].filter(Boolean).join(' ')

/** The way the learner has turned out to work, where it is another than the one set. */
export function WayWorked({ progress }: { readonly progress: Progress }) {
  const { technique, variant } = progress.task as Exercise
  const way =
    progress.entries.length > 0 ? wayWords(technique, variant, progress.walks[0]!.variant) : undefined
  return way ? (
    <p className="faint">
      You work it another way: <Words>{way}</Words>.
    </p>
  ) : null
}

/** As many entries as fit beside the problem; the ones before are in the record. */
const LAST_ENTRIES = 9

export const Steps = memo(function Steps(props: {
  readonly entries: readonly JudgedEntry[]
  readonly walk: Walk | undefined
  readonly calm: boolean
}) {
  const { entries: all, walk, calm } = props
  const before = Math.max(0, all.length - LAST_ENTRIES)
  if (all.length === 0) return <p className="faint">None yet.</p>
  return (
    <>
      {before > 0 && <p className="faint">{before} before these</p>}
      <ol className="plain-list steps" start={before + 1}>
        {all.slice(before).map((entry, i) => (
          <li key={before + i}>
            {passedOver(entry) ? <span aria-hidden="true">·</span> : <Mark right={moved(entry)} />}
            <span>
              <span className="value">
                <Words>{entryWords(walk, entry)}</Words>
              </span>
              {entry.verdict === 'given' && <span className="faint"> shown</span>}
              {passedOver(entry) && <span className="faint"> {passedName(entry)}</span>}
              {entry.verdict === 'ahead' && <span className="faint"> at once</span>}
              {entry.slips[0] && (
                <span className="said-slip">
                  {' '}
                  <Words>{entry.slips[0].remark}</Words>
                </span>
              )}
            </span>
            {!calm && (
              <span className="mono faint">
                <Words>{seconds(entry.ms)}</Words>
              </span>
            )}
          </li>
        ))}
      </ol>
    </>
  )
})

/** The likely causes of the wrong answers of an attempt, in their order: sought aside, so that no key has to wait. */
export function useCauses(progress: Progress): {
  readonly explained: string | undefined
  readonly causes: readonly (readonly Cause[] | undefined)[]
} {
  const wrong = wrongAnswers(progress)
  const nth = wrong.length - 1
  const answer = wrong.at(-1)?.text
  const causes = useRef<(readonly Cause[] | undefined)[]>([])
  const [explained, setExplained] = useState<{ readonly nth: number; readonly words: string }>()
  const exercise = progress.task as Exercise
  useEffect(() => {
    if (answer === undefined || causes.current[nth]) return
    const { technique, problem, variant } = exercise
    const asked = { technique: technique.id, expression: printProblem(problem), variant, answer, nth }
    return askForCauses(asked, (found) => {
      causes.current[nth] = found
      const [cause, other] = found
      if (!cause) return
      const remarks = cause.slips.map((s) => s.remark).join(' ')
      setExplained({
        nth,
        words: other ? `Likely: ${remarks} (Other mistakes would fit too.)` : `Likely: ${remarks}`,
      })
    })
  }, [answer, nth, exercise])
  const shown = standingEntry(progress)?.step === 0 && explained?.nth === nth
  return { explained: shown ? explained?.words : undefined, causes: causes.current }
}

/** An entry as its kind of answer is said; a number where the step it answered is not known. */
export function entryWords(
  walk: Walk | undefined,
  { text, step }: Pick<JudgedEntry, 'text' | 'step'>,
): string {
  const kind = step === 0 ? walk?.whole().kind : (walk?.steps[step - 1] ?? walk?.next)?.kind
  const value = kind?.read(text)
  if (kind && value !== undefined)
    return kind.form && !kind.form.is(text) ? text.replace('_', ' ') : kind.say(value)
  const read = readDecimal(text)
  return read ? toWords(read) : text.replace('_', ' ')
}
