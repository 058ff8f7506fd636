import { placeName } from '@tachymetra/core/number'
import type { SlipWeek } from '@tachymetra/core/wire'
import { count, slipName, times } from '@tachymetra/core/words'
import { useCallback, useMemo } from 'react'
import { axis, type Ink } from '../charts/axis.js'
import { Chart } from '../charts/Chart.js'
import { Wide } from '../charts/Wide.js'
import { useSlips } from '../data/queries.js'
import { Loading } from '../frame/Loading.js'
import { Trouble } from '../frame/Trouble.js'
import { dayName } from '../words/words.js'
import { useItsLearner } from './Record.js'
import { TechniqueChoice } from './TechniqueChoice.js'
import { useChosenTechnique } from './useChosen.js'

/** Kinds shown by themselves; the rest are taken together. */
const MOST_KINDS = 4
const MOST_PLACES = 6
const MOST_ROWS = 12
const PATTERNS = ['', '/', 'x', '-', '.']

/** Mistakes of the last quarter: which kind at which place, and how they went week by week. */
export default function MistakesPage() {
  const learner = useItsLearner()
  const [technique, choose] = useChosenTechnique()
  const slips = useSlips(learner.id)
  if (slips.isPending) return <Loading />
  if (slips.isLoadingError) return <Trouble error={slips.error} retry={() => slips.refetch()} />
  const its = technique ? slips.data.filter((s) => s.technique === technique) : slips.data
  return (
    <section className="stack" aria-labelledby="mistakes">
      <div className="row">
        <h2 id="mistakes">Mistakes of the last 13 weeks</h2>
        <TechniqueChoice learner={learner} chosen={technique} all="all techniques" onChoose={choose} />
      </div>
      {its.length === 0 ? <p>None.</p> : <Found slips={its} />}
    </section>
  )
}

const total = (slips: readonly SlipWeek[]) => slips.reduce((sum, s) => sum + s.count, 0)

interface Kind {
  readonly id: string
  readonly its: readonly SlipWeek[]
}

function Found({ slips }: { readonly slips: readonly SlipWeek[] }) {
  const kinds = useMemo<Kind[]>(
    () =>
      [...new Set(slips.map((s) => s.slip))]
        .map((id) => ({ id, its: slips.filter((s) => s.slip === id) }))
        .sort((a, b) => total(b.its) - total(a.its)),
    [slips],
  )
  const weeks = useMemo(() => [...new Set(slips.map((s) => s.week))].sort(), [slips])
  const places = [...new Set(slips.map((s) => s.place))].sort((a, b) => b - a).slice(-MOST_PLACES)
  const most = Math.max(...kinds.flatMap((k) => places.map((p) => total(k.its.filter((s) => s.place === p)))))
  const draw = useCallback((c: Ink) => weekChart(c, kinds, weeks), [kinds, weeks])
  const [first] = kinds as [Kind, ...Kind[]]
  const often = places.toSorted((a, b) => countAt(first, b) - countAt(first, a))[0]!
  return (
    <div className="side-by-side">
      <Chart
        says={`${count(total(slips), 'mistake')} in ${count(weeks.length, 'week')}. Most often: ${slipName(first.id)}, ${times(total(first.its))}, mostly at the ${placeName(often)}.`}
        table={{
          title: 'Mistakes by week and kind',
          columns: ['Week of', ...shownKinds(kinds).map((k) => k.name), 'all'],
          rows: weeks.map((week) => [
            dayName(week).slice(4),
            ...shownKinds(kinds).map(({ its }) => String(total(its.filter((s) => s.week === week)))),
            String(total(slips.filter((s) => s.week === week))),
          ]),
        }}
        draw={draw}
      />
      <Wide label="Mistakes by kind and place">
        <table className="plain-table slip-table">
          <caption>By kind and place</caption>
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
            {kinds.slice(0, MOST_ROWS).map((kind) => (
              <tr key={kind.id}>
                <th scope="row">{slipName(kind.id)}</th>
                {places.map((p) => (
                  <td key={p}>
                    {countAt(kind, p) > 0 && (
                      <span className="slip-count">
                        <i style={{ width: `${(100 * countAt(kind, p)) / most}%` }} />
                        {countAt(kind, p)}
                      </span>
                    )}
                  </td>
                ))}
                <td>{total(kind.its)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
    </div>
  )
}

const countAt = ({ its }: Kind, place: number) => total(its.filter((s) => s.place === place))

/** The most frequent kinds by themselves, the rest together. */
function shownKinds(kinds: readonly Kind[]): { readonly name: string; readonly its: readonly SlipWeek[] }[] {
  const rest = kinds.slice(MOST_KINDS).flatMap((k) => k.its)
  return [
    ...kinds.slice(0, MOST_KINDS).map(({ id, its }) => ({ name: slipName(id), its })),
    ...(rest.length > 0 ? [{ name: 'others', its: rest }] : []),
  ]
}

function weekChart(c: Ink, kinds: readonly Kind[], weeks: readonly string[]) {
  const inks = [c.slip, c.signal, c.right, c.faint, c.ink]
  return {
    traces: shownKinds(kinds).map(({ name, its }, i) => ({
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
