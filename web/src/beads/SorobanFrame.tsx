import { placeName } from '@tachymetra/core/number'
import { applyMove, beadsOf, type Frame, highestRod, rodAt, setRod } from '@tachymetra/core/soroban'
import { type CSSProperties, memo, type PointerEvent, useEffect, useRef } from 'react'
import { written } from '../written/written.js'
import { beadWords } from './rodWords.js'
import './soroban-frame.css'

/** How much of the beads is to be seen: all, a shadow, or the bare rods. */
export type FrameLook = 'beads' | 'ghosts' | 'empty'

interface Props {
  readonly frame: Frame
  readonly look?: FrameLook
  /** Without it the frame only shows. */
  readonly onChange?: ((frame: Frame) => void) | undefined
  /** The rod that keys act on. */
  readonly chosen?: number | undefined
  readonly onChoose?: ((place: number) => void) | undefined
  /** The rod being worked, and the one the finger rests on. */
  readonly lit?: number | undefined
  readonly finger?: number | undefined
  readonly values?: boolean
  /** Where the beads should be, shown as outlines on the rods that differ. */
  readonly right?: Frame | undefined
  readonly label?: string
}

const WIDTH = 44
const BEAD = 24
const TOP = 30
const BAR = TOP + 2.5 * BEAD + 4
const EARTH = BAR + 10
const BOTTOM = EARTH + 5 * BEAD + 4
const FOOT = BOTTOM + 34
/** A pull of so many units moves a bead; less is a tap. */
const PULL = 7

/** A soroban drawn to scale: beads glide, take their neighbours along, and are moved by touch, mouse, drag or keys. */
export function SorobanFrame(props: Props) {
  const {
    frame,
    look = 'beads',
    onChange,
    chosen,
    onChoose,
    lit,
    finger,
    values = false,
    right,
    label = 'soroban',
  } = props
  const box = useRef<SVGSVGElement>(null)
  const high = highestRod(frame)
  const places = Array.from({ length: frame.rods.length }, (_, i) => high - i)
  const width = places.length * WIDTH + 24
  const hands = useHands(frame, onChange, onChoose, box, high)
  // The rod that keys act on has the focus as well, so that it is read out.
  useEffect(() => {
    if (chosen === undefined || !box.current?.contains(document.activeElement)) return
    box.current.querySelector<SVGGElement>(`[data-place="${chosen}"]`)?.focus()
  }, [chosen])
  return (
    <div className="soroban-frame">
      {/* biome-ignore lint/a11y/useSemanticElements: a drawing cannot be a fieldset */}
      <svg
        ref={box}
        className={`soroban ${look}${onChange ? ' live' : ''}`}
        viewBox={`0 0 ${width} ${FOOT}`}
        role="group"
        aria-label={label && written(label)}
        style={
          {
            '--aspect': width / FOOT,
            maxWidth: `${width * 1.25}px`,
            minWidth: onChange ? `${places.length * 17}px` : undefined,
          } as CSSProperties
        }
        {...hands}
      >
        <rect className="border" x="2" y={TOP - 6} width={width - 4} height={BOTTOM - TOP + 12} rx="3" />
        {places.map((place, i) => (
          <Rod
            key={place}
            x={12 + i * WIDTH}
            place={place}
            value={rodAt(frame, place)}
            right={right && rodAt(right, place) !== rodAt(frame, place) ? rodAt(right, place) : undefined}
            lit={place === lit}
            chosen={place === chosen}
            live={onChange !== undefined}
            showValue={values}
          />
        ))}
        <rect className="bar" x="2" y={BAR} width={width - 4} height="8" />
        {places.map(
          (place, i) =>
            place % 3 === 0 && (
              <circle
                key={place}
                className={`unit-dot${place === 0 ? ' unit' : ''}`}
                cx={12 + (i + 0.5) * WIDTH}
                cy={BAR + 4}
                r={place === 0 ? 3.4 : 2.4}
              />
            ),
        )}
        {/* The place rule above: a tick a rod, longer at the dotted ones. */}
        <g className="frame-rule">
          {places.map((place, i) => (
            <path
              key={place}
              className={place === lit ? 'lit' : ''}
              d={`M${12 + (i + 0.5) * WIDTH} 20v${place % 3 === 0 ? -11 : -6}`}
            />
          ))}
          <path d={`M12 20H${width - 12}`} />
        </g>
        {finger !== undefined && (
          <path
            className="finger"
            aria-label={`the finger rests on ${placeName(finger)}`}
            d={`M${12 + (high - finger + 0.5) * WIDTH} ${BOTTOM + 9}l8 12h-16z`}
          />
        )}
      </svg>
    </div>
  )
}

const Rod = memo(function Rod(props: {
  readonly x: number
  readonly place: number
  readonly value: number
  readonly right: number | undefined
  readonly lit: boolean
  readonly chosen: boolean
  readonly live: boolean
  readonly showValue: boolean
}) {
  const { x, place, value, right, lit, chosen, live, showValue } = props
  const { heaven, earth } = beadsOf(value)
  const middle = x + WIDTH / 2
  const words = `${value}: ${beadWords(value)}`
  return (
    <g
      data-place={place}
      className={`rod${lit ? ' lit' : ''}${chosen ? ' chosen' : ''}${right === undefined ? '' : ' differs'}`}
      {...(live
        ? {
            role: 'slider',
            tabIndex: chosen ? 0 : -1,
            'aria-valuemin': 0,
            'aria-valuemax': 9,
            'aria-valuenow': value,
            'aria-valuetext': words,
          }
        : { role: 'img' })}
      aria-label={live ? `${placeName(place)} rod` : `${placeName(place)} rod, ${words}`}
    >
      <rect className="zone" x={x} y={TOP - 4} width={WIDTH} height={BOTTOM - TOP + 8} />
      <path className="stick" d={`M${middle} ${TOP - 5}V${BOTTOM + 5}`} />
      <Bead x={x} y={heavenY(heaven)} active={heaven === 1} />
      {[0, 1, 2, 3].map((i) => (
        <Bead key={i} x={x} y={earthY(i, earth)} active={i < earth} />
      ))}
      {right !== undefined && <Outlines x={x} value={right} />}
      {showValue && (
        <text className="rod-value" x={middle} y={FOOT - 3} textAnchor="middle">
          {value}
        </text>
      )}
    </g>
  )
})

function heavenY(heaven: number): number {
  return heaven ? BAR - BEAD - 1 : TOP
}

function earthY(i: number, earth: number): number {
  return EARTH + (i < earth ? i : i + 1) * BEAD
}

/** A bead seen from the side: two cones, base to base. */
const SHAPE = `M4 ${BEAD / 2}L14 1.500h16L40 ${BEAD / 2}L30 ${BEAD - 1.5}h-16z`

function Bead({ x, y, active }: { readonly x: number; readonly y: number; readonly active: boolean }) {
  return (
    <g className={`bead${active ? ' active' : ''}`} style={{ transform: `translate(${x}px, ${y}px)` }}>
      <path d={SHAPE} />
      <path className="edge" d={`M4 ${BEAD / 2}h36`} />
    </g>
  )
}

function Outlines({ x, value }: { readonly x: number; readonly value: number }) {
  const { heaven, earth } = beadsOf(value)
  return (
    <g className="outlines">
      {[heavenY(heaven), ...[0, 1, 2, 3].map((i) => earthY(i, earth))].map((y) => (
        <path key={y} d={SHAPE} transform={`translate(${x} ${y})`} />
      ))}
    </g>
  )
}

/** What a finger holds: a rod and one of its beads, and where the pull began. */
interface Grip {
  readonly place: number
  /** -1 for the heaven bead, else the earth bead counted from the bar. */
  readonly bead: number
  y: number
  moved: boolean
}

/** The frame once the bead taken has gone to the bar or away from it, with all between; the same where it was there. */
function pulled(frame: Frame, { place, bead }: Grip, toBar: boolean): Frame {
  const { heaven, earth } = beadsOf(rodAt(frame, place))
  if (bead < 0)
    return (heaven === 1) === toBar ? frame : applyMove(frame, { place, bead: 'heaven', by: toBar ? 1 : -1 })
  const after = toBar ? Math.max(earth, bead + 1) : Math.min(earth, bead)
  return after === earth ? frame : setRod(frame, place, 5 * heaven + after)
}

/** The bead at a height of the drawing, as a grip names it. @param earth beads at the bar */
function beadAt(y: number, earth: number): number {
  if (y < BAR + 4) return -1
  const slot = Math.max(0, Math.min(4, Math.floor((y - EARTH) / BEAD)))
  // The gap between the beads at the bar and the others belongs to the nearer bead below.
  return Math.min(3, slot < earth ? slot : slot === earth ? earth : slot - 1)
}

/** Any number of fingers at once, each with its own bead. */
function useHands(
  frame: Frame,
  onChange: Props['onChange'],
  onChoose: Props['onChoose'],
  box: React.RefObject<SVGSVGElement | null>,
  high: number,
) {
  const grips = useRef(new Map<number, Grip>())
  // Two fingers may move in one frame of the display: each goes on from what the other left.
  const now = useRef(frame)
  now.current = frame
  if (!onChange) return {}
  const change = (next: Frame) => {
    now.current = next
    onChange(next)
  }
  /** Where on the drawing a finger is, however the page has scaled and placed it. */
  const at = (event: PointerEvent) =>
    new DOMPoint(event.clientX, event.clientY).matrixTransform(box.current!.getScreenCTM()!.inverse())
  const pull = (grip: Grip, toBar: boolean) => {
    const next = pulled(now.current, grip, toBar)
    if (next !== now.current) change(next)
  }
  return {
    onPointerDown: (event: PointerEvent<SVGSVGElement>) => {
      const { x, y } = at(event)
      const place = high - Math.floor((x - 12) / WIDTH)
      if (place > high || place < -frame.decimals || y < TOP - 6) return
      event.preventDefault()
      box.current!.setPointerCapture(event.pointerId)
      onChoose?.(place)
      const bead = beadAt(y, beadsOf(rodAt(now.current, place)).earth)
      grips.current.set(event.pointerId, { place, bead, y, moved: false })
    },
    onPointerMove: (event: PointerEvent<SVGSVGElement>) => {
      const grip = grips.current.get(event.pointerId)
      if (!grip) return
      const { y } = at(event)
      const dy = y - grip.y
      if (Math.abs(dy) < PULL) return
      grip.moved = true
      grip.y = y
      pull(grip, grip.bead < 0 ? dy > 0 : dy < 0)
    },
    onPointerUp: (event: PointerEvent<SVGSVGElement>) => {
      const grip = grips.current.get(event.pointerId)
      grips.current.delete(event.pointerId)
      if (!grip || grip.moved) return
      const { heaven, earth } = beadsOf(rodAt(now.current, grip.place))
      pull(grip, grip.bead < 0 ? heaven === 0 : grip.bead >= earth)
    },
    onPointerCancel: (event: PointerEvent<SVGSVGElement>) => {
      grips.current.delete(event.pointerId)
    },
  }
}
