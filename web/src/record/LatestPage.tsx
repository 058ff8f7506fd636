import { marked, placeName } from '@tachymetra/core/number'
import type { LatestMistake } from '@tachymetra/core/wire'
import { slipName } from '@tachymetra/core/words'
import { Link } from 'react-router'
import { Wide } from '../charts/Wide.js'
import { useLatestMistakes } from '../data/queries.js'
import { Loading } from '../frame/Loading.js'
import { Trouble } from '../frame/Trouble.js'
import { practiceWords, problemOf } from '../words/setName.js'
import { when } from '../words/words.js'
import { Words } from '../written/Words.js'
import { useItsLearner } from './Record.js'

/** The mistakes made last, one by one: what was typed, what happened, and the way to the whole problem. */
export default function LatestPage() {
  const learner = useItsLearner()
  const mistakes = useLatestMistakes(learner.id)
  if (mistakes.isPending) return <Loading />
  if (mistakes.isLoadingError) return <Trouble error={mistakes.error} retry={() => mistakes.refetch()} />
  return (
    <section className="stack" aria-labelledby="latest">
      <h2 id="latest">The latest mistakes</h2>
      {mistakes.data.length === 0 ? (
        <p>There are none yet.</p>
      ) : (
        <>
          <p className="faint">The newest comes first. Open a problem to see how it was worked.</p>
          <Listed mistakes={mistakes.data} timeZone={learner.timeZone} />
        </>
      )}
    </section>
  )
}

function Listed(props: { readonly mistakes: readonly LatestMistake[]; readonly timeZone: string }) {
  const { mistakes, timeZone } = props
  return (
    <Wide label="Mistakes, the newest first">
      <table className="plain-table">
        <caption className="sr-only">Mistakes, the newest first</caption>
        <thead>
          <tr>
            <th scope="col">Problem</th>
            <th scope="col">Typed</th>
            <th scope="col">Mistake</th>
            <th scope="col">Place</th>
            <th scope="col">Practised</th>
            <th scope="col">When</th>
          </tr>
        </thead>
        <tbody>
          {mistakes.map((m, i) => (
            <tr key={i}>
              <th scope="row">
                <Link to={`/record/attempt/${m.attempt}`}>
                  <Words>{problemOf(m)}</Words>
                </Link>
              </th>
              <td>
                <Words>{marked(m.text.replace('_', ' '))}</Words>
              </td>
              <td>{slipName(m.slip)}</td>
              <td>{placeName(m.place)}</td>
              <td>
                <Words>{practiceWords(m)}</Words>
              </td>
              <td>{when(m.at, timeZone)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Wide>
  )
}
