import { aimOf } from '@tachymetra/core/curriculum'
import type { Best, LearnerSettings } from '@tachymetra/core/learner'
import { dayIn, median } from '@tachymetra/core/number'
import { techniqueById } from '@tachymetra/core/registry'
import { SUPPORT_NAMES, WORKED_SUPPORTS, type WorkedSupport } from '@tachymetra/core/session'
import type { LearnerWire, PacePoint, PractisedWire } from '@tachymetra/core/wire'
import { forecastWords, seconds, targetWords } from '@tachymetra/core/words'
import { Segmented, Select } from 'antd'
import { useCallback, useMemo, useState } from 'react'
import { Link } from 'react-router'
import type { Ink } from '../charts/axis.js'
import { Chart } from '../charts/Chart.js'
import { PlainTable } from '../charts/PlainTable.js'
import { useLearnerSettings } from '../data/learnerSettings.js'
import { useBests, usePace, usePractised, useProgress } from '../data/queries.js'
import { Loading } from '../frame/Loading.js'
import { Trouble } from '../frame/Trouble.js'
import { levelWords, minuteWords, when } from '../words/words.js'
import { Words } from '../written/Words.js'
import { type DayPace, type Measure, paceChart } from './paceChart.js'
import { useItsLearner } from './Record.js'
import { TechniqueChoice } from './TechniqueChoice.js'
import { useChosen, useChosenTechnique } from './useChosen.js'
import { type ForecastAsked, useForecast } from './useForecast.js'

const WEEKS = ['4', '13', 'all'] as const
const SPANS = [
  { value: '4', label: 'last 4 weeks' },
  { value: '13', label: 'last 13 weeks' },
  { value: 'all', label: 'the whole record' },
] as const
const MEASURES: { value: Measure; label: string }[] = [
  { value: 'time', label: 'Time for a problem' },
  { value: 'minute', label: 'Right answers a minute' },
]
const WEEK_MS = 7 * 86_400_000

/** Pace and accuracy of one technique over time, what is to be expected, and what has become better. */
export default function PacePage() {
  const learner = useItsLearner()
  const practised = usePractised(learner.id)
  const [asked, choose] = useChosenTechnique()
  const [support, setSupport] = useChosen('support', WORKED_SUPPORTS)
  const [weeks = '13', setWeeks] = useChosen('weeks', WEEKS)
  const [measure = 'time', setMeasure] = useChosen('measure', ['time', 'minute'])
  if (practised.isPending) return <Loading />
  if (practised.isLoadingError) return <Trouble error={practised.error} retry={() => practised.refetch()} />
  const technique = asked ?? mostWorked(practised.data)
  if (!technique)
    return (
      <p>
        Nothing has been practised yet. <Link to="/">Begin at the desk</Link>.
      </p>
    )
  return (
    <>
      <div className="row">
        <TechniqueChoice learner={learner} chosen={technique} onChoose={choose} />
        <Select
          aria-label="Support"
          value={support ?? ''}
          options={[
            { value: '', label: 'any support' },
            ...WORKED_SUPPORTS.map((s) => ({ value: s, label: SUPPORT_NAMES[s] })),
          ]}
          onChange={(s) => setSupport(WORKED_SUPPORTS.find((w) => w === s))}
          style={{ minWidth: '9rem' }}
        />
        <Select
          aria-label="Time"
          value={weeks}
          options={[...SPANS]}
          onChange={setWeeks}
          style={{ minWidth: '10rem' }}
        />
        <Segmented aria-label="Measure" value={measure} options={MEASURES} onChange={setMeasure} />
      </div>
      <Read {...{ learner, technique, support, weeks, measure }} />
    </>
  )
}

/** The technique with the most problems in the fortnight before the latest session. */
function mostWorked(practised: readonly PractisedWire[]): string | undefined {
  return practised.toSorted((a, b) => b.lately - a.lately)[0]?.technique
}

/** What is on record of the technique, as far as it was asked for. */
function Read(props: {
  readonly learner: LearnerWire
  readonly technique: string
  readonly support: WorkedSupport | undefined
  readonly weeks: (typeof WEEKS)[number]
  readonly measure: Measure
}) {
  const { learner, technique, support, weeks, measure } = props
  const settings = useLearnerSettings(learner.id)
  const pace = usePace(learner.id, technique)
  const progress = useProgress(learner.id)
  const bests = useBests(learner.id, { technique }).data ?? []
  const [now] = useState(() => Date.now())
  const points = useMemo(
    () =>
      pace.data?.filter(
        (p) =>
          (!support || p.support === support) &&
          (weeks === 'all' || Date.parse(p.at) > now - Number(weeks) * WEEK_MS),
      ) ?? [],
    [pace.data, support, weeks, now],
  )
  const failed = [pace, progress].find((q) => q.isLoadingError)
  if (failed) return <Trouble error={failed.error!} retry={() => failed.refetch()} />
  if (!pace.data || !progress.data) return <Loading />
  if (points.length === 0) return <p>Nothing of {techniqueById(technique).name} in this selection.</p>
  const level =
    progress.data.moves.find((m) => m.technique === technique)?.to ??
    pace.data.findLast((p) => p.level > 0)?.level
  return (
    <Shown
      key={technique}
      {...{ technique, level, bests, points, settings, measure }}
      timeZone={learner.timeZone}
    />
  )
}

function Shown(props: {
  readonly technique: string
  readonly level: number | undefined
  readonly bests: readonly Best[]
  readonly points: readonly PacePoint[]
  readonly settings: LearnerSettings
  readonly timeZone: string
  readonly measure: Measure
}) {
  const { technique, level, bests, points, settings, timeZone, measure } = props
  const targetMs = level === undefined ? undefined : aimOf(settings, technique, level)
  const days = useMemo(
    () => (level === undefined ? [] : dailyPace(points, level, timeZone)),
    [points, level, timeZone],
  )
  const asked = useMemo<ForecastAsked | undefined>(
    () => (targetMs && days.length > 0 ? { paces: days.map((d) => d.ms), targetMs } : undefined),
    [days, targetMs],
  )
  const { said, stop } = useForecast(asked)
  const outlook = said && 'outlook' in said ? said.outlook : undefined
  const found = outlook && 'forecast' in outlook ? outlook.forecast : undefined
  const draw = useCallback(
    (c: Ink) => paceChart(c, measure, { technique, points, settings, days, found }),
    [measure, technique, points, settings, days, found],
  )
  const { name } = techniqueById(technique)
  return (
    <div className="side-by-side wide-left">
      <Chart
        says={saysOf(name, points, settings, technique)}
        table={{
          title: `Sessions of ${name}`,
          columns: ['When', 'Level', 'Support', 'Right', 'Time', 'Right a minute'],
          rows: points
            .toReversed()
            .map((p) => [
              when(p.at, timeZone),
              levelWords(p.level),
              SUPPORT_NAMES[p.support],
              `${p.right} of ${p.attempts}`,
              seconds(p.medianMs),
              minuteWords(p.perMinute),
            ]),
        }}
        draw={draw}
      />
      <div className="stack">
        <h2>Looking ahead</h2>
        <p className="forecast" aria-live="polite">
          {said && 'share' in said ? (
            <>
              <progress value={said.share} aria-label="Forecast" />{' '}
              <button type="button" className="key-button" onClick={stop}>
                Stop
              </button>
            </>
          ) : found && targetMs ? (
            <>
              Level {level}:{' '}
              <strong>
                <Words>{forecastWords(found, targetMs)}</Words>
              </strong>{' '}
              <span className="faint">
                (right in {100 * found.coverage} of 100 such cases; {found.curve.law} curve through{' '}
                {days.length} days)
              </span>
            </>
          ) : level !== undefined && !asked ? (
            `No forecast for level ${level}: nothing worked without steps yet.`
          ) : outlook && 'silent' in outlook && level !== undefined ? (
            `No forecast for level ${level}: ${outlook.silent}`
          ) : (
            ' '
          )}
        </p>
        <Bests bests={bests} />
        <BeforeAfter points={points} />
      </div>
    </div>
  )
}

/** What the chart shows, in a sentence: the latest session beside its target, and how it began at that level. */
function saysOf(
  name: string,
  points: readonly PacePoint[],
  settings: LearnerSettings,
  technique: string,
): string {
  const latest = points.findLast((p) => p.medianMs !== null) ?? points.at(-1)!
  const first = points.find((p) => p.level === latest.level && p.support === latest.support && p.medianMs)
  const aim = aimOf(settings, technique, latest.level)
  const beside = aim === undefined ? '' : ` (target ${targetWords(aim)})`
  const began = first && first !== latest ? `; the first time it took ${seconds(first.medianMs)}` : ''
  return `${name}, ${levelWords(latest.level)}, ${SUPPORT_NAMES[latest.support].toLowerCase()}: ${seconds(latest.medianMs)} a problem in the latest session${beside}${began}.`
}

/** Median pace of each day without steps at the level in force, in order. */
function dailyPace(points: readonly PacePoint[], level: number, timeZone: string): DayPace[] {
  const days = new Map<string, number[]>()
  for (const p of points)
    if (p.level === level && p.support === 'answer' && p.medianMs) {
      const day = dayIn(p.at, timeZone)
      days.set(day, [...(days.get(day) ?? []), p.medianMs])
    }
  return [...days].map(([day, medians]) => ({ day, ms: median(medians)! }))
}

/** The best of one's own without steps, level by level, the highest first. */
function Bests({ bests }: { readonly bests: readonly Best[] }) {
  const its = bests.filter((b) => b.support === 'answer' && b.level > 0).toSorted((a, b) => b.level - a.level)
  if (its.length === 0) return null
  return (
    <PlainTable
      title="Own bests, answer only"
      columns={['Level', 'Quickest right', 'Most right a minute']}
      rows={its.map((b) => [String(b.level), seconds(b.bestMs), minuteWords(b.perMinute)])}
    />
  )
}

/** Sessions at either end that are set side by side. */
const ENDS = 3

/** The first sessions without steps beside the latest, level by level: one's own past and nobody else's. */
function BeforeAfter({ points }: { readonly points: readonly PacePoint[] }) {
  const answers = points.filter((p) => p.support === 'answer' && p.level > 0)
  const rows = [...new Set(answers.map((p) => p.level))]
    .sort((a, b) => a - b)
    .flatMap((level) => {
      const its = answers.filter((p) => p.level === level)
      return its.length < 2 * ENDS ? [] : [{ level, first: its.slice(0, ENDS), latest: its.slice(-ENDS) }]
    })
  if (rows.length === 0) return null
  return (
    <PlainTable
      title={`Before and after: the first ${ENDS} sessions without steps, and the latest ${ENDS}`}
      columns={['Level', 'Time then', 'Time now', 'Right then', 'Right now']}
      rows={rows.map(({ level, first, latest }) => [
        String(level),
        seconds(medianOf(first)),
        seconds(medianOf(latest)),
        rightOf(first),
        rightOf(latest),
      ])}
    />
  )
}

const medianOf = (points: readonly PacePoint[]) => median(points.flatMap((p) => p.medianMs ?? []))

function rightOf(points: readonly PacePoint[]): string {
  const sum = (of: (p: PacePoint) => number) => points.reduce((total, p) => total + of(p), 0)
  return `${sum((p) => p.right)} of ${sum((p) => p.attempts)}`
}
