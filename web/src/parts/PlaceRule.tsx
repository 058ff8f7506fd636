import { digitAt, highestPlace, lowestPlace, placeName } from '@tachymetra/core/number'
import { type Problem, problemWords, type Row, rowsOf } from '@tachymetra/core/problem'
import type { AnswerCell, AnswerLine, Picks, Spot } from '@tachymetra/core/technique'
import { type CSSProperties, memo } from 'react'
import './place-rule.css'

interface Props {
  readonly problem: Problem
  readonly line: AnswerLine
  /** The place being worked: the one lit tick. */
  readonly place?: number | undefined
  /** Typed and not yet committed, shown where it will stand; only for a single digit at the lit place. */
  readonly typing?: string | undefined
  readonly finished?: boolean
  /** Digits worked together, joined by lines. */
  readonly links?: readonly (readonly [Spot, Spot])[] | undefined
  /** Digits that may be taken by touch, those taken, and what to do when one is touched. */
  readonly picks?: Picks | undefined
  readonly picked?: readonly Spot[]
  readonly onPick?: (spot: Spot) => void
}

/** The problem on a ruler with a tick per place of ten, the answer filling in beneath it. */
export const PlaceRule = memo(function PlaceRule(props: Props) {
  const { problem, line, place, typing, finished = false, links, picks, picked = [], onPick } = props
  const rows = rowsOf(problem)
  const { high, low } = spanOf(rows, line, place)
  const places = Array.from({ length: high - low + 1 }, (_, i) => high - i)
  const inner = (p: number) => (p === 0 && low < 0 ? ' point' : '')
  const lit = (p: number) => (p === place ? ' lit' : '')
  const isIn = (spots: readonly Spot[], row: number, p: number) =>
    spots.some(([r, q]) => r === row && q === p)
  const partEnd = (p: number) => (line.back !== undefined && p === line.back ? ' front-end' : '')

  return (
    <div className="rule-frame" style={{ '--rows': rows.length } as CSSProperties}>
      <div
        className={`rule${problem.kind === 'product' ? ' product' : ''}`}
        role="img"
        aria-label={`${spoken(problem)}${line.cells.length ? `; written so far: ${lineWords(line)}` : ''}`}
        style={{ '--columns': places.length + 1 } as CSSProperties}
      >
        {rows.map((row, r) => (
          <RuleRow key={r} sign={row.before}>
            {places.map((p) => (
              <span key={p} className={`digit${inner(p)}${lit(p)}${isIn(picked, r, p) ? ' picked' : ''}`}>
                {standsAt(row, p) && digitAt(row.size, p)}
                {row.after && p === Math.min(0, lowestPlace(row.size)) && (
                  <sup>{row.after === '²' ? '2' : ''}</sup>
                )}
              </span>
            ))}
          </RuleRow>
        ))}
        <span className="tick none" />
        {places.map((p) => (
          <span key={p} className={`tick${p % 3 === 0 ? ' long' : ''}${lit(p)}`} />
        ))}
        <RuleRow sign={line.negative ? '−' : ''}>
          {places.map((p) => (
            <AnswerPlace
              key={p}
              cell={line.cells.find((c) => c.place === p)}
              typing={p === place ? typing : undefined}
              finished={finished}
              classes={`${inner(p)}${lit(p)}${partEnd(p)}`}
            />
          ))}
        </RuleRow>
        <span className="place-name" style={{ '--lit': high - (place ?? high) + 1 } as CSSProperties}>
          {place === undefined ? '' : placeName(place)}
        </span>
        {links && links.length > 0 && (
          <Links links={links} rows={rows.length} high={high} columns={places.length + 1} />
        )}
      </div>
      {picks && onPick && (
        <div className="picks" style={{ '--columns': places.length + 1 } as CSSProperties}>
          {picks.spots.map(([row, p]) => (
            <button
              key={`${row} ${p}`}
              type="button"
              className="pick"
              aria-pressed={isIn(picked, row, p)}
              aria-label={`take the ${digitAt(rows[row]!.size, p)} of number ${row + 1}`}
              style={{ gridColumn: high - p + 2, gridRow: row + 1 }}
              onMouseDown={(event) => event.preventDefault()}
              onClick={() => onPick([row, p])}
            />
          ))}
        </div>
      )}
    </div>
  )
})

/** The highest and lowest place that anything stands at. A sum that spills needs room at its left. */
function spanOf(rows: readonly Row[], line: AnswerLine, place = 0): { high: number; low: number } {
  const tops = line.cells.map((c) => c.place + Math.max(0, c.digits.length - 2))
  return {
    high: Math.max(...rows.map((r) => highestPlace(r.size)), ...tops, place),
    low: Math.min(...rows.map((r) => lowestPlace(r.size)), ...line.cells.map((c) => c.place), place),
  }
}

function standsAt({ size }: Row, p: number): boolean {
  return p <= highestPlace(size) && p >= Math.min(0, lowestPlace(size))
}

function AnswerPlace(props: {
  readonly cell: AnswerCell | undefined
  readonly typing: string | undefined
  readonly finished: boolean
  readonly classes: string
}) {
  const { cell, typing, finished, classes } = props
  if (typing) return <span className={`answer draft${classes}`}>{typing}</span>
  if (!cell) return <span className={`answer slot${classes}`}>·</span>
  const look = `${cell.draft ? ' draft' : ''}${finished ? ' fresh' : ''}${cell.digits.length > 1 ? ' spilling' : ''}`
  return (
    <span className={`answer${look}${classes}`} style={{ '--digits': cell.digits.length } as CSSProperties}>
      {cell.digits.length > 1 ? <i>{cell.digits}</i> : cell.digits}
    </span>
  )
}

/** Lines between the digits of the first two rows that are multiplied together. */
function Links(props: {
  readonly links: readonly (readonly [Spot, Spot])[]
  readonly rows: number
  readonly high: number
  readonly columns: number
}) {
  const { links, rows, high, columns } = props
  const x = (p: number) => high - p + 1.5
  return (
    <svg
      className="links"
      viewBox={`0 0 ${columns} ${rows}`}
      preserveAspectRatio="none"
      aria-hidden="true"
      style={{ gridRow: `1 / span ${rows}` }}
    >
      {links.map(([[r, p], [s, q]]) => (
        <line key={`${r} ${p} ${s} ${q}`} x1={x(p)} y1={r + 0.82} x2={x(q)} y2={s + 0.16} />
      ))}
    </svg>
  )
}

function RuleRow({ sign, children }: { readonly sign: string; readonly children: React.ReactNode }) {
  return (
    <>
      <span className="sign">{sign}</span>
      {children}
    </>
  )
}

const SPOKEN: readonly (readonly [string, string])[] = [
  ['−', 'minus'],
  ['+', 'plus'],
  ['×', 'times'],
  ['÷', 'divided by'],
  ['²', ' squared'],
  ['√', 'root of '],
]

/** The problem in words for a screen reader. */
export function spoken(problem: Problem): string {
  return SPOKEN.reduce((text, [sign, word]) => text.replaceAll(sign, word), problemWords(problem))
}

function lineWords(line: AnswerLine): string {
  const digits = line.cells.map((c) => `${c.digits}${c.place === line.back ? ', back' : ''}`)
  return (line.negative ? 'minus ' : '') + digits.join(' ')
}
