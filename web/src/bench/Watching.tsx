import { toWords } from '@tachymetra/core/number'
import { type Problem, solvedWords } from '@tachymetra/core/problem'
import {
  beadWorkOf,
  clearFrame,
  frameOf,
  frameValue,
  isAbacus,
  leftStanding,
  setNumber,
} from '@tachymetra/core/soroban'
import { type Technique, trace, type Variant } from '@tachymetra/core/technique'
import { useMemo, useState } from 'react'
import { changeSettings, useSettings } from '../data/settings.js'
import { FramePlayer } from '../parts/FramePlayer.js'
import { Guard, lazily } from '../parts/Guard.js'
import { Hands } from '../parts/Hand.js'
import { KeyButton } from '../parts/KeyButton.js'
import { Mark } from '../parts/Mark.js'
import { PlaceRule, spoken } from '../parts/PlaceRule.js'
import { SorobanFrame } from '../parts/SorobanFrame.js'
import { fingering } from '../parts/saying.js'
import { useKeys } from '../parts/useKeys.js'
import { aloud } from '../parts/words.js'
import { AbacusProblem } from './AbacusProblem.js'

const KeyHelp = lazily(() => import('./KeyHelp.js'))

/** Milliseconds a bead, and how that is called. */
const SPEEDS: readonly (readonly [number, string])[] = [
  [1100, 'Slow'],
  [550, 'Even'],
  [220, 'Quick'],
]

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
 * and its value comes with another press.
 */
export function Watching({ technique, variant, problem, onAnother, onTry, onStop }: Props) {
  const { steps, entries, answer } = useMemo(
    () => trace(technique, problem, variant),
    [technique, problem, variant],
  )
  // Two presses a step: its question, then its value.
  const [presses, setPresses] = useState(0)
  const at = Math.floor(presses / 2)
  const told = presses % 2 === 1
  const { beadMs, rods } = useSettings()
  const start = useMemo(() => frameOf(technique, problem, rods) ?? clearFrame(), [technique, problem, rods])
  const [helpOpen, setHelpOpen] = useState(false)
  const step = steps[at]
  const onward = () => (step ? setPresses(presses + 1) : onTry())
  const back = () => setPresses(Math.max(0, presses - 1))
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
  const standing = steps[at - 1]
  const beads = told && step ? beadWorkOf(step) : undefined
  const stands = leftStanding(steps.slice(0, at), entries)
  return (
    <>
      <div className="stack work">
        <p className="faint about">
          Watch: {technique.about} {step && `Step ${at + 1} of ${steps.length}.`}
        </p>
        <div className="stage">
          {isAbacus(technique) ? (
            <>
              <AbacusProblem problem={problem} hidden={false} />
              {step && beads ? (
                <FramePlayer key={at} start={start} work={beads} place={step.place} />
              ) : (
                <SorobanFrame frame={setNumber(start, step ? (stands ?? frameValue(start)) : answer)} />
              )}
              <div className="row keys-line">
                {SPEEDS.map(([ms, name]) => (
                  <KeyButton
                    key={ms}
                    label={name}
                    onPress={() => changeSettings({ beadMs: ms })}
                    main={ms === beadMs}
                  />
                ))}
              </div>
            </>
          ) : (
            <PlaceRule
              problem={problem}
              line={(told ? step : standing)?.writes ?? { negative: false, cells: [] }}
              place={step?.place}
              links={step?.links}
              finished={!step}
            />
          )}
        </div>
        <p className="sr-only" id="problem">
          {spoken(problem)}
        </p>
        {/* One piece for whoever listens: read with the button at first, then as it changes. */}
        <p className="sr-only" id="watched" role="status">
          {aloud(
            step
              ? told
                ? [`${toWords(step.expect)}.`, step.why, beads && fingering(beads.moves)]
                    .filter(Boolean)
                    .join(' ')
                : step.ask
              : `${solvedWords(problem, answer)}.`,
          )}
        </p>
        <div className="asking watched" aria-hidden="true">
          {step ? (
            <>
              <p className="question">{step.ask}</p>
              <p className="mono">{told ? toWords(step.expect) : '?'}</p>
              <p className="faint">{told ? step.why : '\u00a0'}</p>
            </>
          ) : (
            <p className="question mono">{solvedWords(problem, answer)}</p>
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
      </div>
      <aside className="side stack" aria-label="What has been done">
        <h2>Held in mind</h2>
        <Hands holds={(told ? step : standing)?.holds ?? []} />
        <h2>Steps so far</h2>
        {at === 0 && <p className="faint">None yet.</p>}
        <ol className="plain-list steps">
          {steps.slice(0, at).map((s, i) => (
            <li key={i}>
              <Mark right />
              <span className="value">{toWords(s.expect)}</span>
              <span className="mono faint">{s.facts.join(' ').replaceAll('-', '−')}</span>
            </li>
          ))}
        </ol>
      </aside>
      <Guard waiting={null}>{helpOpen && <KeyHelp onClose={() => setHelpOpen(false)} />}</Guard>
    </>
  )
}
