import type { LearnerSettings } from '@tachymetra/core/learner'
import { TECHNIQUES, techniqueById, withNeeds } from '@tachymetra/core/registry'
import { KINDS } from '@tachymetra/core/simulate'
import { listed } from '@tachymetra/core/words'
import { Button, InputNumber, Select } from 'antd'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Ink } from '../charts/axis.js'
import { Chart } from '../charts/Chart.js'
import { useLearnerSettingsQuery } from '../data/learnerSettings.js'
import { useLearner } from '../data/queries.js'
import { Fold } from '../frame/Fold.js'
import { Loading } from '../frame/Loading.js'
import { Words } from '../written/Words.js'
import { type Assumed, assumedOf, Model } from './Model.js'
import {
  COMPARED,
  chart,
  POLICY_NAMES,
  type Run,
  rangeWords,
  reached,
  type SimulationAsked,
} from './outcome.js'

/** Simulated learners of each kind of practice: nobody's luck is everybody's. */
const SEEDS = [1, 2, 3, 4, 5]

/** Simulated learners run through weeks of practice, to see what a few minutes a day give. */
export default function SimulatePage() {
  const learner = useLearner()
  const settings = useLearnerSettingsQuery(learner?.id)
  if (learner && settings.isPending) return <Loading />
  return <Simulation own={settings.data} />
}

/** What was asked, kept with what comes of it while the fields are changed again. */
interface Asked {
  readonly goal: readonly string[]
  readonly minutes: number
  readonly assumed: Assumed
}

function Simulation({ own }: { readonly own: LearnerSettings | undefined }) {
  const [aim, setAim] = useState('multiply-crosswise')
  const [minutes, setMinutes] = useState(own?.minutes ?? 10)
  // Whoever has been given so much time is taken to be of that kind.
  const [assumed, setAssumed] = useState(() =>
    assumedOf(KINDS.find((k) => k.extraTime === own?.extraTime) ?? KINDS[0]),
  )
  const [asked, setAsked] = useState<Asked>()
  const [runs, setRuns] = useState<readonly Run[]>([])
  const [running, setRunning] = useState(false)
  const worker = useRef<Worker>(undefined)
  const goal = withNeeds(aim)

  const stop = useCallback(() => {
    worker.current?.terminate()
    worker.current = undefined
    setRunning(false)
  }, [])
  useEffect(() => stop, [stop])
  const run = () => {
    stop()
    setRuns([])
    setAsked({ goal, minutes, assumed })
    setRunning(true)
    const { traits, extraTime, fadeDays, weeks, daysAWeek, compared } = assumed
    const shared = { traits, extraTime, fadeDays, minutes, goal, days: 7 * weeks, attendance: daysAWeek / 7 }
    const policies = compared ? COMPARED : (['plan'] as const)
    const all = policies.flatMap((policy) => SEEDS.map((seed) => ({ ...shared, policy, seed })))
    const its = new Worker(new URL('./simulate.worker.ts', import.meta.url), { type: 'module' })
    worker.current = its
    const come: Run[] = []
    its.addEventListener('message', ({ data }: MessageEvent<Run>) => {
      come.push(data)
      setRuns([...come])
      if (come.length === all.length) stop()
    })
    its.postMessage({ runs: all } satisfies SimulationAsked)
  }
  const total = (asked?.assumed.compared ? COMPARED.length : 1) * SEEDS.length
  return (
    <div className="stack loose">
      <h1>What a few minutes a day may give</h1>
      <form
        className="stack"
        onSubmit={(event) => {
          event.preventDefault()
          run()
        }}
      >
        <div className="row">
          <label htmlFor="sim-aim">To learn</label>
          <Select
            id="sim-aim"
            value={aim}
            options={TECHNIQUES.filter((t) => t.levels.length > 0).map((t) => ({
              value: t.id,
              label: t.name,
            }))}
            onChange={setAim}
            showSearch={{ optionFilterProp: 'label' }}
            style={{ width: '15rem' }}
          />
          <label htmlFor="sim-minutes">in minutes a day</label>
          <InputNumber
            id="sim-minutes"
            min={1}
            max={60}
            value={minutes}
            onChange={(n) => n !== null && setMinutes(n)}
            style={{ width: '5rem' }}
          />
          <Button type="primary" htmlType="submit" disabled={running}>
            Estimate
          </Button>
          {running && (
            <>
              <progress value={runs.length / total} aria-label="Estimate" />
              <Button onClick={stop}>Stop</Button>
            </>
          )}
        </div>
        <p>
          {goal.length > 1
            ? `With what it needs: ${listed(goal.map((id) => techniqueById(id).name))}.`
            : 'It needs no other technique.'}{' '}
          {SEEDS.length} simulated learners like {assumed.kind.name} practise it, {assumed.daysAWeek} days a
          week.
        </p>
        <Fold summary="What is assumed">{() => <Model assumed={assumed} onChange={setAssumed} />}</Fold>
      </form>
      {asked && runs.length > 0 && <Outcome asked={asked} runs={runs} running={running} />}
    </div>
  )
}

/** What the runs that are over came to. */
function Outcome(props: { readonly asked: Asked; readonly runs: readonly Run[]; readonly running: boolean }) {
  const { asked, runs, running } = props
  const { goal } = asked
  const { weeks } = asked.assumed
  const planned = runs.filter((r) => r.policy === 'plan')
  const draw = useCallback((c: Ink) => chart(c, runs, weeks, goal.length), [runs, weeks, goal])
  const week = (day: number | undefined) => (day === undefined ? '–' : `week ${Math.ceil(day / 7)}`)
  const all = goal.length === 1 ? 'It is' : `All ${goal.length} are`
  return (
    <section className="stack" aria-labelledby="outcome" aria-busy={running}>
      <h2 id="outcome">
        {asked.minutes} minutes a day: {techniqueById(goal.at(-1)!).name}
      </h2>
      <p className="advice">
        <Words>{all}</Words> known at the first level{' '}
        <Words>{rangeWords(planned, 'known', goal.length, weeks)}</Words>. Half-way up the levels:{' '}
        <Words>{rangeWords(planned, 'halfway', goal.length, weeks)}</Words>.
      </p>
      <Chart
        says={`How many of the techniques are half-way up their levels, week by week, in ${runs.length} runs.`}
        table={{
          title: 'Each simulated learner',
          columns: [
            'Practice',
            'No.',
            'First level known',
            'Half-way up',
            'Minutes practised',
            'Levels moved up',
          ],
          rows: runs.map((r) => [
            POLICY_NAMES[r.policy],
            String(r.seed),
            week(reached(r, 'known', goal.length)?.day),
            week(reached(r, 'halfway', goal.length)?.day),
            String(Math.round(r.days.at(-1)!.minutes)),
            String(r.days.at(-1)!.moves),
          ]),
        }}
        draw={draw}
      />
      <p className="faint">
        Nobody learns exactly so: it shows about how long things take, and how much that differs by chance
        alone.
      </p>
    </section>
  )
}
