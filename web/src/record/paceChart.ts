/** How the chart of pace and accuracy is drawn. */
import { aimOf } from '@tachymetra/core/curriculum'
import { type LearnerSettings, shareRight } from '@tachymetra/core/learner'
import { type Forecast, paceOn } from '@tachymetra/core/plan'
import { SUPPORT_NAMES, WORKED_SUPPORTS, type WorkedSupport } from '@tachymetra/core/session'
import type { PacePoint } from '@tachymetra/core/wire'
import { axis, type Ink } from '../charts/axis.js'
import { levelWords } from '../words/words.js'

const SYMBOLS = { guided: 'circle-open', steps: 'square', answer: 'diamond' } as const

/** The median pace of one day without steps, at the level in force. */
export interface DayPace {
  readonly day: string
  readonly ms: number
}

export type Measure = 'time' | 'minute'

interface Shown {
  readonly technique: string
  readonly points: readonly PacePoint[]
  readonly settings: LearnerSettings
  readonly days: readonly DayPace[]
  readonly found: Forecast | undefined
}

/** The sessions with one support: their measure above, the share right below with how sure it is. */
function supportTraces(
  c: Ink,
  measure: Measure,
  support: WorkedSupport,
  points: readonly PacePoint[],
): object[] {
  const colours = { guided: c.faint, steps: c.right, answer: c.signal }
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
      y: its.map((p) => (measure === 'minute' ? p.perMinute : p.medianMs && p.medianMs / 1000)),
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
}

/** The practice curve in its band. */
function curveTraces(c: Ink, days: readonly DayPace[], found: Forecast): object[] {
  const x = days.map((d) => `${d.day}T12:00:00Z`)
  const on = found.band.slice(0, days.length)
  const edge = { mode: 'lines', line: { width: 0 }, hoverinfo: 'skip', legendgroup: 'curve' }
  return [
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
  ]
}

/** One measure of every session above, the share right below. Targets and the practice curve are of times alone. */
export function paceChart(c: Ink, measure: Measure, { technique, points, settings, days, found }: Shown) {
  const traces = WORKED_SUPPORTS.flatMap((support) => supportTraces(c, measure, support, points))
  if (measure === 'time')
    traces.push({
      x: points.map((p) => p.at),
      y: points.map((p) => (aimOf(settings, technique, p.level) ?? Number.NaN) / 1000),
      name: 'Target of the level',
      mode: 'lines',
      line: { width: 2, dash: 'dot', shape: 'hv', color: c.ink },
    })
  if (found && measure === 'time') traces.unshift(...curveTraces(c, days, found))
  return {
    traces,
    layout: {
      xaxis: axis(c, { rangemode: 'normal', type: 'date', anchor: 'y2' }),
      yaxis: axis(c, {
        domain: [0.42, 1],
        title: { text: measure === 'time' ? 'seconds' : 'right a minute' },
      }),
      yaxis2: axis(c, { domain: [0, 0.3], title: { text: '% right' }, range: [0, 105] }),
    },
  }
}
