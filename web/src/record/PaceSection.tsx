import { aimOf } from '@tachymetra/core/curriculum'
import { type Best, type LearnerSettings, shareRight } from '@tachymetra/core/learner'
import { dayIn, median } from '@tachymetra/core/number'
import { type Forecast, paceOn } from '@tachymetra/core/plan'
import { techniqueById } from '@tachymetra/core/registry'
import { SUPPORT_NAMES, WORKED_SUPPORTS } from '@tachymetra/core/session'
import type { LearnerWire, PacePoint } from '@tachymetra/core/wire'
import { bestWords, forecastWords, seconds } from '@tachymetra/core/words'
import { useCallback, useMemo } from 'react'
import { useBests, usePace, useProgress } from '../data/queries.js'
import { axis, type Ink } from '../parts/axis.js'
import { Guard, lazily } from '../parts/Guard.js'
import { Loading } from '../parts/Loading.js'
import { Trouble } from '../parts/Trouble.js'
import { Wide } from '../parts/Wide.js'
import { levelWords } from '../parts/words.js'
import { type ForecastAsked, useForecast } from './useForecast.js'
import './record.css'

const Plot = lazily(() => import('../parts/Plot.js'), true)
const SYMBOLS = { guided: 'circle-open', steps: 'square', answer: 'diamond' } as const

/** Pace and accuracy of one technique over time, what is to be expected, and what has become better. */
export function PaceSection(props: {
  readonly learner: LearnerWire
  readonly technique: string
  readonly settings: LearnerSettings
  readonly keep: (point: PacePoint) => boolean
}) {
  const { learner, technique, settings, keep } = props
  const pace = usePace(learner.id, technique)
  const progress = useProgress(learner.id)
  const bests = useBests(learner.id, { technique }).data
  const points = useMemo(() => pace.data?.filter(keep) ?? [], [pace.data, keep])
  if (pace.isPending || progress.isPending) return <Loading />
  if (pace.isLoadingError) return <Trouble error={pace.error} retry={() => pace.refetch()} />
  const level =
    progress.data?.moves.find((m) => m.technique === technique)?.to ??
    pace.data.findLast((p) => p.level > 0)?.level
  return (
    <Pace
      key={technique}
      technique={technique}
      level={level}
      best={bests?.find((b) => b.level === level && b.support === 'answer')}
      points={points}
      settings={settings}
      timeZone={learner.timeZone}
    />
  )
}

/** Median pace of each day without steps at the level in force, in order. */
function dailyPace(points: readonly PacePoint[], level: number, timeZone: string) {
  const days = new Map<string, number[]>()
  for (const p of points)
    if (p.level === level && p.support === 'answer' && p.medianMs) {
      const day = dayIn(p.at, timeZone)
      days.set(day, [...(days.get(day) ?? []), p.medianMs])
    }
  return [...days].map(([day, medians]) => ({ day, ms: median(medians)! }))
}

function Pace(props: {
  readonly technique: string
  readonly level: number | undefined
  /** The best of one's own at this level without steps. */
  readonly best: Best | undefined
  readonly points: readonly PacePoint[]
  readonly settings: LearnerSettings
  readonly timeZone: string
}) {
  const { technique, level, best, points, settings, timeZone } = props
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
  const found = said && 'outlook' in said && 'forecast' in said.outlook ? said.outlook.forecast : undefined
  const draw = useCallback(
    (c: Ink) => paceChart(c, technique, points, settings, days, found),
    [technique, points, settings, days, found],
  )
  const { name } = techniqueById(technique)
  if (points.length === 0) return <p>Nothing of {name} in this selection.</p>
  return (
    <>
      <p className="forecast" aria-live="polite">
        {said && 'share' in said ? (
          <>
            Looking ahead: <progress value={said.share} aria-label="Forecast" />{' '}
            <button type="button" className="key-button" onClick={stop}>
              Stop
            </button>
          </>
        ) : found && targetMs ? (
          <>
            Level {level}: <strong>{forecastWords(found, targetMs)}</strong>{' '}
            <span className="faint">
              (right in {100 * found.coverage} of 100 such cases; {found.curve.law} curve through{' '}
              {days.length} days)
            </span>
          </>
        ) : level !== undefined && !asked ? (
          <span className="faint">No forecast for level {level}: nothing worked without steps yet.</span>
        ) : said && 'outlook' in said && 'silent' in said.outlook && level !== undefined ? (
          <span className="faint">
            No forecast for level {level}: {said.outlook.silent}
          </span>
        ) : (
          ' '
        )}
      </p>
      <Guard waiting={<div className="chart" />}>
        <Plot
          label={`Median time and share right of ${points.length} sessions of ${name}; the same figures stand in the table of sessions.`}
          draw={draw}
        />
      </Guard>
      {best && (
        <p>
          Level {level}, answer only. {bestWords(best)}
        </p>
      )}
      <BeforeAfter points={points} />
    </>
  )
}

function paceChart(
  c: Ink,
  technique: string,
  points: readonly PacePoint[],
  settings: LearnerSettings,
  days: readonly { readonly day: string; readonly ms: number }[],
  found: Forecast | undefined,
) {
  const colours = { guided: c.faint, steps: c.right, answer: c.signal }
  const traces: object[] = WORKED_SUPPORTS.flatMap((support) => {
    const its = points.filter((p) => p.support === support)
    if (its.length === 0) return []
    const shares = its.map((p) => shareRight(p.right, p.attempts))
    const shared = {
      x: its.map((p) => p.at),
      name: SUPPORT_NAMES[support],
      legendgroup: support,
      mode: 'lines+markers',
      marker: { symbol: SYMBOLS[support], size: 8, color: colours[support] },
      line: { width: 1, color: colours[support] },
    }
    return [
      {
        ...shared,
        y: its.map((p) => (p.medianMs === null ? null : p.medianMs / 1000)),
        hovertext: its.map((p) => `${levelWords(p.level)}, ${p.right} of ${p.attempts} right`),
      },
      {
        ...shared,
        y: shares.map((s) => 100 * s.share),
        error_y: {
          type: 'data',
          symmetric: false,
          array: shares.map((s) => 100 * (s.high - s.share)),
          arrayminus: shares.map((s) => 100 * (s.share - s.low)),
          thickness: 1,
          width: 3,
          color: c.faint,
        },
        yaxis: 'y2',
        showlegend: false,
      },
    ]
  })
  traces.push({
    x: points.map((p) => p.at),
    y: points.map((p) => (aimOf(settings, technique, p.level) ?? Number.NaN) / 1000),
    name: 'Target of the level',
    mode: 'lines',
    line: { width: 2, dash: 'dot', shape: 'hv', color: c.ink },
  })
  if (found) {
    const x = days.map((d) => `${d.day}T12:00:00Z`)
    const on = found.band.slice(0, days.length)
    const edge = { mode: 'lines', line: { width: 0 }, hoverinfo: 'skip', legendgroup: 'curve' }
    traces.unshift(
      { ...edge, x, y: on.map((b) => b.high / 1000), showlegend: false },
      {
        ...edge,
        x,
        y: on.map((b) => b.low / 1000),
        name: 'Practice curve',
        fill: 'tonexty',
        fillcolor: `${c.signal}22`,
      },
      {
        x,
        y: days.map((_, i) => paceOn(found.curve, i + 1) / 1000),
        mode: 'lines',
        line: { width: 2, color: c.signal },
        legendgroup: 'curve',
        showlegend: false,
        hoverinfo: 'skip',
      },
    )
  }
  return {
    traces,
    layout: {
      xaxis: axis(c, { rangemode: 'normal', type: 'date', anchor: 'y2' }),
      yaxis: axis(c, { domain: [0.42, 1], title: { text: 'seconds' } }),
      yaxis2: axis(c, { domain: [0, 0.3], title: { text: '% right' }, range: [0, 105] }),
    },
  }
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
    <>
      <h3>
        Before and after: the first {ENDS} sessions without steps, and the latest {ENDS}
      </h3>
      <Wide label="Before and after">
        <table className="plain-table">
          <thead>
            <tr>
              <th scope="col">Level</th>
              <th scope="col">Pace then</th>
              <th scope="col">Pace now</th>
              <th scope="col">Right then</th>
              <th scope="col">Right now</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ level, first, latest }) => (
              <tr key={level}>
                <th scope="row">{level}</th>
                <td>{seconds(medianOf(first))}</td>
                <td>{seconds(medianOf(latest))}</td>
                <td>{rightOf(first)}</td>
                <td>{rightOf(latest)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
    </>
  )
}

const medianOf = (points: readonly PacePoint[]) => median(points.flatMap((p) => p.medianMs ?? []))

function rightOf(points: readonly PacePoint[]): string {
  const sum = (of: (p: PacePoint) => number) => points.reduce((total, p) => total + of(p), 0)
  return `${sum((p) => p.right)} of ${sum((p) => p.attempts)}`
}
