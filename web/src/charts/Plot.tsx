import Plotly from 'plotly.js-basic-dist-min'
import { useEffect, useRef } from 'react'
import { currentSettings } from '../data/settings.js'
import { currentPalette } from '../theme.js'
import type { Ink } from './axis.js'

/** A chart in the ink of day or night, drawn anew when that changes. */
export default function Plot(props: {
  /** What it shows, for those who cannot see it. */
  readonly label: string
  /** Kept the same between renders unless the data change. */
  readonly draw: (c: Ink) => { readonly traces: readonly object[]; readonly layout: object }
}) {
  const { label, draw } = props
  const box = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const element = box.current!
    const paint = () => {
      const c = currentPalette()
      const { decimal } = currentSettings().numbers
      const { traces, layout } = draw(c)
      const page = {
        paper_bgcolor: 'transparent',
        plot_bgcolor: 'transparent',
        font: { family: getComputedStyle(document.body).fontFamily, size: 14, color: c.ink },
        margin: { l: 56, r: 12, t: 8, b: 32 },
        legend: { orientation: 'h', y: 1.14 },
        separators: decimal === '.' ? '.,' : ',.',
      }
      void Plotly.react(
        element,
        [...traces],
        { ...page, ...layout },
        { displayModeBar: false, responsive: true },
      )
    }
    paint()
    const watcher = new MutationObserver(paint)
    watcher.observe(document.documentElement, {
      attributes: true,
      attributeFilter: ['data-light', 'data-contrast'],
    })
    return () => {
      watcher.disconnect()
      Plotly.purge(element)
    }
  }, [draw])
  return <div ref={box} className="chart" role="img" aria-label={label} />
}
