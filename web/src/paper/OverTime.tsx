import { middleOf } from '@tachymetra/core/number'
import { techniqueById } from '@tachymetra/core/registry'
import { byKind, paperScore, setupOf } from '@tachymetra/core/set'
import type { WorkedSet } from '@tachymetra/core/wire'
import { count, extraTimeWords, seconds } from '@tachymetra/core/words'
import { Select } from 'antd'
import { useCallback, useMemo, useState } from 'react'
import { Link } from 'react-router'
import type { Ink } from '../charts/axis.js'
import { Chart } from '../charts/Chart.js'
import { useNeeds } from '../data/needs.js'
import { when } from '../words/words.js'
import { Words } from '../written/Words.js'
import { marksOf, paperChart, type Scored } from './chart.js'

/** Papers in the list; the chart shows all that were fetched. */
const LISTED = 8

/** Papers over time: the points and the mistakes of each, and the kinds that cost most lately. */
export function OverTime(props: { readonly papers: readonly WorkedSet[]; readonly timeZone: string }) {
  const { papers, timeZone } = props
  const { calm } = useNeeds()
  const names = [...new Set(papers.map((p) => p.recipe.paper!.name))]
  const [name, setName] = useState<string>()
  const one = name ?? names[0]
  const shown = useMemo(() => {
    return papers
      .filter((p) => p.recipe.paper!.name === one)
      .toReversed()
      .map((p) => ({ ...p, score: paperScore(p.recipe, p.answers), setup: setupOf(p.recipe)! }))
  }, [papers, one])
  const draw = useCallback((c: Ink) => paperChart(c, shown, timeZone), [shown, timeZone])
  const latest = shown.at(-1)
  if (!latest) return <p>No paper has been worked yet. Work the first one.</p>
  const best = Math.max(...shown.map((p) => p.score.points))
  const says =
    shown.length === 1
      ? `One paper so far: ${count(latest.score.points, 'point')}.`
      : `${shown.length} papers: ${latest.score.points} points last, ${best} at best.`
  return (
    <>
      {names.length > 1 && (
        <Select
          className="kept"
          aria-label="Which papers"
          value={one ?? ''}
          options={names.map((value) => ({ value, label: value }))}
          onChange={setName}
        />
      )}
      {shown.length === 1 ? (
        <p>
          <Words>{says}</Words>
        </p>
      ) : (
        <Chart
          says={says}
          draw={draw}
          table={{
            title: 'Papers over time',
            columns: ['When', 'Points', 'Right', 'Wrong', 'Skipped'],
            rows: shown
              .toReversed()
              .map((p) => [
                when(p.startedAt, timeZone),
                String(p.score.points),
                `${p.score.right} of ${p.setup.count}`,
                String(marksOf(p, 'wrong')),
                String(marksOf(p, 'skipped')),
              ]),
          }}
        />
      )}
      <ol className="plain-list paper-list">
        {shown
          .toReversed()
          .slice(0, LISTED)
          .map((p) => (
            <li key={p.id}>
              <Link to={`/papers/${p.id}`}>{when(p.startedAt, timeZone)}</Link>:{' '}
              <Words>{count(p.score.points, 'point')}</Words>, {p.score.right} right of {p.score.tried} tried
              <Words>{!calm && medianOf(p) !== null && `, ${seconds(medianOf(p))} an item`}</Words>.{' '}
              <Words>{extraTimeWords(p.recipe.extraTime)}</Words>
            </li>
          ))}
      </ol>
      <Costly papers={shown} />
    </>
  )
}

function medianOf({ answers }: WorkedSet): number | null {
  const times = answers.flatMap((a) => (a.outcome === 'done' ? [a.ms] : []))
  return times.length > 0 ? middleOf(times) : null
}

const LATELY = 3
const MOST_NAMED = 3

/** The kinds that cost most on the latest papers. */
function Costly({ papers }: { readonly papers: readonly Scored[] }) {
  const lost = new Map<string, number>()
  for (const p of papers.slice(-LATELY))
    for (const k of byKind(p.recipe, p.score)) lost.set(k.technique, (lost.get(k.technique) ?? 0) + k.lost)
  const worst = [...lost].filter(([, points]) => points > 0).sort(([, a], [, b]) => b - a)
  if (worst.length === 0) return null
  return (
    <p>
      What cost most on the last papers:{' '}
      {worst.slice(0, MOST_NAMED).map(([id], i) => (
        <span key={id}>
          {i > 0 && ', '}
          <Link to={`/?technique=${id}`}>{techniqueById(id).name}</Link>
        </span>
      ))}
      .
    </p>
  )
}
