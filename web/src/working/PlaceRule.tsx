import { digitAt, highestPlace, lowestPlace, placeName } from '@tachymetra/core/number'
import { answerPlaces, isItem, type Problem, type Row, rowsOf } from '@tachymetra/core/problem'
import {
  type AnswerCell,
  type AnswerLine,
  type Picks,
  type Spot,
  typedIn,
  type Zone,
} from '@tachymetra/core/technique'
import { type CSSProperties, Fragment, memo, useRef } from 'react'
import { useWidth } from '../frame/useWidth.js'
import { spoken } from '../words/spoken.js'
import { Words } from '../written/Words.js'
import { written } from '../written/written.js'
import { ItemLine } from './ItemLine.js'
import { bandsOf } from './rule/bands.js'
import './place-rule.css'

interface Props {
  readonly problem: Problem
  readonly line: AnswerLine
  /** The place being worked: the one lit tick. */
  readonly place?: number | undefined
  /** Where an entry is written now, and what is typed of it. */
  readonly zone?: Zone | undefined
  readonly typing?: string | undefined
  /** Decimals of the answer that are asked for, where the numbers do not say. */
  readonly decimals?: number
  readonly finished?: boolean
  /** Digits worked together, joined by lines. */
  readonly links?: readonly (readonly [Spot, Spot])[] | undefined
  /** Digits that may be taken by touch, those taken, and what to do when one is touched. */
  readonly picks?: Picks | undefined
  readonly picked?: readonly Spot[]
  readonly onPick?: (spot: Spot) => void
}

/** From so many lines on the rule is written closer where the window is small. */
const MANY = 8

/**
 * The problem on a ruler with a tick per place of ten, every place of the answer laid out beneath it and filling in
 * where it is written. A line too long for the page goes on in a second one.
 */
export const PlaceRule = memo(function PlaceRule(props: Props) {
  // An item of a paper is more than numbers of so many places.
  return isItem(props.problem) ? <ItemLine problem={props.problem} /> : <Ruler {...props} />
})

function Ruler(props: Props) {
  const { problem, line, place, zone, typing = '', decimals } = props
  const rows = rowsOf(problem)
  const answer = answerPlaces(problem, decimals)
  const typed = zone && typing !== '' ? typedIn(zone, typing) : undefined
  const frame = useRef<HTMLDivElement>(null)
  const width = useWidth(frame)
  const cells = typed?.cells ?? line.cells
  const tops = cells.map((c) => c.place + Math.max(0, c.digits.length - 2))
  const high = Math.max(...rows.map((r) => highestPlace(r.size)), ...tops, answer.high, place ?? 0)
  const low = Math.min(
    ...rows.map((r) => lowestPlace(r.size)),
    ...cells.map((c) => c.place),
    answer.low,
    place ?? 0,
    typed?.point ? -1 : 0,
  )
  const bands = bandsOf(high, low, width)
  const said = line.cells.length ? `; written so far: ${lineWords(line)}` : ''
  const kind = problem.kind === 'product' ? ' product' : ''
  const many = rows.length * bands.length >= MANY ? ' many' : ''
  const sizes = { '--rows': rows.length, '--bands': bands.length } as CSSProperties
  return (
    <div className={`rule-frame${kind}${many}`} ref={frame} style={sizes}>
      <div className="rule" role="img" aria-label={written(`${spoken(problem)}${said}`)}>
        {bands.map((places, i) => (
          <Band
            key={i}
            {...props}
            rows={rows}
            places={places}
            first={i === 0}
            decimal={low < 0}
            negative={typed ? typed.negative : line.negative}
            typed={typed?.cells}
          />
        ))}
      </div>
    </div>
  )
}

interface BandProps extends Props {
  readonly rows: readonly Row[]
  /** The places of this band, the highest first. */
  readonly places: readonly number[]
  /** Signs stand before the first band. */
  readonly first: boolean
  /** Does anything stand behind the point? */
  readonly decimal: boolean
  readonly negative: boolean
  readonly typed: readonly AnswerCell[] | undefined
}

/** As much of the rule as stands on one line. */
function Band(props: BandProps) {
  const { rows, places, first, decimal, line, place, zone, typed, finished = false } = props
  const { links, picks, picked = [], onPick } = props
  const [high, low] = [places[0]!, places.at(-1)!]
  const here = place !== undefined && place <= high && place >= low
  const columns = { '--columns': places.length + 1 } as CSSProperties
  const inner = (p: number) => (p === 0 && decimal ? ' point' : '')
  const lit = (p: number) => (p === place ? ' lit' : '')
  const partEnd = (p: number) => (line.back !== undefined && p === line.back ? ' front-end' : '')
  const written = (p: number) => (zone && p <= zone.high && p >= zone.low ? ' zone' : '')
  // What is typed takes the place of what stands where it is written.
  const cellAt = (p: number) => {
    const entered = typed?.find((c) => c.place === p)
    const covered = typed && !entered && written(p)
    return { cell: covered ? undefined : (entered ?? line.cells.find((c) => c.place === p)), entered }
  }
  return (
    <div className="band" style={columns}>
      {rows.map((row, r) => (
        <Fragment key={r}>
          <span className="sign">
            <Words>{first && row.before}</Words>
          </span>
          {places.map((p) => (
            <span key={p} className={`digit${inner(p)}${lit(p)}${isIn(picked, r, p) ? ' picked' : ''}`}>
              {standsAt(row, p) && digitAt(row.size, p)}
              {row.after && p === Math.min(0, lowestPlace(row.size)) && (
                <sup>{row.after === '²' ? '2' : ''}</sup>
              )}
            </span>
          ))}
        </Fragment>
      ))}
      <span className="tick none" />
      {places.map((p) => (
        <span key={p} className={`tick${p % 3 === 0 ? ' long' : ''}${lit(p)}`} />
      ))}
      <span className="sign">{first && props.negative ? '−' : ''}</span>
      {places.map((p) => {
        const { cell, entered } = cellAt(p)
        const classes = `${inner(p)}${lit(p)}${partEnd(p)}${written(p)}${entered ? ' typed' : ''}`
        return <AnswerPlace key={p} cell={cell} finished={finished} classes={classes} />
      })}
      <span className="place-name" style={{ '--lit': high - (place ?? high) + 1 } as CSSProperties}>
        {here ? placeName(place) : ''}
      </span>
      {links && links.length > 0 && (
        <Links links={links} rows={rows.length} high={high} columns={places.length + 1} />
      )}
      {picks && onPick && (
        <div className="picks">
          {picks.spots.map(([row, p]) =>
            p > high || p < low ? null : (
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
            ),
          )}
        </div>
      )}
    </div>
  )
}

const isIn = (spots: readonly Spot[], row: number, p: number) => spots.some(([r, q]) => r === row && q === p)

function standsAt({ size }: Row, p: number): boolean {
  return p <= highestPlace(size) && p >= Math.min(0, lowestPlace(size))
}

function AnswerPlace(props: {
  readonly cell: AnswerCell | undefined
  readonly finished: boolean
  readonly classes: string
}) {
  const { cell, finished, classes } = props
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

function lineWords(line: AnswerLine): string {
  const digits = line.cells.map((c) => `${c.digits}${c.place === line.back ? ', back' : ''}`)
  return (line.negative ? 'minus ' : '') + digits.join(' ')
}
