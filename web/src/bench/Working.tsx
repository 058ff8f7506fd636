import { toText } from '@tachymetra/core/number'
import {
  type Exercise,
  figuresOf,
  openStep,
  type Progress,
  type WorkedSupport,
} from '@tachymetra/core/session'
import type { Recipe } from '@tachymetra/core/set'
import { type Spot, typedIn } from '@tachymetra/core/technique'
import { useState } from 'react'
import { rodsAloud } from '../beads/rodWords.js'
import { keepFade } from '../data/fade.js'
import { useNeeds } from '../data/needs.js'
import { useSettings } from '../data/settings.js'
import { Guard, lazily } from '../frame/Guard.js'
import { useDeadline, useOnward } from '../practice/timers.js'
import { useAnswering } from '../practice/useAnswering.js'
import { type ItemGiven, useExercise } from '../practice/useItem.js'
import { spoken } from '../words/spoken.js'
import { Afterwards } from './Afterwards.js'
import { Announcer } from './Announcer.js'
import { Asking } from './Asking.js'
import { CheckFirst } from './CheckFirst.js'
import { Checking } from './Checking.js'
import { KeysLine } from './KeysLine.js'
import { PaceHead } from './PaceHead.js'
import { Side } from './Side.js'
import { Stage } from './Stage.js'
import { Tips } from './Tips.js'
import { useCheckFirst } from './useCheckFirst.js'
import { useFrame } from './useFrame.js'
import { litPlace, useWriting, useZone } from './writing.js'

const KeyHelp = lazily(() => import('./KeyHelp.js'))

interface Props extends ItemGiven {
  readonly exercise: Exercise
  /** The support chosen now; changed in the middle, the same problem goes on. */
  readonly support: WorkedSupport
  /** Undefined for problems of the learner's own parameters: there is nothing to aim for. */
  readonly targetMs: number | undefined
  /** Which of how many it is. */
  readonly at: number
  readonly of: number
  readonly onNext: () => void
  readonly onStop: () => void
}

const isRight = (progress: Progress) => progress.outcome === 'done' && figuresOf(progress).right

/** What the learner needs; in a round that is read aloud, that too. */
function useNeedsIn({ round }: Recipe) {
  const needs = useNeeds()
  return round?.aloud ? { ...needs, readAloud: true } : needs
}

/** One problem being worked. */
export function Working(props: Props) {
  const { exercise, session, at, of, targetMs, onNext, onStop } = props
  const { recipe, learnerId, first: isFirst = false } = session
  const { technique, problem, level } = exercise
  const { clock, onward } = useSettings()
  const needs = useNeedsIn(recipe)
  const [helpOpen, setHelpOpen] = useState(false)
  const [checking, setChecking] = useState(false)
  const [rodValues, setRodValues] = useState(false)
  const [picked, setPicked] = useState<readonly Spot[]>([])
  const alone = props.support === 'answer'
  const writing = useWriting(exercise, alone)
  // It is only said at the end of the session what was right: the first answer ends the attempt.
  const atEnd = recipe.answers === 'at-end' && alone
  const { attempt, explained, causes, startedAt } = useExercise({
    ...props,
    from: writing.from,
    byItself: onward === 'last-digit' && alone && !recipe.check,
    onHappened(record, verdict, progress) {
      props.onHappened(record, verdict, progress)
      if (!verdict) return
      if (frame.abacus && !frame.reading && !needs.ownAbacus)
        keepFade(learnerId, technique.id, level, verdict)
      if (atEnd) onNext()
    },
  })
  const { progress, typing } = attempt
  const step = openStep(progress)
  const done = progress.outcome !== undefined
  const lit = litPlace(progress)
  const frame = useFrame(learnerId, exercise, attempt, lit)
  const { beads, onFrame } = frame
  const onRule = useZone(progress, exercise, writing.places)
  const zone = frame.abacus ? undefined : onRule
  const inPlace = zone !== undefined && typedIn(zone, typing.text) !== undefined
  useOnward(onward !== 'enter' && isRight(progress) && !checking, onNext)
  /** An answer, and where it is only said at the end, the only one. @param at when it was typed, where that is over */
  const confirmed = (confirm: () => void, at?: number) => {
    confirm()
    const { progress } = attempt.latest()
    if (atEnd && progress.outcome === undefined && progress.entries.length > 0) attempt.note('handed-in', at)
  }
  const first = useCheckFirst(alone && !onFrame ? recipe.check : undefined, exercise, attempt, (at) =>
    confirmed(() => attempt.confirm(undefined, at), at),
  )
  const begun = { item: startedAt, whole: session.startedAt }
  const resting = done || first.unsure ? undefined : first.rested
  const deadline = useDeadline(recipe, begun, resting, () => attempt.note('timed-out'))
  const own = {
    enter: () => {
      if (done) return onNext()
      // An untouched frame is no answer yet; it may just have been accepted by itself.
      if (onFrame) return beads.moved && attempt.enter(toText(beads.value()))
      // Digits taken by touch stand for the total they come to, as if it had been typed.
      if (step?.picks && picked.length > 0 && typing.text === '')
        attempt.enter(toText(step.picks.value(picked)))
      else if (!first.begin()) confirmed(attempt.confirm)
      setPicked([])
    },
    turn: () => {
      attempt.clear()
      writing.turn()
    },
    rods: () => setRodValues(!rodValues),
    help: () => setHelpOpen(true),
  }
  // What is to be read off the frame is told rod by rod, not as the number.
  const inWords = frame.reading ? rodsAloud(frame.start) : spoken(problem)
  const onKey = (key: string) => confirmed(() => attempt.press(key))
  const { act } = useAnswering(attempt, {
    offers: ['hint', 'show', 'skip', 'clock', 'stop'],
    own: {
      enter: own.enter,
      check: () => done && setChecking(!checking),
      help: own.help,
      turn: writing.eitherWay ? own.turn : undefined,
      rods: onFrame ? own.rods : undefined,
    },
    more: onFrame ? beads.keys : {},
    press: onFrame ? beads.digit : onKey,
    active: !helpOpen && !first.unsure,
    onNext,
    onStop,
  })
  return (
    <>
      <div className="stack work">
        <PaceHead
          at={at}
          of={of}
          targetMs={targetMs}
          support={progress.mostHelp}
          running={resting !== undefined}
          deadline={deadline}
        />
        <div className="stage">
          <Stage
            problem={problem}
            attempt={attempt}
            frame={frame}
            lit={lit}
            zone={zone}
            decimals={writing.decimals}
            rodValues={rodValues}
            picked={picked}
            onPick={setPicked}
          />
        </div>
        <Announcer {...{ attempt, explained, frame, needs }} opening={inWords} />
        <div className="asking">
          {isFirst && <Tips progress={progress} typed={typing.text !== ''} at={at} />}
          {first.unsure ? (
            <CheckFirst unsure={first.unsure} onHandIn={first.handIn} onChange={first.change} />
          ) : (
            <Asking {...{ attempt, explained, frame, inPlace, onKey }} onEnter={own.enter} />
          )}
        </div>
        {!first.unsure && (
          <KeysLine
            next={done ? (at >= of ? 'Summary' : 'Next problem') : undefined}
            hintOpen={progress.hintOpen}
            clock={isFirst || needs.calm ? undefined : clock}
            from={writing.eitherWay ? writing.from : undefined}
            rodValues={onFrame && frame.fade.level !== 'empty' ? rodValues : undefined}
            act={{ ...act, ...own }}
          />
        )}
        {done && <Checking problem={problem} progress={progress} open={checking} onToggle={setChecking} />}
      </div>
      <Side progress={progress} technique={technique.id}>
        {done && alone && <Afterwards progress={progress} causes={causes} />}
      </Side>
      <Guard waiting={null}>{helpOpen && <KeyHelp onClose={() => setHelpOpen(false)} />}</Guard>
    </>
  )
}
