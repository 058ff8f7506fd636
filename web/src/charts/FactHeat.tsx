import type { FactDeck } from '@tachymetra/core/facts'
import { type Estimate, type RecallPace, recallLimit, SLOW_SHARE, type Times } from '@tachymetra/core/learner'
import type { FactStanding } from '@tachymetra/core/wire'
import { seconds } from '@tachymetra/core/words'
import { Words } from '../written/Words.js'
import { written } from '../written/written.js'
import './fact-heat.css'

export const FACT_STATES = ['fast', 'steady', 'slow', 'shaky', 'new'] as const
export type FactState = (typeof FACT_STATES)[number]

/** Faster than this share of one's typical fact is fast (default, common practice). */
const FAST_SHARE = 0.8
/** So often seen inside longer work before that says anything. */
const ENOUGH = 3

/** A fact and how well it is known, in words. */
export interface KnownFact {
  readonly id: string
  readonly ask: string
  readonly state: FactState
  readonly time: string | undefined
  /** "4 of 5" of its recalls were right. */
  readonly recalled: string | undefined
  /** How often it was met inside longer work. */
  readonly met: string | undefined
}

/** A fact's state, from the drill and from the steps of longer work alike. */
function stateOf(
  standing: FactStanding | undefined,
  own: Estimate | undefined,
  typicalMs: number,
  limitMs: number | null,
): FactState {
  const told = own && own.seen >= ENOUGH ? own : undefined
  if (!standing && !told) return 'new'
  if ((standing && !standing.latestRight) || (told && told.wrong >= told.seen / 4)) return 'shaky'
  // Without a limit nothing is too slow.
  if (limitMs === null) return 'steady'
  const share = told ? told.ms / typicalMs : (standing?.medianMs ?? limitMs) / typicalMs
  if (share > SLOW_SHARE || (standing?.medianMs ?? 0) > limitMs) return 'slow'
  return share > FAST_SHARE ? 'steady' : 'fast'
}

/** Every fact of a deck, in its order, with how well a learner knows it. */
export function factsOf(
  deck: FactDeck,
  known: {
    readonly standings: readonly FactStanding[]
    readonly times: Times | undefined
    readonly pace: RecallPace
  },
): KnownFact[] {
  const limitMs = recallLimit(deck, known.pace)
  const of = new Map(known.standings.map((s) => [s.fact, s]))
  return deck.cards.map(({ id, ask }) => {
    const standing = of.get(id)
    const own = known.times?.facts[id]
    const ms = own?.ms ?? standing?.medianMs
    return {
      id,
      ask,
      state: stateOf(standing, own, known.times?.factMs ?? deck.withinMs, limitMs),
      time: ms ? seconds(ms) : undefined,
      recalled: standing && `${standing.right} of ${standing.recalls}`,
      met: own && String(own.seen),
    }
  })
}

/** Every fact of a deck, the slow and shaky ones lit. */
export function FactHeat({ facts }: { readonly facts: readonly KnownFact[] }) {
  return (
    <>
      <p className="heat-key">
        {FACT_STATES.map((state) => (
          <span key={state} className={`heat ${state}`}>
            {state}
          </span>
        ))}
      </p>
      <ul className="plain-list heat-map mono">
        {facts.map(({ id, ask, state, time, recalled, met }) => {
          const words = [
            state,
            ...(time ? [time] : []),
            ...(recalled ? [`${recalled} recalled`] : []),
            ...(met ? [`met ${met} ${met === '1' ? 'time' : 'times'} lately`] : []),
          ].join(', ')
          return (
            <li key={id} className={`heat ${state}`} title={written(`${ask}: ${words}`)}>
              <Words>{ask}</Words>
              <span className="sr-only">
                : <Words>{words}</Words>
              </span>
            </li>
          )
        })}
      </ul>
    </>
  )
}
