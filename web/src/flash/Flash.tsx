import {
  FASTEST_MS,
  flashList,
  MOST_FLASHED,
  SAFE_PER_SECOND,
  type Shown,
  SLOWEST_MS,
  safePace,
  stairAfter,
} from '@tachymetra/core/flash'
import type { LearnerSettings } from '@tachymetra/core/learner'
import { add, type Decimal, seeded, toWords, ZERO } from '@tachymetra/core/number'
import { printProblem, problemWords, type SumProblem, signed } from '@tachymetra/core/problem'
import { OWN_LEVEL, techniqueById } from '@tachymetra/core/registry'
import { type AttemptRecord, type Exercise, figuresOf, JUDGE, type Progress } from '@tachymetra/core/session'
import { schoolOf } from '@tachymetra/core/technique'
import { Button, Checkbox, InputNumber, Select } from 'antd'
import { useEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import { answerGiven, Said, useCauses, verdictWords } from '../bench/saying.js'
import { finishFlashed, keepFlashed } from '../data/flashed.js'
import { changeLearner, useLearnerSettings } from '../data/learnerSettings.js'
import { flush } from '../data/outbox.js'
import { changeSettings, type FlashSettings, useSettings } from '../data/settings.js'
import { Entry } from '../parts/Entry.js'
import { KeyButton } from '../parts/KeyButton.js'
import { Mark } from '../parts/Mark.js'
import { OneLearner } from '../parts/OneLearner.js'
import { Trouble } from '../parts/Trouble.js'
import { useAttempt } from '../parts/useAttempt.js'
import { useKeys } from '../parts/useKeys.js'
import { Player } from './Player.js'
import { hasVoice, wakeSound } from './sound.js'

const technique = techniqueById('flash-sum')
const WAYS: readonly { value: Shown['way']; label: string }[] = [
  { value: 'flash', label: 'Flash: one after another' },
  { value: 'tape-left', label: 'Tape: gliding to the left' },
  { value: 'tape-down', label: 'Tape: gliding down' },
  { value: 'still', label: 'Still list: nothing moves' },
]

type Stage =
  | { readonly at: 'settings' }
  | { readonly at: 'showing'; readonly problem: SumProblem; readonly slow: boolean }
  | {
      readonly at: 'answer'
      readonly id: string
      readonly problem: SumProblem
      readonly shown: Shown
    }

/** Numbers that come one by one and are summed in the mind. */
export default function Flash() {
  return <OneLearner>{({ id, name }) => <Round key={id} learnerId={id} name={name} />}</OneLearner>
}

function Round({ learnerId, name }: { readonly learnerId: string; readonly name: string }) {
  const { flash } = useSettings()
  const { cautions } = useLearnerSettings(learnerId)
  const [stage, setStage] = useState<Stage>({ at: 'settings' })
  const [trouble, setTrouble] = useState<Error>()
  // One sitting a visit: begun with the first attempt, so that merely looking leaves no trace.
  const sitting = useRef<{ id: string; n: number }>(undefined)
  const pace = cautions.lifted ? { showMs: flash.showMs, gapMs: flash.gapMs } : safePace(flash)

  const begin = (problem?: SumProblem) => {
    wakeSound()
    const seed = crypto.getRandomValues(new Int32Array(1))[0]!
    setStage({
      at: 'showing',
      problem: problem ?? flashList(flash, seeded(seed)),
      slow: problem !== undefined,
    })
  }
  const shownAll = (problem: SumProblem, shown: Shown) =>
    setStage({ at: 'answer', id: crypto.randomUUID(), problem, shown })
  // What a reload or another page has cut off is kept as it was left.
  useEffect(() => {
    void finishFlashed().then(flush)
  }, [])
  const keep = (progress: Progress, record: Omit<AttemptRecord, 'sittingId' | 'n'>) => {
    sitting.current ??= { id: crypto.randomUUID(), n: 0 }
    // The number goes to the next list once this one is over.
    const { id: sittingId } = sitting.current
    const n = sitting.current.n + 1
    const whole = { ...record, sittingId, n }
    if (progress.outcome !== undefined) {
      sitting.current.n = n
      const { right } = figuresOf(progress)
      if (progress.outcome === 'done') changeSettings({ flash: { ...flash, ...stairAfter(flash, right) } })
    }
    keepFlashed(learnerId, progress, whole).then(flush, () =>
      setTrouble(new Error('This attempt could not be kept: the browser refuses to store it.')),
    )
  }

  if (stage.at === 'showing')
    return (
      <Player
        problem={stage.problem}
        way={flash.way}
        pace={stage.slow ? { showMs: 2 * pace.showMs, gapMs: 2 * pace.gapMs } : pace}
        sound={flash.sound}
        onStop={() => setStage({ at: 'settings' })}
        onDone={(shown) => (stage.slow ? setStage({ at: 'settings' }) : shownAll(stage.problem, shown))}
      />
    )
  return (
    <div className="stack" style={{ gap: '1.25rem' }}>
      <h1>
        Flash and tape{' '}
        <span className="faint" style={{ fontWeight: 400 }}>
          for {name}
        </span>
      </h1>
      {trouble && <Trouble error={trouble} />}
      {stage.at === 'answer' ? (
        <Answer
          key={stage.id}
          stage={stage}
          onDone={keep}
          onNext={() => begin()}
          onSlow={() => begin(stage.problem)}
          onSettings={() => setStage({ at: 'settings' })}
        />
      ) : (
        <Choices
          flash={flash}
          cautions={cautions}
          onCautions={(next) => changeLearner(learnerId, { cautions: next })}
          onStart={() => begin()}
        />
      )}
    </div>
  )
}

function Choices(props: {
  readonly flash: FlashSettings
  readonly cautions: LearnerSettings['cautions']
  readonly onCautions: (cautions: LearnerSettings['cautions']) => void
  readonly onStart: () => void
}) {
  const { flash, cautions, onCautions, onStart } = props
  const change = (some: Partial<FlashSettings>) => changeSettings({ flash: { ...flash, ...some } })
  const still = flash.way === 'still'
  const ready = cautions.read || still
  const perSecond = 1000 / (flash.showMs + flash.gapMs)
  return (
    <form
      className="desk"
      onSubmit={(event) => {
        event.preventDefault()
        if (ready) onStart()
      }}
    >
      <div className="stack">
        <div className="dials">
          <label htmlFor="flash-way">
            <span>How they come</span>
            <Select
              id="flash-way"
              value={flash.way}
              options={[...WAYS]}
              onChange={(way) => change({ way })}
              style={{ width: '14rem' }}
            />
          </label>
          <Figure
            id="digits"
            name="Digits"
            value={flash.digits}
            least={1}
            most={6}
            onChange={(digits) => change({ digits })}
          />
          <Figure
            id="count"
            name="Numbers"
            value={flash.count}
            least={2}
            most={MOST_FLASHED}
            onChange={(count) => change({ count })}
          />
          <Figure
            id="time"
            name="Time each, ms"
            value={flash.showMs}
            least={FASTEST_MS}
            most={SLOWEST_MS}
            onChange={(showMs) => change({ showMs, run: 0 })}
          />
          <Figure
            id="gap"
            name="Gap, ms"
            value={flash.gapMs}
            least={0}
            most={2000}
            onChange={(gapMs) => change({ gapMs })}
          />
          <Figure
            id="size"
            name="Size of the figures"
            value={flash.size}
            least={4}
            most={16}
            onChange={(size) => change({ size })}
          />
          <label htmlFor="flash-sound">
            <span>Sound</span>
            <Select
              id="flash-sound"
              value={flash.sound}
              options={[
                { value: 'beep', label: 'a short beep' },
                {
                  value: 'voice',
                  label: hasVoice() ? 'spoken' : 'spoken (no voice here)',
                  disabled: !hasVoice(),
                },
                { value: 'none', label: 'none' },
              ]}
              onChange={(sound) => change({ sound })}
              style={{ width: '14rem' }}
            />
          </label>
        </div>
        <Checkbox checked={flash.minus} onChange={(event) => change({ minus: event.target.checked })}>
          Some are taken away; the total never falls below zero
        </Checkbox>
        <p className="faint">
          Two right in a row make it faster, one wrong slower. Any key stops at once; the sum is asked
          afterwards.
        </p>
        <p>
          <Link to="/grid">Numbers in a grid instead</Link>
        </p>
      </div>
      <div className="panel stack">
        {!still && (
          <section className="stack" aria-labelledby="caution">
            <h2 id="caution">Before anything flashes</h2>
            <p>
              Flashing pictures can provoke seizures in people who are sensitive to light. Numbers come at
              most {SAFE_PER_SECOND} a second here. Stop at any discomfort: any key ends it at once. The still
              list asks the same with nothing moving.
            </p>
            <Checkbox
              checked={cautions.read}
              onChange={(event) => onCautions({ ...cautions, read: event.target.checked })}
            >
              I have read this
            </Checkbox>
            {cautions.read && (
              <Checkbox
                checked={cautions.lifted}
                onChange={(event) => onCautions({ ...cautions, lifted: event.target.checked })}
              >
                As the coach I take it on me to allow more than {SAFE_PER_SECOND} a second
              </Checkbox>
            )}
            {!cautions.lifted && perSecond > SAFE_PER_SECOND && (
              <p className="faint">
                These times would be {perSecond.toFixed(1)} a second; they are slowed down to{' '}
                {SAFE_PER_SECOND}.
              </p>
            )}
            <Button onClick={() => change({ way: 'still' })}>Take the still list</Button>
          </section>
        )}
        <Button type="primary" size="large" htmlType="submit" block disabled={!ready}>
          {still ? 'Show the list' : 'Start'}
        </Button>
      </div>
    </form>
  )
}

function Figure(props: {
  readonly id: string
  readonly name: string
  readonly value: number
  readonly least: number
  readonly most: number
  readonly onChange: (n: number) => void
}) {
  const { id, name, value, least, most, onChange } = props
  return (
    <label htmlFor={`flash-${id}`}>
      <span>{name}</span>
      <InputNumber
        id={`flash-${id}`}
        min={least}
        max={most}
        precision={0}
        value={value}
        onChange={(n) => onChange(n ?? value)}
        style={{ width: '7rem' }}
      />
    </label>
  )
}

/** The sum is asked; afterwards the list stands there with its running totals. */
function Answer(props: {
  readonly stage: Extract<Stage, { at: 'answer' }>
  readonly onDone: (progress: Progress, record: Omit<AttemptRecord, 'sittingId' | 'n'>) => void
  readonly onNext: () => void
  readonly onSlow: () => void
  readonly onSettings: () => void
}) {
  const { stage, onDone, onNext, onSlow, onSettings } = props
  const { id, problem, shown } = stage
  const [startedAt] = useState(() => new Date().toISOString())
  const [task] = useState(
    (): Exercise => ({
      technique,
      school: schoolOf(technique),
      level: OWN_LEVEL,
      support: 'answer',
      problem,
    }),
  )
  const attempt = useAttempt({
    task,
    onChange(events, progress) {
      const { level, support, school } = task
      const expression = printProblem(problem)
      const made = { id, technique: technique.id, school, level, support, expression, startedAt }
      onDone(progress, { ...made, judge: JUDGE, events, shown })
    },
  })
  const { progress } = attempt
  const done = progress.outcome !== undefined
  const { explained } = useCauses(progress)
  const enter = () => (done ? onNext() : attempt.confirm())
  // A list with entries is kept as stopped; one not yet begun leaves no trace.
  const settings = () => {
    if (!done && progress.entries.length > 0) attempt.note('stopped')
    onSettings()
  }
  const kind = attempt.question()?.kind
  useKeys(
    {
      Enter: enter,
      Backspace: attempt.erase,
      Escape: settings,
      s: () => attempt.note('given'),
      ...(done && { r: onSlow }),
    },
    kind && { keys: kind.keys, press: attempt.press },
    true,
  )
  const said = (
    <div className="said" role="status">
      {done && (
        <p className={figuresOf(progress).right ? 'said-right' : ''}>
          {figuresOf(progress).right && <Mark right />} {verdictWords(progress)}:{' '}
          {toWords(answerGiven(progress))}
        </p>
      )}
      {attempt.notice ? (
        <p className="said-slip">{attempt.notice}</p>
      ) : (
        <Said progress={progress} explained={explained} />
      )}
    </div>
  )
  return (
    <div className="stack flash-answer">
      {kind ? (
        <>
          <p className="question" id="question">
            What is the sum?
          </p>
          <Entry
            kind={kind}
            text={attempt.typing.text}
            labelledBy="question"
            onKey={attempt.press}
            onErase={attempt.erase}
            onEnter={enter}
          >
            {said}
          </Entry>
          <div className="row keys-line">
            <KeyButton label="Show the sum" shortcut="S" onPress={() => attempt.note('given')} />
            <KeyButton label="Settings" shortcut="Esc" onPress={settings} />
          </div>
        </>
      ) : (
        <>
          {said}
          <div className="row keys-line">
            <KeyButton label="Next list" shortcut="Enter" onPress={onNext} main />
            <KeyButton label="Again at half speed" shortcut="R" onPress={onSlow} />
            <KeyButton label="Settings" shortcut="Esc" onPress={onSettings} />
          </div>
          <RunningTotals problem={problem} />
          {shown.way === 'flash' && (
            <p className="faint">
              {shown.showMs} ms each, {shown.gapMs} ms between; no number was more than{' '}
              {shown.worstMs.toFixed(1)} ms from its time.
            </p>
          )}
        </>
      )}
    </div>
  )
}

function RunningTotals({ problem }: { readonly problem: SumProblem }) {
  let total: Decimal = ZERO
  return (
    <table className="running-totals mono">
      <caption className="sr-only">The list with its running totals: {problemWords(problem)}</caption>
      <thead>
        <tr>
          <th scope="col">number</th>
          <th scope="col">total</th>
        </tr>
      </thead>
      <tbody>
        {problem.terms.map((term, i) => {
          total = add(total, signed(term))
          return (
            <tr key={i}>
              <td>
                {term.sign < 0 ? '−' : ''}
                {toWords(term.size)}
              </td>
              <td>{toWords(total)}</td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
