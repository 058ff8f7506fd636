import { placeName } from '@tachymetra/core/number'
import { techniqueById } from '@tachymetra/core/registry'
import type { SlipWeek } from '@tachymetra/core/wire'
import { slipName } from '@tachymetra/core/words'
import { useCallback, useMemo } from 'react'
import { useSlips } from '../data/queries.js'
import { axis, type Ink } from '../parts/axis.js'
import { Guard, lazily } from '../parts/Guard.js'
import { Loading } from '../parts/Loading.js'
import { Trouble } from '../parts/Trouble.js'
import { Wide } from '../parts/Wide.js'
import { dayName } from '../parts/words.js'
import './record.css'

const Plot = lazily(() => import('../parts/Plot.js'), true)

/** Kinds shown by themselves; the rest are taken together. */
const MOST_KINDS = 6
const MOST_PLACES = 6
const PATTERNS = ['', '/', 'x', '-', '.', '+', '|']

/** Mistakes of the last quarter: which kind at which place, and how they went week by week. */
export function Slips({ learnerId, technique }: { readonly learnerId: string; readonly technique?: string }) {
  const slips = useSlips(learnerId)
  if (slips.isPending) return <Loading />
  if (slips.isLoadingError) return <Trouble error={slips.error} retry={() => slips.refetch()} />
  const its = technique ? slips.data.filter((s) => s.technique === technique) : slips.data
  return (
    <section className="stack" aria-labelledby="slips">
      <h2 id="slips">Mistakes of the last 13 weeks{technique && `: ${techniqueById(technique).name}`}</h2>
      {its.length === 0 ? <p>None.</p> : <Found slips={its} />}
    </section>
  )
}

const total = (slips: readonly SlipWeek[]) => slips.reduce((sum, s) => sum + s.count, 0)

function Found({ slips }: { readonly slips: readonly SlipWeek[] }) {
  const kinds = useMemo(
    () =>
      [...new Set(slips.map((s) => s.slip))]
        .map((id) => ({ id, its: slips.filter((s) => s.slip === id) }))
        .sort((a, b) => total(b.its) - total(a.its)),
    [slips],
  )
  const places = [...new Set(slips.map((s) => s.place))].sort((a, b) => b - a).slice(-MOST_PLACES)
  const most = Math.max(...kinds.flatMap((k) => places.map((p) => total(k.its.filter((s) => s.place === p)))))
  const draw = useCallback((c: Ink) => weekChart(c, kinds), [kinds])
  return (
    <div className="side-by-side">
      <Wide label="Mistakes by kind and place">
        <table className="plain-table slip-table">
          <thead>
            <tr>
              <th scope="col">Mistake</th>
              {places.map((p) => (
                <th key={p} scope="col">
                  {placeName(p)}
                </th>
              ))}
              <th scope="col">all</th>
            </tr>
          </thead>
          <tbody>
            {kinds.slice(0, 12).map(({ id, its }) => (
              <tr key={id}>
                <th scope="row">{slipName(id)}</th>
                {places.map((p) => {
                  const count = total(its.filter((s) => s.place === p))
                  return (
                    <td key={p}>
                      {count > 0 && (
                        <span className="slip-count">
                          <i style={{ width: `${(100 * count) / most}%` }} />
                          {count}
                        </span>
                      )}
                    </td>
                  )
                })}
                <td>{total(its)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
      <Guard waiting={<div className="chart" />}>
        <Plot
          label="Mistakes week by week, by kind; the counts of the whole stand in the table beside."
          draw={draw}
        />
      </Guard>
    </div>
  )
}

function weekChart(c: Ink, kinds: readonly { readonly id: string; readonly its: readonly SlipWeek[] }[]) {
  const weeks = [...new Set(kinds.flatMap((k) => k.its.map((s) => s.week)))].sort()
  const inks = [c.slip, c.signal, c.right, c.faint, c.ink, c.line, c.faint]
  const shown = [
    ...kinds.slice(0, MOST_KINDS).map(({ id, its }) => ({ name: slipName(id), its })),
    ...(kinds.length > MOST_KINDS
      ? [{ name: 'others', its: kinds.slice(MOST_KINDS).flatMap((k) => k.its) }]
      : []),
  ]
  return {
    traces: shown.map(({ name, its }, i) => ({
      type: 'bar',
      name,
      x: weeks.map((w) => dayName(w).slice(4)),
      y: weeks.map((w) => total(its.filter((s) => s.week === w))),
      marker: { color: inks[i], pattern: { shape: PATTERNS[i], fillmode: 'overlay', fgcolor: c.paper } },
    })),
    layout: {
      barmode: 'stack',
      bargap: 0.4,
      margin: { l: 40, r: 8, t: 72, b: 56 },
      legend: { orientation: 'h', y: 1.02, yanchor: 'bottom' },
      xaxis: axis(c, { type: 'category' }),
      yaxis: axis(c),
    },
  }
}
