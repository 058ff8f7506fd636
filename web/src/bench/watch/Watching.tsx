import { asProduct, isItem, type Problem, solvedWords } from '@tachymetra/core/problem'
import { beadWorkOf, isAbacus } from '@tachymetra/core/soroban'
import { type Held, type Step, type Technique, trace, type Variant } from '@tachymetra/core/technique'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { KeyButton } from '../../entry/KeyButton.js'
import { useKeys } from '../../entry/useKeys.js'
import { Fold } from '../../frame/Fold.js'
import { Guard, lazily } from '../../frame/Guard.js'
import { spoken } from '../../words/spoken.js'
import { aloud } from '../../words/words.js'
import { Hands } from '../../working/Hand.js'
import { Mark } from '../../working/Mark.js'
import { OnPaper } from '../../working/OnPaper.js'
import { Pattern } from '../../working/Pattern.js'
import { fingering } from '../../working/saying.js'
import { Words } from '../../written/Words.js'
import { useWatch } from './useWatch.js'
import { WatchPace } from './WatchPace.js'
import { WatchStage } from './WatchStage.js'

const KeyHelp = lazily(() => import('../KeyHelp.js'))

interface Props {
  readonly technique: Technique
  readonly variant: Variant
  readonly problem: Problem
  readonly onAnother: () => void
  readonly onTry: () => void
  readonly onStop: () => void
}

/**
 * One problem worked before the learner's eyes, as slowly as wanted: each step is asked first, so that there is time to think,
 * and its value comes with another press, or by itself.
 */
export function Watching({ technique, variant, problem, onAnother, onTry, onStop }: Props) {
  const work = useMemo(() => trace(technique, problem, variant), [technique, problem, variant])
  const { steps, answer } = work
  // Two presses a step: its question, then its value.
  const [presses, setPresses] = useState(0)
  const at = Math.floor(presses / 2)
  const told = presses % 2 === 1
  const [helpOpen, setHelpOpen] = useState(false)
  const step = steps[at]
  const onward = () => (step ? setPresses(presses + 1) : onTry())
  const back = () => setPresses(Math.max(0, presses - 1))
  const words = aloud(step ? (told ? toldWords(step) : step.ask) : `${solvedWords(problem, answer)}.`)
  const watch = useWatch(presses === 0 ? `${spoken(problem)}. ${words}` : words, !step || helpOpen, onward)
  useKeys(
    {
      Enter: onward,
      ArrowRight: () => step && onward(),
      ArrowLeft: back,
      Escape: onStop,
      '?': () => setHelpOpen(true),
    },
    undefined,
    !helpOpen,
  )
  return (
    <>
      <div className="stack work">
        <p className="faint about">
          Watch: <Words>{technique.about}</Words>{' '}
          <Words>{step && `Step ${at + 1} of ${steps.length}.`}</Words>
        </p>
        <WatchStage technique={technique} problem={problem} work={work} at={at} told={told} />
        <p className="sr-only" id="problem">
          <Words>{spoken(problem)}</Words>
        </p>
        {/* One piece for whoever listens: read with the button at first, then as it changes. */}
        <p className="sr-only" id="watched" role="status">
          <Words>{words}</Words>
        </p>
        <div className="asking watched" aria-hidden="true">
          {step ? (
            <>
              <p className="question">
                <Words>{step.ask}</Words>
              </p>
              <p className="mono">
                <Words>{told ? step.kind.say(step.expect) : '?'}</Words>
              </p>
              <p className="faint">
                <Words>{told ? step.why : '\u00a0'}</Words>
              </p>
            </>
          ) : (
            <p className="question mono">
              <Words>{solvedWords(problem, answer)}</Words>
            </p>
          )}
        </div>
        <div className="row keys-line">
          <KeyButton label="Back" shortcut="←" onPress={back} disabled={presses === 0} />
          {!step && <KeyButton label="Watch another" onPress={onAnother} />}
          <KeyButton
            label={step ? (told ? 'Next step' : 'Its value') : 'Now you'}
            shortcut="Enter"
            onPress={onward}
            main
            focused
            describedBy="problem watched"
          />
          <KeyButton label="Stop" shortcut="Esc" onPress={onStop} />
        </div>
        <WatchPace watch={watch} over={!step} />
      </div>
      <Aside
        technique={technique}
        problem={problem}
        holds={(told ? step : steps[at - 1])?.holds ?? []}
        done={steps.slice(0, at)}
      />
      <Guard waiting={null}>{helpOpen && <KeyHelp onClose={() => setHelpOpen(false)} />}</Guard>
    </>
  )
}

/** A value with why it is so, and on the frame with which finger. */
function toldWords(step: Step): string {
  const beads = beadWorkOf(step)
  return [`${step.kind.say(step.expect)}.`, step.why, beads && fingering(beads.moves)]
    .filter(Boolean)
    .join(' ')
}

/** What is held, what has been done, the pattern of the whole, and the same on paper. */
function Aside(props: {
  readonly technique: Technique
  readonly problem: Problem
  readonly holds: readonly Held[]
  readonly done: readonly Step[]
}) {
  const { technique, problem, holds, done } = props
  const factors = technique.id === 'multiply-crosswise' ? asProduct(problem) : undefined
  const [first = 0, second = 0] = factors?.map((f) => f.units.toString().length) ?? []
  return (
    <aside className="side stack" aria-label="What has been done">
      {factors && (
        <>
          <h2>The whole pattern</h2>
          <Pattern first={first} second={second} />
          <p>
            <Link to={`/learn/pattern?first=${first}&second=${second}`}>To print</Link>
          </p>
        </>
      )}
      <h2>Held in mind</h2>
      <Hands holds={holds} />
      <h2>Steps so far</h2>
      {done.length === 0 && <p className="faint">None yet.</p>}
      <ol className="plain-list steps">
        {done.map((s, i) => (
          <li key={i}>
            <Mark right />
            <span className="value">
              <Words>{s.kind.say(s.expect)}</Words>
            </span>
            <span className="mono faint">
              <Words>{s.facts.join(' ').replaceAll('-', '−')}</Words>
            </span>
          </li>
        ))}
      </ol>
      {!isAbacus(technique) && !isItem(problem) && (
        <Fold summary="The usual way on paper">{() => <OnPaper problem={problem} />}</Fold>
      )}
    </aside>
  )
}
