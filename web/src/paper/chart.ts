/** Papers over time as a chart. */
import type { paperScore } from '@tachymetra/core/set'
import type { WorkedSet } from '@tachymetra/core/wire'
import { axis, type Ink } from '../charts/axis.js'

/** A paper with what it came to. */
export type Scored = WorkedSet & { readonly score: ReturnType<typeof paperScore> }

export const marksOf = ({ score }: Scored, mark: 'wrong' | 'skipped') =>
  score.marks.filter((m) => m === mark).length

const MOST_TICKS = 4

const dayOf = (at: string, timeZone: string) =>
  new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone }).format(new Date(at))

/** Points as a line, mistakes and skipped items as bars below it. */
export function paperChart(c: Ink, papers: readonly Scored[], timeZone: string) {
  // One after another, whatever time lies between them; so many days named as a narrow page has room for.
  const x = papers.map((_, i) => i + 1)
  const apart = Math.ceil(papers.length / MOST_TICKS)
  const named = x.filter((n) => (papers.length - n) % apart === 0)
  return {
    traces: [
      {
        x,
        y: papers.map((p) => p.score.points),
        name: 'points',
        mode: 'lines+markers',
        line: { color: c.signal, width: 2 },
        marker: { size: 9, color: c.signal, symbol: 'diamond' },
      },
      {
        x,
        y: papers.map((p) => marksOf(p, 'wrong')),
        name: 'wrong',
        type: 'bar',
        yaxis: 'y2',
        marker: { color: c.slip },
      },
      {
        x,
        y: papers.map((p) => marksOf(p, 'skipped')),
        name: 'skipped',
        type: 'bar',
        yaxis: 'y2',
        marker: { color: c.faint, pattern: { shape: '/' } },
      },
    ],
    layout: {
      barmode: 'stack',
      bargap: 0.6,
      xaxis: axis(c, {
        anchor: 'y2',
        tickangle: 0,
        rangemode: 'normal',
        range: [0.4, papers.length + 0.6],
        tickvals: named,
        ticktext: named.map((n) => dayOf(papers[n - 1]!.startedAt, timeZone)),
      }),
      yaxis: axis(c, { domain: [0.4, 1], title: { text: 'points' } }),
      yaxis2: axis(c, { domain: [0, 0.3], title: { text: 'items' } }),
    },
  }
}
