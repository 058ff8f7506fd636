/** What the bench says: the question, the hint, what a slip was, and what became of the problem. */
import {
  answerOf,
  type BeadMove,
  type Decimal,
  equal,
  type FadeLevel,
  fingerOf,
  type Made,
  moveWords,
  openStep,
  type Play,
  placeName,
  printProblem,
  problemWords,
  readDecimal,
  standingSlip,
  toWords,
} from '@tachymetra/core'
import { memo, useEffect, useState } from 'react'
import { Mark } from '../parts/Mark.js'
import { seconds } from '../parts/words.js'
import { ACTION_WORDS } from './actions.js'
import { askForCauses } from './causes.js'

/** Guided asks in words; the steps alone only light the place; the answer alone asks for just that. */
export function questionOf(play: Play): string {
  const step = openStep(play)
  if (play.exercise.support === 'guided' && step) return step.ask
  if (step) return ACTION_WORDS[step.action]
  const { asks } = play.exercise.technique
  return asks ? `The answer? (${asks(play.exercise.school)})` : 'The answer?'
}

/** The answer a play came to (any of several may be right), or would have come to. */
export function answerGiven(play: Play): Decimal {
  const { whole, exercise, made, outcome } = play
  if (outcome !== 'done') return whole.answer
  if (exercise.support !== 'answer') return play.position.answer ?? whole.answer
  return readDecimal(made.at(-1)!.value) ?? whole.answer
}

/** What is to be done on the frame, by how much of it is left. */
export const FRAME_NOTES: Readonly<Record<FadeLevel, string>> = {
  beads: 'Move the beads; Enter, or a short rest, judges them.',
  ghosts: 'The beads are only shadows now: see them for yourself.',
  empty: 'The rods are bare: move the beads you see in your mind; the digits tell what stands there.',
  none: '',
}

/** Every bead of the step with its finger. */
function Fingering({ moves }: { readonly moves: readonly BeadMove[] }) {
  return (
    <>
      <br />
      {moves.map((m) => `${placeName(m.place)}: ${moveWords(m)}, ${fingerOf(m)}`).join('; ')}.
    </>
  )
}

export function Hint({ play }: { readonly play: Play }) {
  const step = play.position.next
  if (!step) return null
  const facts =
    step.facts.length > 0 &&
    ` (${step.facts.join(', ').replaceAll('-', '−').replaceAll('x', '×').replaceAll('/', '÷')})`
  return (
    <span className="faint">
      <br />
      {play.exercise.support === 'guided' ? step.why : step.ask}
      {facts}
      {step.beads && step.beads.moves.length > 0 && <Fingering moves={step.beads.moves} />}
    </span>
  )
}

/** What is said to a wrong entry while its question is still open. */
export function Said({ play, explained }: { readonly play: Play; readonly explained: string | undefined }) {
  const slip = standingSlip(play)
  if (!slip) return null
  const remark = slip.slip?.remark ?? explained
  return (
    <p>
      <Mark right={false} /> <span className="value">{words(slip.value)}</span> is not it.{' '}
      <span className="said-slip">{remark ?? 'Try again, or press S to be shown.'}</span>
    </p>
  )
}

export function Done({ play, totalMs }: { readonly play: Play; readonly totalMs: number | undefined }) {
  const { problem, technique, support } = play.exercise
  const answer = answerGiven(play)
  const sign = equal(answer, answerOf(problem)) ? '=' : '≈'
  const tally =
    support !== 'answer' && play.outcome === 'done' ? technique.tally?.(problem, play.accepted) : undefined
  const wrong = play.made.some((m) => !m.right)
  const shown = play.made.some((m) => m.by === 'program')
  const verdict =
    play.outcome === 'skipped' ? 'Skipped' : shown ? 'Shown' : wrong ? 'Right in the end' : 'Right'
  return (
    <div className="done-panel">
      <p className="big">
        {problemWords(problem)} {sign} {toWords(answer)}
      </p>
      <p className={verdict === 'Right' ? 'said-right' : ''}>
        {verdict === 'Right' && <Mark right />} {verdict}
        {play.outcome === 'done' && `, in ${seconds(totalMs)}`}
        {tally && tally.of > 0 && `; ${tally.what}: ${tally.found} of ${tally.of}`}
      </p>
    </div>
  )
}

/** As many entries as fit beside the problem; the ones before are in the record. */
const LAST_ENTRIES = 9

export const Steps = memo(function Steps({ made: all }: { readonly made: Play['made'] }) {
  const before = Math.max(0, all.length - LAST_ENTRIES)
  if (all.length === 0) return <p className="faint">None yet.</p>
  return (
    <>
      {before > 0 && <p className="faint">{before} before these</p>}
      <ol className="plain-list steps" start={before + 1}>
        {all.slice(before).map((made, i) => (
          <li key={before + i}>
            <Mark right={made.right} />
            <span>
              <span className="value">{words(made.value)}</span>
              {made.by === 'program' && <span className="faint"> shown</span>}
              {made.slip && <span className="said-slip"> {made.slip.remark}</span>}
            </span>
            <span className="mono faint">{seconds(made.ms)}</span>
          </li>
        ))}
      </ol>
    </>
  )
})

/** The likely cause of a wrong answer given without steps: sought aside, so that no key has to wait for it. */
export function useExplanation(play: Play): string | undefined {
  const [explained, setExplained] = useState<{ of: Made; remark: string }>()
  const slip = play.exercise.support === 'answer' ? standingSlip(play) : undefined
  useEffect(() => {
    if (!slip) return
    const { technique, problem, school } = play.exercise
    return askForCauses(
      { technique: technique.id, expression: printProblem(problem), school, answer: slip.value },
      ([cause, other]) => {
        if (!cause) return
        const remarks = cause.slips.map((s) => s.remark).join(' ')
        setExplained({
          of: slip,
          remark: other ? `Likely: ${remarks} (Other slips would fit too.)` : `Likely: ${remarks}`,
        })
      },
    )
  }, [slip, play.exercise])
  return slip && explained?.of === slip ? explained.remark : undefined
}

function words(value: string): string {
  const read = readDecimal(value)
  return read ? toWords(read) : value
}
