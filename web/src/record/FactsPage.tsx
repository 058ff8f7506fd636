import { FACT_DECKS, factById } from '@tachymetra/core/facts'
import { slowFacts } from '@tachymetra/core/learner'
import { count, listed } from '@tachymetra/core/words'
import { Select } from 'antd'
import { Link } from 'react-router'
import { FACT_STATES, FactHeat, factsOf } from '../charts/FactHeat.js'
import { PlainTable } from '../charts/PlainTable.js'
import { useFacts, useTimes } from '../data/queries.js'
import { useRecallPace } from '../data/recallPace.js'
import { changeSettings, useSettings } from '../data/settings.js'
import { Fold } from '../frame/Fold.js'
import { Loading } from '../frame/Loading.js'
import { Trouble } from '../frame/Trouble.js'
import { deckOptions } from '../words/decks.js'
import { Words } from '../written/Words.js'
import { useItsLearner } from './Record.js'

const MOST_SLOW = 8

/** Every fact of a deck with how well it is known, and those that slow longer work down. */
export default function FactsPage() {
  const { id } = useItsLearner()
  const { factDeck } = useSettings()
  const pace = useRecallPace(id)
  const standings = useFacts(id)
  const times = useTimes(id).data
  const deck = FACT_DECKS.find((d) => d.id === factDeck) ?? FACT_DECKS[1]!
  if (standings.isPending) return <Loading />
  if (standings.isLoadingError) return <Trouble error={standings.error} retry={() => standings.refetch()} />
  const facts = factsOf(deck, { standings: standings.data, times, pace })
  const counts = FACT_STATES.flatMap((state) => {
    const n = facts.filter((f) => f.state === state).length
    return n > 0 ? [`${n} ${state}`] : []
  })
  const slow = times ? slowFacts(times).slice(0, MOST_SLOW) : []
  return (
    <div className="side-by-side">
      <figure className="charted">
        <figcaption className="row">
          <Select
            aria-label="Deck"
            value={deck.id}
            options={deckOptions()}
            onChange={(factDeck) => changeSettings({ factDeck })}
            style={{ minWidth: '14rem' }}
          />
          <span>
            Of {count(facts.length, 'fact')}: {listed(counts)}.
          </span>
        </figcaption>
        <FactHeat facts={facts} />
        <Fold summary="The same as a table">
          {() => (
            <PlainTable
              title={deck.name}
              columns={['Fact', 'State', 'Time', 'Right', 'In longer work']}
              rows={facts.map(({ ask, state, time, recalled, met }) => [
                ask,
                state,
                time ?? '–',
                recalled ?? '–',
                met ?? '–',
              ])}
            />
          )}
        </Fold>
      </figure>
      <section className="stack" aria-labelledby="slow">
        <h2 id="slow">Facts that slow you down</h2>
        {slow.length === 0 ? (
          <p>None stands out so far.</p>
        ) : (
          <>
            <ul className="plain-list misfits">
              {slow.map(({ fact, because }) => (
                <li key={fact}>
                  <span className="mono">
                    <Words>{factById(fact)!.card.ask}</Words>
                  </span>
                  : <Words>{because}</Words>
                </li>
              ))}
            </ul>
            <p className="faint">From {times!.seen} of the latest steps and recalls.</p>
          </>
        )}
        <p>
          <Link to="/facts">Practise facts</Link>
        </p>
      </section>
    </div>
  )
}
