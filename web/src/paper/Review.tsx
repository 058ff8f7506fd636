import { middleOf } from '@tachymetra/core/number'
import { techniqueById } from '@tachymetra/core/registry'
import { byKind, drillOfCostliest, type ItemMark, listOf, paperScore } from '@tachymetra/core/set'
import { count, extraTimeWords, seconds } from '@tachymetra/core/words'
import { Button } from 'antd'
import { useEffect, useMemo, useRef, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { Figure } from '../charts/figures.js'
import { Wide } from '../charts/Wide.js'
import { beginSession } from '../data/begin.js'
import { useNeeds } from '../data/needs.js'
import { Trouble } from '../frame/Trouble.js'
import { Words } from '../written/Words.js'
import { Gone } from './GoneThrough.js'
import { type Kept, lastAnswers } from './results.js'

/** What a paper came to, by kind and item by item; what went wrong can be gone through and worked again. */
export function Review({ paper }: { readonly paper: Kept }) {
  const { recipe, learnerId } = paper
  const navigate = useNavigate()
  const head = useRef<HTMLHeadingElement>(null)
  const [trouble, setTrouble] = useState<Error>()
  const { calm } = useNeeds()
  useEffect(() => head.current?.focus(), [])
  const score = useMemo(() => paperScore(recipe, paper.answers), [recipe, paper])
  const last = useMemo(() => lastAnswers(paper.answers), [paper])
  const drill = drillOfCostliest(recipe, score)
  const list = listOf(recipe)
  const times = [...last.values()].flatMap((a) => (a.outcome === 'done' && a.timed ? [a.ms] : []))
  const away = paper.answers.reduce((sum, a) => sum + a.awayMs, 0)
  const extra = extraTimeWords(recipe.extraTime)
  const toGoThrough = list.flatMap((item, i) => (isMissed(score.marks[i]!) ? [{ item, n: i + 1 }] : []))
  return (
    <div className="stack loose">
      <p>
        <Link to="/papers">Papers</Link>
      </p>
      <h1 ref={head} tabIndex={-1}>
        <bdi>{recipe.paper!.name}</bdi>: <Words>{count(score.points, 'point')}</Words>
      </h1>
      {extra && (
        <p className="faint">
          <Words>{extra}</Words>
        </p>
      )}
      <dl className="figures">
        <Figure name="right" value={String(score.right)} />
        <Figure name="tried" value={`${score.tried} of ${list.length}`} />
        <Figure name="skipped" value={String(score.marks.filter((m) => m === 'skipped').length)} />
        {!calm && times.length > 0 && <Figure name="an item, median" value={seconds(middleOf(times))} />}
        {away > 0 && <Figure name="away, the clock going on" value={seconds(away)} />}
      </dl>
      {trouble && <Trouble error={trouble} />}
      {drill && (
        <div className="row">
          <Button
            type="primary"
            size="large"
            onClick={() => void beginSession(learnerId, drill).then((path) => navigate(path), setTrouble)}
          >
            Drill what cost most
          </Button>
          <span>
            {drill.sources
              .flatMap((s) => ('technique' in s ? [techniqueById(s.technique).name] : []))
              .join(', ')}
          </span>
        </div>
      )}
      <div className="review">
        <section aria-labelledby="gone">
          <h2 id="gone">{toGoThrough.length === 0 ? 'Nothing to go through' : 'To go through'}</h2>
          {toGoThrough.length === 0 && <p>Every item that was tried is right.</p>}
          <ol className="plain-list gone-list">
            {toGoThrough.map(({ item, n }) => (
              <li key={n}>
                <Gone item={item} n={n} mark={score.marks[n - 1]!} answer={last.get(n)} />
              </li>
            ))}
          </ol>
        </section>
        <Kinds paper={paper} score={score} />
      </div>
    </div>
  )
}

const isMissed = (mark: ItemMark) => mark === 'wrong' || mark === 'skipped'

/** Each kind that was reached, those that cost most first. */
function Kinds({ paper, score }: { readonly paper: Kept; readonly score: ReturnType<typeof paperScore> }) {
  const { calm } = useNeeds()
  const last = lastAnswers(paper.answers)
  const median = (technique: string) => {
    const times = [...last.values()].flatMap((a) =>
      a.technique === technique && a.outcome === 'done' && a.timed ? [a.ms] : [],
    )
    return times.length > 0 ? seconds(middleOf(times)) : '–'
  }
  return (
    <section aria-labelledby="by-kind">
      <h2 id="by-kind">By kind</h2>
      <Wide label="Table of the kinds">
        <table className="plain-table">
          <thead>
            <tr>
              {['Kind', 'Lost', 'Right', 'Wrong', 'Skipped', ...(calm ? [] : ['Median'])].map((name) => (
                <th key={name} scope="col">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {byKind(paper.recipe, score).map((k) => (
              <tr key={k.technique}>
                <th scope="row">
                  <Link to={`/learn/${k.technique}`}>{techniqueById(k.technique).name}</Link>
                </th>
                <td>{k.lost}</td>
                <td>
                  {k.right} of {k.items}
                </td>
                <td>{k.wrong}</td>
                <td>{k.skipped}</td>
                {!calm && (
                  <td>
                    <Words>{median(k.technique)}</Words>
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
    </section>
  )
}
