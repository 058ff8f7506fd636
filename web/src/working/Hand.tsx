import { digitAt, highestPlace, lowestPlace } from '@tachymetra/core/number'
import { asDecimal, type Value, valueWords } from '@tachymetra/core/question'
import type { Held } from '@tachymetra/core/technique'
import { memo } from 'react'
import { Words } from '../written/Words.js'
import { written } from '../written/written.js'
import './hand.css'

/** What is held in mind: a digit on one hand, two digits on two, anything longer as a number. */
export const Hands = memo(function Hands({ holds }: { readonly holds: readonly Held[] }) {
  if (holds.length === 0) return <p className="faint">Nothing to remember yet.</p>
  // Nobody has more than two hands: one value is held on them, the first that they can hold.
  const hand = holds.findIndex(({ value }) => significantDigits(value).length <= HANDS)
  return (
    <div className="hands">
      {holds.map((held, i) => (
        <figure key={`${i} ${held.what}`}>
          <HeldValue value={held.value} hands={i === hand} />
          <figcaption>
            <Words>{held.what}</Words>: <Words>{valueWords(held.value)}</Words>
          </figcaption>
        </figure>
      ))}
      {hand >= 0 && <p className="faint">On a hand the thumb counts five, each finger one.</p>}
    </div>
  )
})

const HANDS = 2

/** The digits that count: 70 is seven, held at the tens. */
function significantDigits(held: Value): number[] {
  const value = asDecimal(held)
  // A fraction is no digits on the fingers.
  if (!value) return Array(HANDS + 1).fill(0)
  let low = lowestPlace(value)
  while (low < highestPlace(value) && digitAt(value, low) === 0) low += 1
  return Array.from({ length: highestPlace(value) - low + 1 }, (_, i) =>
    digitAt(value, highestPlace(value) - i),
  )
}

function HeldValue({ value, hands }: { readonly value: Value; readonly hands: boolean }) {
  if (!hands)
    return (
      <div className="held-number">
        <Words>{valueWords(value)}</Words>
      </div>
    )
  return (
    <div className="row" style={{ gap: 0 }}>
      {significantDigits(value).map((digit, i) => (
        <Hand key={i} digit={digit} label={written(valueWords(value))} />
      ))}
    </div>
  )
}

/** Where each finger stands, and how high it reaches when raised. */
const FINGERS = [
  [30, 16],
  [44, 8],
  [58, 11],
  [71, 23],
] as const

/** One hand holding one digit: fingers count 1 each, the thumb 5. */
function Hand({ digit, label }: { readonly digit: number; readonly label: string }) {
  const raised = digit % 5
  const thumb = digit >= 5
  return (
    <svg className="hand" viewBox="0 0 88 104" role="img" aria-label={`hand holding ${digit} of ${label}`}>
      <g fill="var(--card)" stroke="var(--ink)" strokeWidth="2.2" strokeLinejoin="round">
        {FINGERS.map(([x, top], i) => {
          const up = i < raised
          const y = up ? top : 47
          return (
            <rect
              key={x}
              x={x - 6}
              y={y}
              width="12"
              height={72 - y}
              rx="6"
              fill={up ? 'var(--signal)' : 'var(--card)'}
            />
          )
        })}
        {thumb && <path d="M28 88 L5 62 q-4 -7 3 -10 q5 -2 8 2 L32 70 Z" fill="var(--signal)" />}
        <path d="M24 60 h53 v18 q0 22 -20 22 h-14 q-19 0 -19 -20 z" />
        {!thumb && <path d="M25 72 h22 q6 0 6 5.500 t-6 5.500 h-21" />}
      </g>
    </svg>
  )
}
