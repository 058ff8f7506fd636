import { type Technique, targetOf, WORKED_SUPPORTS } from '@tachymetra/core'
import type { PacePoint } from '@tachymetra/core/wire'
import Plotly from 'plotly.js-basic-dist-min'
import { useEffect, useRef } from 'react'
import { levelWords, SUPPORT_NAMES } from '../parts/words.js'
import { PALETTE } from '../theme.js'

const SYMBOLS = { guided: 'circle-open', steps: 'square', answer: 'diamond' } as const

/** Median time of each sitting over time with the target of its level, and the share right beneath it. */
export default function PaceChart({
  technique,
  points,
}: {
  readonly technique: Technique
  readonly points: readonly PacePoint[]
}) {
  const box = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const element = box.current!
    const draw = () => {
      const c = PALETTE[document.documentElement.dataset.light === 'night' ? 'night' : 'day']
      const colours = { guided: c.faint, steps: c.right, answer: c.signal }
      const traces = WORKED_SUPPORTS.flatMap((support) => {
        const its = points.filter((p) => p.support === support)
        if (its.length === 0) return []
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
          { ...shared, y: its.map((p) => (100 * p.right) / p.attempts), yaxis: 'y2', showlegend: false },
        ]
      })
      const target = {
        x: points.map((p) => p.at),
        y: points.map((p) => (targetOf(technique, p.level) ?? Number.NaN) / 1000),
        name: 'Target of the level',
        mode: 'lines',
        line: { width: 2, dash: 'dot', shape: 'hv', color: c.ink },
      }
      // Axes as rules: a line with ticks outside, no grid.
      const rule = {
        showgrid: false,
        zeroline: false,
        showline: true,
        linewidth: 2,
        linecolor: c.ink,
        ticks: 'outside',
        tickcolor: c.ink,
        rangemode: 'tozero',
      }
      void Plotly.react(
        element,
        [...traces, target],
        {
          paper_bgcolor: 'transparent',
          plot_bgcolor: 'transparent',
          font: { family: 'Atkinson Hyperlegible Next, sans-serif', size: 14, color: c.ink },
          margin: { l: 56, r: 12, t: 8, b: 32 },
          legend: { orientation: 'h', y: 1.14 },
          xaxis: { ...rule, rangemode: 'normal', type: 'date', anchor: 'y2' },
          yaxis: { ...rule, domain: [0.42, 1], title: { text: 'seconds' } },
          yaxis2: { ...rule, domain: [0, 0.3], title: { text: '% right' }, range: [0, 105] },
        },
        { displayModeBar: false, responsive: true },
      )
    }
    draw()
    // Day and night change the colours of ink and paper.
    const watcher = new MutationObserver(draw)
    watcher.observe(document.documentElement, { attributes: true, attributeFilter: ['data-light'] })
    return () => {
      watcher.disconnect()
      Plotly.purge(element)
    }
  }, [technique, points])
  return (
    <div
      ref={box}
      className="chart"
      role="img"
      aria-label={`Median time and share right of ${points.length} sittings of ${technique.name}; the same figures stand in the table of sittings.`}
    />
  )
}
