import {
  type AttemptRecord,
  add,
  commit,
  type Decimal,
  diagnose,
  eraseKey,
  FASTEST_MS,
  flashList,
  type LearnerSettings,
  MOST_FLASHED,
  OWN_LEVEL,
  type Play,
  problemWords,
  readDecimal,
  recordOf,
  SAFE_PER_SECOND,
  type Shown,
  SLOWEST_MS,
  type SumProblem,
  safePace,
  schoolOf,
  seeded,
  show,
  signed,
  stairAfter,
  standingSlip,
  startPlay,
  techniqueById,
  toWords,
  typeKey,
  ZERO,
} from '@tachymetra/core'
import { Button, Checkbox, InputNumber, Select } from 'antd'
import { useEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import { HAS_TOUCH } from '../bench/touch.js'
import { changeLearner, useLearnerSettings } from '../data/learnerSettings.js'
import { flush } from '../data/outbox.js'
import { changeSettings, type FlashSettings, useSettings } from '../data/settings.js'
import { keepAttempt, keepSitting } from '../data/store.js'
import { KeyButton } from '../parts/KeyButton.js'
import { Keypad } from '../parts/Keypad.js'
import { Mark } from '../parts/Mark.js'
import { OneLearner } from '../parts/OneLearner.js'
import { Trouble } from '../parts/Trouble.js'
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
      readonly problem: SumProblem
      readonly play: Play
      readonly shown: Shown
      readonly record?: AttemptRecord
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
  const shownAll = (problem: SumProblem, shown: Shown) => {
    const exercise = {
      technique,
      school: schoolOf(technique),
      level: OWN_LEVEL,
      support: 'answer' as const,
      problem,
    }
    setStage({ at: 'answer', problem, play: startPlay(exercise, performance.now()), shown })
  }
  const keep = async (play: Play, shown: Shown): Promise<AttemptRecord> => {
    if (!sitting.current) {
      sitting.current = { id: crypto.randomUUID(), n: 0 }
      const startedAt = new Date().toISOString()
      await keepSitting({
        id: sitting.current.id,
        learnerId,
        technique: technique.id,
        level: OWN_LEVEL,
        planned: 1,
        startedAt,
        seed: 0,
        support: 'answer',
        attempts: [],
        ended: true,
      })
    }
    sitting.current.n += 1
    const as = {
      id: crypto.randomUUID(),
      sittingId: sitting.current.id,
      n: sitting.current.n,
      startedAt: new Date().toISOString(),
    }
    const record = { ...recordOf(play, as), shown }
    await keepAttempt(record)
    void flush()
    return record
  }
  const play = (change: (play: Play, at: number) => Play) => {
    if (stage.at !== 'answer' || stage.record) return
    const next = change(stage.play, performance.now())
    setStage({ ...stage, play: next })
    if (!next.outcome || stage.play.outcome) return
    const right = next.made.length === 1 && next.made[0]!.by === 'learner'
    changeSettings({ flash: { ...flash, ...stairAfter(flash, right) } })
    keep(next, stage.shown).then(
      (record) => setStage({ ...stage, play: next, record }),
      () => setTrouble(new Error('This attempt could not be kept: the browser refuses to store it.')),
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
          stage={stage}
          onPlay={play}
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
  readonly onPlay: (change: (play: Play, at: number) => Play) => void
  readonly onNext: () => void
  readonly onSlow: () => void
  readonly onSettings: () => void
}) {
  const { stage, onPlay, onNext, onSlow, onSettings } = props
  const { play, problem, shown } = stage
  const done = play.outcome !== undefined
  const enter = () => (done ? onNext() : onPlay(commit))
  const type = (key: string) => onPlay((p, at) => typeKey(p, key, at))
  const erase = () => onPlay(eraseKey)
  useKeys(
    { Enter: enter, Backspace: erase, Escape: onSettings, s: () => onPlay(show), ...(done && { r: onSlow }) },
    type,
    true,
  )
  const field = useRef<HTMLInputElement>(null)
  useEffect(() => field.current?.focus(), [])
  const wrong = standingSlip(play)
  const verdict = play.made.some((m) => m.by === 'program')
    ? 'Shown'
    : play.made.length === 1
      ? 'Right'
      : 'Right in the end'
  const cause =
    wrong && diagnose(technique, problem, play.exercise.school, readDecimal(wrong.value)!).causes[0]
  return (
    <div className="stack flash-answer">
      {!done && (
        <>
          <p className="question" id="question">
            What is the sum?
          </p>
          <div className="entry-line">
            <input
              ref={field}
              className="entry"
              aria-labelledby="question"
              value={play.text.replace('-', '−')}
              readOnly
              inputMode="none"
              autoComplete="off"
              data-testid="entry"
            />
          </div>
        </>
      )}
      <div className="said" role="status">
        {done && (
          <p className={verdict === 'Right' ? 'said-right' : ''}>
            {verdict === 'Right' && <Mark right />} {verdict}: {toWords(play.whole.answer)}
          </p>
        )}
        {play.notice && <p className="said-slip">{play.notice}</p>}
        {wrong && !play.notice && (
          <p>
            <Mark right={false} /> {toWords(readDecimal(wrong.value)!)} is not it.{' '}
            {cause && <span className="said-slip">Likely: {cause.slips.map((s) => s.remark).join(' ')}</span>}
          </p>
        )}
      </div>
      {done ? (
        <>
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
      ) : (
        <>
          {HAS_TOUCH && <Keypad onKey={type} onErase={erase} enter={{ label: 'Enter', act: enter }} />}
          <div className="row keys-line">
            <KeyButton label="Show the sum" shortcut="S" onPress={() => onPlay(show)} />
            <KeyButton label="Settings" shortcut="Esc" onPress={onSettings} />
          </div>
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
