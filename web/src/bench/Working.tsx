import { lowestPlace, placeName, toText, ZERO } from '@tachymetra/core/number'
import { lowestOf, printProblem } from '@tachymetra/core/problem'
import {
  type AttemptEvent,
  type AttemptRecord,
  type Exercise,
  JUDGE,
  openStep,
  type Progress,
  verdictOf,
  type WorkedSupport,
} from '@tachymetra/core/session'
import {
  beadWorkOf,
  clearFrame,
  frameOf,
  frameValue,
  isAbacus,
  isOnFrame,
  leftStanding,
  rodAt,
  setNumber,
} from '@tachymetra/core/soroban'
import { type AnswerLine, type Held, lineOf, momentAfter, type Spot, trace } from '@tachymetra/core/technique'
import { lazy, Suspense, useEffect, useMemo, useRef, useState } from 'react'
import { keepFade, useFade } from '../data/fade.js'
import { leftAt, noteLeaving } from '../data/leaving.js'
import { changeSettings, useSettings } from '../data/settings.js'
import { keepOpenNow, keepOpenSoon, type LocalAttempt } from '../data/store.js'
import { Checks } from '../parts/Checks.js'
import { Entry } from '../parts/Entry.js'
import { Fold } from '../parts/Fold.js'
import { Hands } from '../parts/Hand.js'
import { KeyButton } from '../parts/KeyButton.js'
import { PlaceRule } from '../parts/PlaceRule.js'
import { SorobanFrame } from '../parts/SorobanFrame.js'
import { HAS_TOUCH } from '../parts/touch.js'
import { useAttempt } from '../parts/useAttempt.js'
import { useKeys } from '../parts/useKeys.js'
import { seconds } from '../parts/words.js'
import { AbacusProblem } from './AbacusProblem.js'
import { DIGIT_ACTIONS } from './actions.js'
import { useBeads } from './beads.js'
import { PaceBar } from './PaceBar.js'
import {
  answerGiven,
  Done,
  FRAME_NOTES,
  Hint,
  questionOf,
  Said,
  Steps,
  useCauses,
  WayWorked,
} from './saying.js'

const KeyHelp = lazy(() => import('./KeyHelp.js'))

/** Asking and checking takes longer than working alone, so the target is stretched while there is support. */
const TARGET_STRETCH = { guided: 3, steps: 1.5, answer: 1 } as const

const BLANK: AnswerLine = { negative: false, cells: [] }
const NOTHING: readonly Held[] = []

interface Props {
  readonly exercise: Exercise
  /** The support chosen now; changed in the middle, the same problem goes on. */
  readonly support: WorkedSupport
  /** Undefined for problems of the learner's own dials: there is nothing to aim for. */
  readonly targetMs: number | undefined
  readonly n: number
  readonly planned: number
  readonly sittingId: string
  readonly learnerId: string
  /** The attempt as it was left, when it is gone on with. */
  readonly open: AttemptRecord | undefined
  /** Told of the attempt as it stands, whenever something happens in it. */
  readonly onOpen: (open: AttemptRecord) => void
  /** Called once, the moment the attempt is over. */
  readonly onDone: (attempt: LocalAttempt) => void
  readonly onNext: () => void
  readonly onStop: () => void
}

/** What an attempt is begun or gone on with: when it was shown, and the events so far. */
function resumed(open: AttemptRecord | undefined): {
  startedAt: string
  events?: readonly AttemptEvent[]
  elapsed: number
} {
  if (!open) return { startedAt: new Date().toISOString(), elapsed: 0 }
  const last = open.events.at(-1)?.at ?? 0
  const elapsed = Math.max(last, Date.now() - Date.parse(open.startedAt))
  const left = leftAt(open.id)
  // How long the page was gone is not the learner's time.
  const gone: AttemptEvent[] =
    left !== undefined && left >= last && left <= elapsed
      ? [
          { kind: 'left', at: left },
          { kind: 'back', at: elapsed },
        ]
      : []
  return { startedAt: open.startedAt, events: [...open.events, ...gone], elapsed }
}

/** One problem being worked. */
export function Working(props: Props) {
  const { exercise, support, targetMs, n, planned, sittingId, learnerId, open, onNext, onStop } = props
  const { technique, problem } = exercise
  const { clock, rods, strict } = useSettings()
  const [helpOpen, setHelpOpen] = useState(false)
  const [checking, setChecking] = useState(false)
  const [rodValues, setRodValues] = useState(false)
  const [picked, setPicked] = useState<readonly Spot[]>([])
  const [begun] = useState(() => ({ id: open?.id ?? crypto.randomUUID(), ...resumed(open) }))
  const [finished, setFinished] = useState(false)

  const recordOf = (events: readonly AttemptEvent[], { mostHelp }: Progress): AttemptRecord => ({
    id: begun.id,
    sittingId,
    n,
    technique: technique.id,
    school: exercise.school,
    level: exercise.level,
    support: mostHelp,
    expression: printProblem(problem),
    startedAt: begun.startedAt,
    judge: JUDGE,
    events,
  })
  const latest = useRef(open)
  const attempt = useAttempt({
    task: exercise,
    ...(begun.events && { events: begun.events }),
    elapsed: begun.elapsed,
    onChange(events, progress) {
      const record = recordOf(events, progress)
      latest.current = record
      if (progress.outcome === undefined) {
        props.onOpen(record)
        keepOpenSoon(record)
        return
      }
      setFinished(true)
      const verdict = verdictOf(progress, causes)
      props.onDone({ record, verdict })
      if (isAbacus(technique) && !reading) keepFade(learnerId, technique.id, exercise.level, verdict)
    },
  })
  const { progress, typing } = attempt
  const { explained, causes } = useCauses(progress)
  const step = openStep(progress)
  const done = progress.outcome !== undefined
  const fade = useFade(learnerId, technique.id, exercise.level)
  // The frame is at hand unless it has been let go of; a number to be read always stands on it.
  const reading = useMemo(
    () => trace(technique, problem, exercise.school).steps[0]?.action === 'read',
    [technique, problem, exercise.school],
  )
  const abacus = isAbacus(technique)
  const framed = abacus && (reading || fade.level !== 'none')
  // What is decided before beads are moved is typed.
  const onFrame = framed && !reading && !done && (step === undefined || isOnFrame(step))

  const current = useRef({ attempt, done })
  current.current = { attempt, done }
  useEffect(() => {
    if (!current.current.done && current.current.attempt.progress.support !== support)
      current.current.attempt.support(support)
  }, [support])
  // Leaving the page, for a reload or another view: the time until the return is known.
  useEffect(() => {
    const leaving = () => {
      void keepOpenNow()
      noteLeaving(begun.id, begun.startedAt, latest.current)
    }
    window.addEventListener('pagehide', leaving)
    return () => {
      window.removeEventListener('pagehide', leaving)
      leaving()
    }
  }, [begun])

  const start = useMemo(() => frameOf(technique, problem, rods) ?? clearFrame(), [technique, problem, rods])
  const [walk] = progress.walks
  const lastEntry = walk?.entries.at(-1)
  const lastStep = walk?.steps.at(-1)
  // Where a decision was not asked for, nothing may show it.
  const lit = progress.support === 'steps' && lastStep?.decision ? undefined : step?.place
  const last = progress.entries.at(-1)
  const beads = useBeads({
    start,
    step,
    at: lit,
    standing: abacus && walk ? (leftStanding(walk.steps, walk.entries) ?? frameValue(start)) : ZERO,
    active: onFrame,
    strict,
    wrong: last && last.took === 0 ? last : undefined,
    onMove: attempt.touch,
    commit: (value) => attempt.enter(toText(value)),
  })
  const pick = ([row, place]: Spot) =>
    setPicked((before) => {
      const without = before.filter(([r]) => r !== row)
      return without.length < before.length ? without : [...before, [row, place] as const]
    })
  const act = {
    enter: () => {
      if (finished) return onNext()
      // An untouched frame is no answer yet; it may just have been accepted by itself.
      if (onFrame) return beads.moved && attempt.enter(toText(beads.value()))
      // Digits taken by touch stand for the total they come to, as if it had been typed.
      if (step?.picks && picked.length > 0 && typing.text === '')
        attempt.enter(toText(step.picks.value(picked)))
      else attempt.confirm()
      setPicked([])
    },
    hint: () => !progress.hintOpen && walk?.next && attempt.note('hint'),
    show: () => attempt.note('given'),
    skip: () => (finished ? onNext() : attempt.note('skipped')),
    clock: () => changeSettings({ clock: !clock }),
    // An attempt with entries is kept as stopped; one not yet begun leaves no trace.
    stop: () => {
      if (!done && progress.entries.length > 0) attempt.note('stopped')
      onStop()
    },
    help: () => setHelpOpen(true),
  }
  const kind = attempt.question()?.kind
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
    kind && { keys: [...kind.keys, ...(kind.alsoTyped ?? [])], press: onFrame ? beads.digit : attempt.press },
    !helpOpen,
  )

  const ended = progress.outcome === 'done'
  const answer = ended ? answerGiven(progress) : undefined
  const moment = useMemo(() => {
    if (answer)
      return { writes: lineOf(answer, Math.min(lowestOf(problem), lowestPlace(answer))), holds: NOTHING }
    return lastStep && lastEntry ? momentAfter(lastStep, lastEntry) : { writes: BLANK, holds: NOTHING }
  }, [problem, answer, lastStep, lastEntry])
  const question = done ? '' : questionOf(progress)
  const aim = targetMs && targetMs * TARGET_STRETCH[progress.mostHelp]
  const hidden = done || reading
  return (
    <>
      <div className="stack">
        <div className="row spread faint">
          <span>
            Problem {n} of {planned}
          </span>
          {clock && aim && <span>aim for {seconds(aim)}</span>}
        </div>
        {clock && aim && <PaceBar targetMs={aim} running={!done} />}
        {abacus ? (
          <AbacusProblem problem={problem} hidden={reading && !done} />
        ) : (
          <PlaceRule
            problem={problem}
            line={moment.writes}
            place={done ? undefined : lit}
            typing={step && DIGIT_ACTIONS.includes(step.action) ? typing.text : undefined}
            finished={ended}
            links={progress.support === 'guided' ? step?.links : undefined}
            picks={step?.picks}
            picked={picked}
            onPick={pick}
          />
        )}
        {framed && (
          <SorobanFrame
            frame={done && answer ? setNumber(start, answer) : beads.frame}
            look={!hidden && (fade.level === 'ghosts' || fade.level === 'empty') ? fade.level : 'beads'}
            onChange={onFrame ? beads.change : undefined}
            chosen={onFrame ? beads.chosen : undefined}
            onChoose={beads.choose}
            lit={hidden ? undefined : lit}
            finger={
              progress.support === 'guided' && !done && lastStep ? beadWorkOf(lastStep)?.finger : undefined
            }
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
              {progress.hintOpen && <Hint progress={progress} />}
            </p>
            {step?.picks && <p className="faint pick-note">Or tap the digits you take and press Enter.</p>}
            {onFrame && <p className="faint pick-note">{FRAME_NOTES[fade.level]}</p>}
          </>
        )}
        {kind && !done ? (
          <Entry
            kind={kind}
            text={onFrame ? toText(beads.value()) : typing.text}
            label={question || 'Your entry'}
            describedBy="said"
            hidden={onFrame}
            onKey={attempt.press}
            onErase={attempt.erase}
            onEnter={act.enter}
          >
            <div className="said" id="said" role="status">
              {attempt.notice ? (
                <p className="said-slip">{attempt.notice}</p>
              ) : beads.said && onFrame ? (
                <p className="said-slip">{beads.said}</p>
              ) : (
                <Said progress={progress} explained={explained} />
              )}
            </div>
          </Entry>
        ) : (
          <div className="said" id="said" role="status">
            <Done progress={progress} />
          </div>
        )}
        {onFrame && HAS_TOUCH && (
          <div className="row keys-line">
            <KeyButton label="Judge" onPress={act.enter} main />
          </div>
        )}
        {done && (
          <div className="row keys-line">
            <KeyButton
              label={n >= planned ? 'Summary' : 'Next problem'}
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
      <aside className="side stack" aria-label="What has been done">
        {progress.support === 'guided' && !done && (
          <>
            <h2>Held in mind</h2>
            <Hands holds={moment.holds} />
          </>
        )}
        <h2>Steps so far</h2>
        <Steps entries={progress.entries} />
        {progress.support !== 'answer' && <WayWorked progress={progress} />}
      </aside>
      <Suspense>{helpOpen && <KeyHelp onClose={() => setHelpOpen(false)} />}</Suspense>
    </>
  )
}
