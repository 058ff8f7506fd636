import { TECHNIQUES, techniqueById, withNeeds } from '@tachymetra/core/registry'
import {
  BEGINNER,
  POLICIES,
  type Policy,
  type SimulatedDay,
  type SimulationInput,
  type Traits,
} from '@tachymetra/core/simulate'
import { Button, Checkbox, InputNumber, Select } from 'antd'
import { useCallback, useEffect, useRef, useState } from 'react'
import { axis, type Ink } from '../parts/axis.js'
import { Fold } from '../parts/Fold.js'
import { Guard, lazily } from '../parts/Guard.js'
import { Wide } from '../parts/Wide.js'

const Plot = lazily(() => import('../parts/Plot.js'), true)

export interface SimulationAsked {
  readonly runs: readonly SimulationInput[]
}

export type SimulationSaid = { readonly policy: Policy; readonly day: SimulatedDay } | { readonly done: true }

const POLICY_NAMES: Record<Policy, string> = {
  plan: 'by the plan',
  random: 'at random',
  fixed: 'one after the other',
}
const DASHES: Record<Policy, string> = { plan: 'solid', random: 'dot', fixed: 'dash' }

/** What can be set of the simulated learner and how long they practise. */
interface Settings {
  readonly traits: Traits
  readonly minutes: number
  readonly weeks: number
  /** Days of practice a week, on average. */
  readonly daysAWeek: number
  readonly fadeDays: number
  readonly aim: string
}

const FIRST: Settings = {
  traits: BEGINNER,
  minutes: 4,
  weeks: 8,
  daysAWeek: 5,
  fadeDays: 20,
  aim: 'root-estimate',
}

/** A simulated learner run through weeks of practice, to see what a few minutes a day give. */
export default function SimulatePage() {
  const [settings, setSettings] = useState(FIRST)
  const [compared, setCompared] = useState(true)
  const [days, setDays] = useState<Readonly<Partial<Record<Policy, readonly SimulatedDay[]>>>>({})
  const [running, setRunning] = useState(false)
  const worker = useRef<Worker>(undefined)
  const goal = withNeeds(settings.aim)
  const shared = {
    traits: settings.traits,
    fadeDays: settings.fadeDays,
    minutes: settings.minutes,
    days: 7 * settings.weeks,
    attendance: settings.daysAWeek / 7,
    goal,
    seed: 1,
  }

  const stop = useCallback(() => {
    worker.current?.terminate()
    worker.current = undefined
    setRunning(false)
  }, [])
  useEffect(() => stop, [stop])
  const run = () => {
    stop()
    setDays({})
    setRunning(true)
    const its = new Worker(new URL('./simulate.worker.ts', import.meta.url), { type: 'module' })
    worker.current = its
    const heard: Partial<Record<Policy, SimulatedDay[]>> = {}
    its.addEventListener('message', ({ data }: MessageEvent<SimulationSaid>) => {
      if ('done' in data) stop()
      else heard[data.policy] = [...(heard[data.policy] ?? []), data.day]
      setDays({ ...heard })
    })
    const policies = compared ? POLICIES : (['plan'] as const)
    its.postMessage({ runs: policies.map((policy) => ({ ...shared, policy })) } satisfies SimulationAsked)
  }
  const total = shared.days * (compared ? POLICIES.length : 1)
  const done = Object.values(days).reduce((sum, d) => sum + d.length, 0)
  const draw = useCallback((c: Ink) => chart(c, days), [days])
  return (
    <div className="stack" style={{ gap: '1.25rem' }}>
      <h1>What a few minutes a day may give</h1>
      <p>
        A simulated learner practises {goal.length} techniques, all that {techniqueById(settings.aim).name}{' '}
        needs. Facts come faster with every use and fade when left alone; mistakes grow rarer as the work gets
        faster. Nobody learns exactly so: it shows how plans compare, and about how long things take.
      </p>
      <form
        className="stack"
        onSubmit={(event) => {
          event.preventDefault()
          run()
        }}
      >
        <Fields settings={settings} onChange={setSettings} />
        <Checkbox checked={compared} onChange={(event) => setCompared(event.target.checked)}>
          Beside the plan, practice at random and one technique after the other
        </Checkbox>
        <div className="row">
          <Button type="primary" size="large" htmlType="submit" disabled={running}>
            Run {settings.weeks} weeks
          </Button>
          {running && (
            <>
              <progress value={done / total} aria-label="Simulation" />
              <Button onClick={stop}>Stop</Button>
            </>
          )}
        </div>
      </form>
      <Outcome days={days} goal={goal.length} running={running} />
      {done > 0 && !running && (
        <Guard waiting={<div className="chart" />}>
          <Plot label="Techniques known by minutes practised; the figures stand above." draw={draw} />
        </Guard>
      )}
    </div>
  )
}

function Fields(props: { readonly settings: Settings; readonly onChange: (settings: Settings) => void }) {
  const { settings, onChange } = props
  const { traits } = settings
  const number = (
    id: string,
    name: string,
    value: number,
    range: readonly [number, number, number],
    set: (n: number) => Settings,
  ) => (
    <label htmlFor={id}>
      <span>{name}</span>
      <InputNumber
        id={id}
        min={range[0]}
        max={range[1]}
        step={range[2]}
        value={value}
        onChange={(n) => n !== null && onChange(set(n))}
        style={{ width: '7rem' }}
      />
    </label>
  )
  const trait = (part: Partial<Traits>) => ({ ...settings, traits: { ...traits, ...part } })
  return (
    <>
      <div className="parameters">
        <label htmlFor="aim">
          <span>On the way to</span>
          <Select
            id="aim"
            value={settings.aim}
            options={TECHNIQUES.filter((t) => t.levels.length > 0).map((t) => ({
              value: t.id,
              label: t.name,
            }))}
            onChange={(aim) => onChange({ ...settings, aim })}
            style={{ width: '15rem' }}
          />
        </label>
        {number('sim-minutes', 'Minutes a day', settings.minutes, [1, 60, 1], (minutes) => ({
          ...settings,
          minutes,
        }))}
        {number('sim-days', 'Days a week', settings.daysAWeek, [1, 7, 1], (daysAWeek) => ({
          ...settings,
          daysAWeek,
        }))}
        {number('sim-weeks', 'Weeks', settings.weeks, [1, 52, 1], (weeks) => ({ ...settings, weeks }))}
      </div>
      <Fold summary="The model">
        {() => (
          <div className="parameters">
            {number('sim-fact', 'Time for a fact at first, ms', traits.factMs, [200, 5000, 50], (factMs) =>
              trait({ factMs }),
            )}
            {number(
              'sim-carry',
              'Time for a carry at first, ms',
              traits.carryMs,
              [100, 5000, 50],
              (carryMs) => trait({ carryMs }),
            )}
            {number('sim-slips', 'Mistakes in 100 steps', 100 * traits.slipRate, [0, 20, 0.1], (n) =>
              trait({ slipRate: n / 100 }),
            )}
            {number('sim-learns', 'How fast times fall', traits.practice, [0, 0.6, 0.01], (practice) =>
              trait({ practice }),
            )}
            {number('sim-key', 'Time for a key, ms', traits.keyMs, [20, 1000, 10], (keyMs) =>
              trait({ keyMs }),
            )}
            {number('sim-read', 'Time to read a question, ms', traits.readMs, [100, 10_000, 50], (readMs) =>
              trait({ readMs }),
            )}
            {number('sim-scatter', 'How much times vary', traits.scatter, [0, 1, 0.05], (scatter) =>
              trait({ scatter }),
            )}
            <label htmlFor="sim-weak">
              <span>Weak digits</span>
              <Select
                id="sim-weak"
                mode="multiple"
                value={[...traits.weak]}
                options={[2, 3, 4, 5, 6, 7, 8, 9].map((value) => ({ value, label: String(value) }))}
                onChange={(weak) => onChange(trait({ weak }))}
                placeholder="none"
                style={{ minWidth: '7rem' }}
              />
            </label>
            {number(
              'sim-fade',
              'Days until half a fact is forgotten',
              settings.fadeDays,
              [1, 365, 1],
              (fadeDays) => ({
                ...settings,
                fadeDays,
              }),
            )}
          </div>
        )}
      </Fold>
    </>
  )
}

function Outcome(props: {
  readonly days: Readonly<Partial<Record<Policy, readonly SimulatedDay[]>>>
  readonly goal: number
  readonly running: boolean
}) {
  const { days, goal, running } = props
  const shown = POLICIES.flatMap((policy) => {
    const its = days[policy]
    return its?.length ? [{ policy, its, reached: its.find((d) => d.known === goal) }] : []
  })
  if (shown.length === 0) return null
  return (
    <Wide label="What came of it">
      <table className="plain-table" aria-busy={running}>
        <thead>
          <tr>
            <th scope="col">Practice</th>
            <th scope="col">Known at the end</th>
            <th scope="col">Levels moved up</th>
            <th scope="col">All known after</th>
          </tr>
        </thead>
        <tbody>
          {shown.map(({ policy, its, reached }) => {
            const last = its.at(-1)!
            return (
              <tr key={policy}>
                <th scope="row">{POLICY_NAMES[policy]}</th>
                <td>
                  {last.known} of {goal}
                </td>
                <td>{last.moves}</td>
                <td>
                  {reached
                    ? `${Math.round(reached.minutes)} minutes, day ${reached.day}`
                    : `not in ${Math.round(last.minutes)} minutes`}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </Wide>
  )
}

function chart(c: Ink, days: Readonly<Partial<Record<Policy, readonly SimulatedDay[]>>>) {
  const colours: Record<Policy, string> = { plan: c.signal, random: c.faint, fixed: c.right }
  return {
    traces: POLICIES.flatMap((policy) => {
      const its = days[policy]
      if (!its?.length) return []
      return [
        {
          x: its.map((d) => d.minutes),
          y: its.map((d) => d.known),
          name: POLICY_NAMES[policy],
          mode: 'lines',
          line: { shape: 'hv', width: 2, dash: DASHES[policy], color: colours[policy] },
        },
      ]
    }),
    layout: {
      xaxis: axis(c, { title: { text: 'minutes practised' } }),
      yaxis: axis(c, { title: { text: 'techniques known' }, dtick: 1 }),
      margin: { l: 56, r: 12, t: 8, b: 48 },
    },
  }
}
