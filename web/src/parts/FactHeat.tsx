import type { FactDeck } from '@tachymetra/core/facts'
import { type Estimate, recallLimit, SLOW_SHARE, type Times } from '@tachymetra/core/learner'
import type { FactStanding } from '@tachymetra/core/wire'
import { seconds } from '@tachymetra/core/words'
import { useMemo } from 'react'
import './fact-heat.css'

const STATES = ['fast', 'steady', 'slow', 'shaky', 'new'] as const
type State = (typeof STATES)[number]

/** Faster than this share of one's typical fact is fast (default, common practice). */
const FAST_SHARE = 0.8
/** So often seen inside longer work before that says anything. */
const ENOUGH = 3

/** A fact's state in words and in shape, from the drill and from the steps of longer work alike. */
function stateOf(
  standing: FactStanding | undefined,
  own: Estimate | undefined,
  typicalMs: number,
  limitMs: number,
): State {
  const told = own && own.seen >= ENOUGH ? own : undefined
  if (!standing && !told) return 'new'
  if ((standing && !standing.latestRight) || (told && told.wrong >= told.seen / 4)) return 'shaky'
  const share = told ? told.ms / typicalMs : (standing?.medianMs ?? limitMs) / typicalMs
  if (share > SLOW_SHARE || (standing?.medianMs ?? 0) > limitMs) return 'slow'
  return share > FAST_SHARE ? 'steady' : 'fast'
}

/** Every fact of a deck, the slow and shaky ones lit. */
export function FactHeat({
  deck,
  standings,
  times,
  extraTime,
}: {
  readonly deck: FactDeck
  readonly standings: readonly FactStanding[]
  readonly times: Times | undefined
  readonly extraTime: number
}) {
  const limitMs = recallLimit(deck, extraTime)
  const of = useMemo(() => new Map(standings.map((s) => [s.fact, s])), [standings])
  return (
    <>
      <p className="heat-key">
        {STATES.map((state) => (
          <span key={state} className={`heat ${state}`}>
            {state}
          </span>
        ))}
      </p>
      <ul className="plain-list heat-map mono">
        {deck.cards.map((card) => {
          const standing = of.get(card.id)
          const own = times?.facts[card.id]
          const state = stateOf(standing, own, times?.factMs ?? limitMs, limitMs)
          const words = [
            state,
            ...(own ? [seconds(own.ms)] : standing?.medianMs ? [seconds(standing.medianMs)] : []),
            ...(standing ? [`${standing.right} of ${standing.recalls} recalled`] : []),
            ...(own ? [`met ${own.seen} ${own.seen === 1 ? 'time' : 'times'} lately`] : []),
          ].join(', ')
          return (
            <li key={card.id} className={`heat ${state}`} title={`${card.ask}: ${words}`}>
              {card.ask}
              <span className="sr-only">: {words}</span>
            </li>
          )
        })}
      </ul>
    </>
  )
}
