import { placeName } from '@tachymetra/core/number'
import { crossPattern } from '@tachymetra/core/technique'
import './pattern.css'

/** Units of the drawing: from dot to dot, and from the upper row to the lower. */
const STEP = 14
const HIGH = 26
const DOT = 2.6

/** The whole pattern of a crosswise product, the column worked first at the right: a dot a digit, a line a product. */
export function Pattern({ first, second }: { readonly first: number; readonly second: number }) {
  const columns = crossPattern(first, second)
  const wide = Math.max(first, second)
  // Units stand at the right.
  const x = (place: number) => (wide - 1 - place) * STEP + STEP / 2
  const dots = (count: number) => Array.from({ length: count }, (_, place) => place)
  return (
    <ol className="pattern" aria-label={`The pattern of ${first} by ${second} digits, units first`}>
      {columns.map((pairs, k) => (
        <li key={k} style={{ order: -k }}>
          <svg viewBox={`0 0 ${wide * STEP} ${HIGH + 10}`} aria-hidden="true">
            {pairs.map(([i, j]) => (
              <line key={i} x1={x(i)} y1={5} x2={x(j)} y2={5 + HIGH} />
            ))}
            {dots(first).map((place) => (
              <circle key={place} cx={x(place)} cy={5} r={DOT} />
            ))}
            {dots(second).map((place) => (
              <circle key={place} cx={x(place)} cy={5 + HIGH} r={DOT} />
            ))}
          </svg>
          <span className="number">{k + 1}</span> {placeName(k)}
          <span className="sr-only">
            : {pairs.length === 1 ? 'one product' : `${pairs.length} products`},{' '}
            {pairs.map(([i, j]) => `${placeName(i)} times ${placeName(j)}`).join(', ')}
          </span>
        </li>
      ))}
    </ol>
  )
}
