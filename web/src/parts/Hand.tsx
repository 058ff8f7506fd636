import {
  type Decimal,
  digitAt,
  type Held,
  highestPlace,
  lowestPlace,
  toText,
  toWords,
} from '@tachymetra/core'

/** What is held in mind: a digit on one hand, two digits on two, anything longer as a number. */
export function Hands({ holds }: { readonly holds: readonly Held[] }) {
  if (holds.length === 0) return <p className="faint">Nothing to hold.</p>
  return (
    <div className="hands">
      {holds.map((held) => (
        <figure key={held.what}>
          <HeldValue value={held.value} />
          <figcaption>
            {held.what}: {toWords(held.value)}
          </figcaption>
        </figure>
      ))}
    </div>
  )
}

/** Fingers show the digits that count: 70 is seven, held at the tens. */
function HeldValue({ value }: { readonly value: Decimal }) {
  let low = lowestPlace(value)
  while (low < highestPlace(value) && digitAt(value, low) === 0) low += 1
  const digits = Array.from({ length: highestPlace(value) - low + 1 }, (_, i) =>
    digitAt(value, highestPlace(value) - i),
  )
  if (digits.length > 2) return <div className="held-number">{toWords(value)}</div>
  return (
    <div className="row" style={{ gap: 0 }}>
      {digits.map((digit, i) => (
        <Hand key={i} digit={digit} label={toText(value)} />
      ))}
    </div>
  )
}

/** Tips of the four fingers when raised and when folded, as x and y. */
const FINGERS = [
  [26, 14],
  [38, 7],
  [50, 9],
  [62, 20],
] as const

/** One hand holding one digit: fingers count 1 each, the thumb 5. */
export function Hand({ digit, label }: { readonly digit: number; readonly label: string }) {
  const raised = digit % 5
  const thumb = digit >= 5
  return (
    <svg className="hand" viewBox="0 0 84 96" role="img" aria-label={`hand holding ${digit} of ${label}`}>
      <g fill="none" stroke="var(--ink)" strokeWidth="2" strokeLinejoin="round">
        {FINGERS.map(([x, top], i) => {
          const up = i < raised
          const y = up ? top : 42
          return (
            <rect
              key={x}
              x={x - 5}
              y={y}
              width="10"
              height={58 - y}
              rx="5"
              fill={up ? 'var(--signal)' : 'var(--card)'}
            />
          )
        })}
        {thumb ? (
          <path d="M24 74 L7 52 a6 6 0 0 1 9 -7 L28 58 Z" fill="var(--signal)" />
        ) : (
          <path d="M24 76 L19 66 a5 5 0 0 1 8 -4 Z" fill="var(--card)" />
        )}
        <path d="M21 54 h46 v20 q0 18 -18 18 h-12 q-16 0 -16 -18 z" fill="var(--card)" />
      </g>
    </svg>
  )
}
