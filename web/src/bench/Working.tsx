import { toText } from '@tachymetra/core/number'
import { figuresOf, openStep } from '@tachymetra/core/session'
import { deadlineOf, type Recipe } from '@tachymetra/core/set'
import type { Spot } from '@tachymetra/core/technique'
import { useEffect, useRef, useState } from 'react'
import { keepFade } from '../data/fade.js'
import { changeSettings, useSettings } from '../data/settings.js'
import { Checks } from '../parts/Checks.js'
import { Fold } from '../parts/Fold.js'
import { Guard, lazily } from '../parts/Guard.js'
import { KeyButton } from '../parts/KeyButton.js'
import { answerGiven } from '../parts/saying.js'
import { useKeys } from '../parts/useKeys.js'
import { Asking } from './Asking.js'
import { PaceHead } from './PaceHead.js'
import { Side } from './Side.js'
import { Stage } from './Stage.js'
import { useFrame } from './useFrame.js'
import { type Recording, useRecording } from './useRecording.js'

const KeyHelp = lazily(() => import('./KeyHelp.js'))

interface Props extends Recording {
  /** Undefined for problems of the learner's own parameters: there is nothing to aim for. */
  readonly targetMs: number | undefined
  /** Which of how many it is. */
  readonly at: number
  readonly of: number
  /** The recipe of its set, and when the session began. */
  readonly recipe: Recipe
  readonly sessionStartedAt: string
  readonly learnerId: string
  readonly onNext: () => void
  readonly onStop: () => void
}

/** One problem being worked. */
export function Working(props: Props) {
  const { exercise, at, of, recipe, targetMs, learnerId, onNext, onStop } = props
  const { technique, problem, level } = exercise
  const { clock, onward } = useSettings()
  // It is only said at the end of the session what was right: the first answer ends the attempt.
  const atEnd = recipe.answers === 'at-end' && props.support === 'answer'
  const [helpOpen, setHelpOpen] = useState(false)
  const [checking, setChecking] = useState(false)
  const [rodValues, setRodValues] = useState(false)
  const [picked, setPicked] = useState<readonly Spot[]>([])
  const { attempt, explained, startedAt } = useRecording({
    ...props,
    byItself: onward === 'last-digit' && props.support === 'answer',
    onDone(local) {
      props.onDone(local)
      if (frame.abacus && !frame.reading) keepFade(learnerId, technique.id, level, local.verdict)
      if (atEnd) onNext()
    },
  })
  const { progress, typing } = attempt
  const step = openStep(progress)
  const done = progress.outcome !== undefined
  // Where a decision was not asked for, nothing may show it.
  const decided = progress.support === 'steps' && progress.walks[0]?.steps.at(-1)?.decision
  const lit = decided ? undefined : step?.place
  const frame = useFrame(learnerId, exercise, attempt, lit)
  const { beads, onFrame } = frame
  useOnward(
    onward !== 'enter' && progress.outcome === 'done' && figuresOf(progress).right && !checking,
    onNext,
  )
  const [item, whole] = [Date.parse(startedAt), Date.parse(props.sessionStartedAt)]
  const deadline = deadlineOf(recipe, { item, whole })
  useTimeLimit(deadline, () => !done && attempt.note('timed-out'))

  /** An answer, and where it is only said at the end, the only one. */
  const confirmed = (confirm: () => void) => {
    confirm()
    const { progress } = attempt.latest()
    if (atEnd && progress.outcome === undefined && progress.entries.length > 0) attempt.note('handed-in')
  }
  const act = {
    enter: () => {
      if (done) return onNext()
      // An untouched frame is no answer yet; it may just have been accepted by itself.
      if (onFrame) return beads.moved && attempt.enter(toText(beads.value()))
      // Digits taken by touch stand for the total they come to, as if it had been typed.
      if (step?.picks && picked.length > 0 && typing.text === '')
        attempt.enter(toText(step.picks.value(picked)))
      else confirmed(attempt.confirm)
      setPicked([])
    },
    hint: () => !progress.hintOpen && progress.walks[0]?.next && attempt.note('hint'),
    show: () => attempt.note('given'),
    skip: () => (done ? onNext() : attempt.note('skipped')),
    clock: () => changeSettings({ clock: !clock }),
    // An attempt with entries is kept as stopped; one not yet begun leaves no trace.
    stop: () => {
      if (!done && progress.entries.length > 0) attempt.note('stopped')
      onStop()
    },
    help: () => setHelpOpen(true),
  }
  const kind = attempt.question()?.kind
  const onKey = (key: string) => confirmed(() => attempt.press(key))
  useKeys(
    {
      h: act.hint,
      s: act.show,
      n: act.skip,
      t: act.clock,
      c: () => done && setChecking(!checking),
      '?': act.help,
      Escape: act.stop,
      Enter: act.enter,
      Backspace: attempt.erase,
      ...(onFrame && { ...beads.keys, v: () => setRodValues(!rodValues) }),
    },
    kind && { keys: [...kind.keys, ...(kind.alsoTyped ?? [])], press: onFrame ? beads.digit : onKey },
    !helpOpen,
  )
  return (
    <>
      <div className="stack work">
        <PaceHead
          at={at}
          of={of}
          targetMs={targetMs}
          support={progress.mostHelp}
          running={!done}
          deadline={deadline}
        />
        <div className="stage">
          <Stage
            problem={problem}
            attempt={attempt}
            frame={frame}
            lit={lit}
            rodValues={rodValues}
            picked={picked}
            onPick={setPicked}
          />
        </div>
        <div className="asking">
          <Asking attempt={attempt} explained={explained} frame={frame} onKey={onKey} onEnter={act.enter} />
        </div>
        {done && (
          <div className="row keys-line">
            <KeyButton
              label={at >= of ? 'Summary' : 'Next problem'}
              shortcut="Enter"
              onPress={act.enter}
              main
            />
          </div>
        )}
        <div className="row keys-line">
          {!done && (
            <>
              <KeyButton label="Hint" shortcut="H" onPress={act.hint} disabled={progress.hintOpen} />
              <KeyButton label="Show" shortcut="S" onPress={act.show} />
              <KeyButton label="Skip" shortcut="N" onPress={act.skip} />
            </>
          )}
          <KeyButton label="Stop" shortcut="Esc" onPress={act.stop} />
          <KeyButton label={clock ? 'Hide the clock' : 'Show the clock'} shortcut="T" onPress={act.clock} />
          <KeyButton label="Keys" shortcut="?" onPress={act.help} />
        </div>
        {done && (
          <Fold summary="Check it without redoing (C)" open={checking} onToggle={setChecking}>
            {() => <Checks problem={problem} answer={answerGiven(progress)} />}
          </Fold>
        )}
      </div>
      <Side progress={progress} />
      <Guard waiting={null}>{helpOpen && <KeyHelp onClose={() => setHelpOpen(false)} />}</Guard>
    </>
  )
}

/** How long a right answer stands before the next problem comes by itself. */
const STANDS_MS = 900

/** Goes on by itself once a problem was answered rightly, so that the verdict is seen before. */
function useOnward(right: boolean, next: () => void): void {
  const latest = useRef(next)
  latest.current = next
  useEffect(() => {
    if (!right) return
    const timer = setTimeout(() => latest.current(), STANDS_MS)
    return () => clearTimeout(timer)
  }, [right])
}

/** Calls once when the time is up. @param deadline in milliseconds since 1970 */
function useTimeLimit(deadline: number | undefined, over: () => void): void {
  const latest = useRef(over)
  latest.current = over
  useEffect(() => {
    if (deadline === undefined) return
    const timer = setTimeout(() => latest.current(), Math.max(0, deadline - Date.now()))
    return () => clearTimeout(timer)
  }, [deadline])
}
