import {
  type AnswerLine,
  type AttemptRecord,
  clearFrame,
  commit,
  commitValue,
  type Decimal,
  type Exercise,
  eraseKey,
  frameValue,
  type Held,
  hint,
  judgeAttempt,
  lineOf,
  lowestOf,
  lowestPlace,
  momentAfter,
  openStep,
  type Play,
  placeName,
  recordOf,
  rodAt,
  type Spot,
  setNumber,
  show,
  skip,
  startPlay,
  toText,
  touched,
  typeKey,
  ZERO,
} from '@tachymetra/core'
import { lazy, Suspense, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { keepFade, useFade } from '../data/fade.js'
import { changeSettings, useSettings } from '../data/settings.js'
import { Checks } from '../parts/Checks.js'
import { Fold } from '../parts/Fold.js'
import { Hands } from '../parts/Hand.js'
import { KeyButton } from '../parts/KeyButton.js'
import { Keypad } from '../parts/Keypad.js'
import { PlaceRule } from '../parts/PlaceRule.js'
import { SorobanFrame } from '../parts/SorobanFrame.js'
import { useKeys } from '../parts/useKeys.js'
import { seconds } from '../parts/words.js'
import { AbacusProblem } from './AbacusProblem.js'
import { DIGIT_ACTIONS } from './actions.js'
import { useBeads } from './beads.js'
import { PaceBar } from './PaceBar.js'
import { answerGiven, Done, FRAME_NOTES, Hint, questionOf, Said, Steps, useExplanation } from './saying.js'
import { HAS_TOUCH } from './touch.js'

const KeyHelp = lazy(() => import('./KeyHelp.js'))

/** Asking and checking takes longer than working alone, so the target is stretched while there is support. */
const TARGET_STRETCH = { guided: 3, steps: 1.5, answer: 1 } as const

const BLANK: AnswerLine = { negative: false, cells: [] }
const NOTHING: readonly Held[] = []

interface Props {
  readonly exercise: Exercise
  /** Undefined for problems of the learner's own dials: there is nothing to aim for. */
  readonly targetMs: number | undefined
  readonly n: number
  readonly planned: number
  readonly sittingId: string
  readonly learnerId: string
  /** Called once, the moment the attempt is over. */
  readonly onDone: (record: AttemptRecord) => void
  readonly onNext: (record: AttemptRecord) => void
  readonly onStop: () => void
}

/** One problem being worked. */
export function Working({
  exercise,
  targetMs,
  n,
  planned,
  sittingId,
  learnerId,
  onDone,
  onNext,
  onStop,
}: Props) {
  const { support, problem } = exercise
  const { clock } = useSettings()
  const [helpOpen, setHelpOpen] = useState(false)
  const [checking, setChecking] = useState(false)
  const [rodValues, setRodValues] = useState(false)
  const [picked, setPicked] = useState<readonly Spot[]>([])
  const [play, setPlay] = useState(() => startPlay(exercise, performance.now()))
  const [as] = useState(() => ({
    id: crypto.randomUUID(),
    sittingId,
    n,
    startedAt: new Date().toISOString(),
  }))
  const [record, setRecord] = useState<AttemptRecord>()
  const entry = useRef<HTMLInputElement>(null)
  const step = openStep(play)
  const done = play.outcome !== undefined
  const { rods, strict } = useSettings()
  const fade = useFade(learnerId)
  // The frame is at hand unless it has been let go of; a number to be read always stands on it.
  const reading = play.whole.steps[0]?.beads?.kind === 'read'
  const framed = exercise.technique.frame !== undefined && (reading || fade.level !== 'none')
  const onFrame = framed && !reading && !done

  const change = (next: Play) => {
    setPlay(next)
    if (!next.outcome || play.outcome) return
    const finished = recordOf(next, as)
    setRecord(finished)
    onDone(finished)
    if (exercise.technique.frame && !reading) keepFade(learnerId, judgeAttempt(finished))
  }
  const start = useMemo(
    () => exercise.technique.frame?.(exercise.problem, rods) ?? clearFrame(),
    [exercise.technique, exercise.problem, rods],
  )
  const lastMade = play.made.at(-1)
  const beads = useBeads({
    start,
    step,
    standing: exercise.technique.frame ? (play.accepted.at(-1) ?? frameValue(start)) : ZERO,
    active: onFrame,
    strict,
    wrong: lastMade && !lastMade.right ? lastMade : undefined,
    onMove: () => setPlay((p) => touched(p, performance.now())),
    commit: (value) => change(commitValue(play, value, performance.now())),
  })
  /** Digits taken by touch stand for the total they come to, as if it had been typed. */
  const typed = (value: Decimal): Play => ({ ...play, text: toText(value) })
  const pick = ([row, place]: Spot) =>
    setPicked((before) => {
      const without = before.filter(([r]) => r !== row)
      return without.length < before.length ? without : [...before, [row, place] as const]
    })
  const act = {
    digit: (key: string) => change(typeKey(play, key, performance.now())),
    erase: () => change(eraseKey(play, performance.now())),
    enter: () => {
      if (record) return onNext(record)
      // An untouched frame is no answer yet; it may just have been accepted by itself.
      if (onFrame) return beads.moved && change(commitValue(play, beads.value(), performance.now()))
      change(
        commit(
          step?.picks && picked.length > 0 && play.text === '' ? typed(step.picks.value(picked)) : play,
          performance.now(),
        ),
      )
      setPicked([])
    },
    hint: () => change(hint(play)),
    show: () => change(show(play, performance.now())),
    skip: () => (record ? onNext(record) : change(skip(play))),
    clock: () => changeSettings({ clock: !clock }),
    // An attempt with entries is kept as skipped; one not yet begun leaves no trace.
    stop: () => {
      if (!record && play.made.length > 0) onDone(recordOf(skip(play), as))
      onStop()
    },
    help: () => setHelpOpen(true),
  }
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
      Backspace: act.erase,
      ...(onFrame && { ...beads.keys, v: () => setRodValues(!rodValues) }),
    },
    onFrame ? beads.digit : act.digit,
    !helpOpen,
  )
  useLayoutEffect(() => entry.current?.focus(), [])

  const explained = useExplanation(play)
  const finished = play.outcome === 'done'
  const lastStep = play.position.steps.at(-1)
  const answer = finished ? answerGiven(play) : undefined
  const lastEntry = play.accepted.at(-1)
  const moment = useMemo(() => {
    if (answer)
      return { writes: lineOf(answer, Math.min(lowestOf(problem), lowestPlace(answer))), holds: NOTHING }
    return lastStep && lastEntry ? momentAfter(lastStep, lastEntry) : { writes: BLANK, holds: NOTHING }
  }, [problem, answer, lastStep, lastEntry])
  const question = done ? '' : questionOf(play)

  return (
    <>
      <div className="stack">
        <div className="row spread faint">
          <span>
            Problem {n} of {planned}
          </span>
          {clock && targetMs && <span>aim for {seconds(targetMs * TARGET_STRETCH[support])}</span>}
        </div>
        {clock && targetMs && <PaceBar targetMs={targetMs * TARGET_STRETCH[support]} running={!done} />}
        {exercise.technique.frame ? (
          <AbacusProblem problem={problem} hidden={reading && !done} />
        ) : (
          <PlaceRule
            problem={problem}
            line={moment.writes}
            place={done ? undefined : step?.place}
            typing={step && DIGIT_ACTIONS.includes(step.action) ? play.text : undefined}
            finished={finished}
            links={support === 'guided' ? step?.links : undefined}
            picks={step?.picks}
            picked={picked}
            onPick={pick}
          />
        )}
        {framed && (
          <SorobanFrame
            frame={done && answer ? setNumber(start, answer) : beads.frame}
            look={
              fade.level === 'ghosts' && !reading && !done
                ? 'ghosts'
                : fade.level === 'empty' && !reading && !done
                  ? 'empty'
                  : 'beads'
            }
            onChange={onFrame ? beads.change : undefined}
            chosen={onFrame ? beads.chosen : undefined}
            onChoose={beads.choose}
            lit={done || reading ? undefined : step?.place}
            finger={support === 'guided' && !done ? lastStep?.beads?.finger : undefined}
            values={onFrame && (rodValues || fade.level === 'empty')}
            right={beads.right}
            label={reading ? 'the frame to be read' : 'the frame'}
          />
        )}
        {onFrame && (
          <p className="sr-only" aria-live="polite">
            {placeName(beads.chosen)} rod: {rodAt(beads.frame, beads.chosen)}
          </p>
        )}
        {!done && (
          <>
            <p className="question" id="question">
              {question}
              {play.hintOpen && <Hint play={play} />}
            </p>
            {step?.picks && (
              <p className="faint pick-note">Type the total, or tap the digits you take and press Enter.</p>
            )}
            {onFrame && <p className="faint pick-note">{FRAME_NOTES[fade.level]}</p>}
            <div className={onFrame ? 'sr-only' : 'entry-line'}>
              <input
                ref={entry}
                className={`entry${play.text.length > 11 ? ' long' : ''}`}
                aria-label={question || 'Your entry'}
                aria-describedby="said"
                value={onFrame ? toText(beads.value()) : play.text.replace('-', '−')}
                readOnly
                inputMode="none"
                autoComplete="off"
                data-testid="entry"
              />
            </div>
          </>
        )}
        <div className="said" id="said" role="status">
          {done ? (
            <Done play={play} totalMs={record?.totalMs} />
          ) : play.notice ? (
            <p className="said-slip">{play.notice}</p>
          ) : beads.said && onFrame ? (
            <p className="said-slip">{beads.said}</p>
          ) : (
            <Said play={play} explained={explained} />
          )}
        </div>
        {onFrame && HAS_TOUCH && (
          <div className="row keys-line">
            <KeyButton label="Judge" onPress={act.enter} main />
          </div>
        )}
        {done ? (
          <div className="row keys-line">
            <KeyButton
              label={n >= planned ? 'Summary' : 'Next problem'}
              shortcut="Enter"
              onPress={act.enter}
              main
            />
          </div>
        ) : (
          HAS_TOUCH &&
          !onFrame && (
            <Keypad onKey={act.digit} onErase={act.erase} enter={{ label: 'Enter', act: act.enter }} />
          )
        )}
        <div className="row keys-line">
          {!done && (
            <>
              <KeyButton label="Hint" shortcut="H" onPress={act.hint} disabled={play.hintOpen} />
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
            {() => <Checks problem={problem} answer={answerGiven(play)} />}
          </Fold>
        )}
      </div>
      <aside className="side stack" aria-label="What has been done">
        {support === 'guided' && !done && (
          <>
            <h2>Held in mind</h2>
            <Hands holds={moment.holds} />
          </>
        )}
        <h2>Steps so far</h2>
        <Steps made={play.made} />
      </aside>
      <Suspense>{helpOpen && <KeyHelp onClose={() => setHelpOpen(false)} />}</Suspense>
    </>
  )
}
