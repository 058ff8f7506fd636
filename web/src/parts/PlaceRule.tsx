import {
  type AnswerLine,
  digitAt,
  highestPlace,
  lowestPlace,
  type Problem,
  placeName,
  problemWords,
} from '@tachymetra/core'
import { type CSSProperties, memo } from 'react'

interface Cell {
  readonly text: string
  readonly look?: 'draft' | 'slot' | 'fresh'
}

interface Props {
  readonly problem: Problem
  readonly line: AnswerLine
  /** The place being worked: the one lit tick. */
  readonly place?: number | undefined
  /** Typed and not yet committed, shown where it will stand; only for a single digit at the lit place. */
  readonly typing?: string | undefined
  readonly finished?: boolean
}

/** The problem on a ruler with a tick per place of ten, the answer filling in beneath it. */
export const PlaceRule = memo(function PlaceRule({ problem, line, place, typing, finished = false }: Props) {
  const sizes = problem.terms.map((t) => t.size)
  const high = Math.max(...sizes.map(highestPlace), ...line.cells.map((c) => c.place), place ?? 0)
  const low = Math.min(...sizes.map(lowestPlace), ...line.cells.map((c) => c.place), place ?? 0)
  const places = Array.from({ length: high - low + 1 }, (_, i) => high - i)
  const inner = (p: number) => (p === 0 && low < 0 ? ' point' : '')
  const lit = (p: number) => (p === place ? ' lit' : '')

  const answer = (p: number): Cell => {
    if (p === place && typing) return { text: typing, look: 'draft' }
    const cell = line.cells.find((c) => c.place === p)
    if (cell)
      return { text: cell.digits, ...(cell.draft && { look: 'draft' }), ...(finished && { look: 'fresh' }) }
    return { text: '·', look: 'slot' }
  }

  return (
    <div className="rule-frame">
      <div
        className="rule"
        role="img"
        aria-label={`${spoken(problem)}${line.cells.length ? `; written so far: ${lineWords(line)}` : ''}`}
        style={{ '--columns': places.length + 1 } as CSSProperties}
      >
        {problem.terms.map((term, row) => (
          <Row key={row} sign={term.sign < 0 ? '−' : row > 0 ? '+' : ''}>
            {places.map((p) => (
              <span key={p} className={`digit${inner(p)}${lit(p)}`}>
                {p <= highestPlace(term.size) && p >= Math.min(0, lowestPlace(term.size))
                  ? digitAt(term.size, p)
                  : ''}
              </span>
            ))}
          </Row>
        ))}
        <span className="tick none" />
        {places.map((p) => (
          <span key={p} className={`tick${p % 3 === 0 ? ' long' : ''}${lit(p)}`} />
        ))}
        <Row sign={line.negative ? '−' : ''}>
          {places.map((p) => {
            const { text, look } = answer(p)
            return (
              <span key={p} className={`answer ${look ?? ''}${inner(p)}${lit(p)}`}>
                {text}
              </span>
            )
          })}
        </Row>
        <span className="place-name" style={{ '--lit': high - (place ?? high) + 1 } as CSSProperties}>
          {place === undefined ? '' : placeName(place)}
        </span>
      </div>
    </div>
  )
})

function Row({ sign, children }: { readonly sign: string; readonly children: React.ReactNode }) {
  return (
    <>
      <span className="sign">{sign}</span>
      {children}
    </>
  )
}

function spoken(problem: Problem): string {
  return problemWords(problem).replaceAll('−', 'minus').replaceAll('+', 'plus')
}

function lineWords(line: AnswerLine): string {
  return (line.negative ? 'minus ' : '') + line.cells.map((c) => c.digits).join(' ')
}
