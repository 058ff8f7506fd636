/** A soroban frame drawn for print, to be read or to draw beads on. */
import { beadsOf, type Frame } from '@tachymetra/core/soroban'
import { FAINT, INK } from '../print/pdf.js'

/** Where a frame is drawn, in points. */
export interface FrameBox {
  readonly x: number
  readonly y: number
  /** Of one rod, and of one bead. */
  readonly across: number
  readonly bead: number
  /** Bare rods, for beads to be drawn on. */
  readonly bare?: boolean
}

/** Heights in beads: of the part above the bar, and of all. */
const ABOVE = 2.6
const HIGH = 8.7
/** A bead is a little less wide than its rod, and lies a little off what it touches. */
const FULL = 0.4
const OFF = 0.08
const EARTH = 4

export const frameHigh = (bead: number) => HIGH * bead

/** One heaven and four earth beads on every rod, those that count at the bar; every third rod from the units is dotted. */
export function drawFrame(document: PDFKit.PDFDocument, frame: Frame, box: FrameBox): void {
  const { x: left, y: top, across, bead, bare = false } = box
  const { rods, decimals } = frame
  const [width, bar, foot] = [rods.length * across, top + ABOVE * bead, top + HIGH * bead]
  document
    .rect(left, top, width, foot - top)
    .lineWidth(bead / 12)
    .stroke(INK)
  document
    .moveTo(left, bar)
    .lineTo(left + width, bar)
    .lineWidth(bead / 7)
    .stroke(INK)
  for (const [i, value] of rods.entries()) {
    const x = left + width - (i + 0.5) * across
    const { heaven, earth } = beadsOf(value)
    document.moveTo(x, top).lineTo(x, foot).lineWidth(0.5).stroke(FAINT)
    if ((i - decimals) % 3 === 0) document.circle(x, bar, bead / 8).fill('#ffffff')
    if (bare) continue
    const drawn = (middle: number) =>
      document
        .ellipse(x, middle, across * FULL, bead * FULL)
        .lineWidth(0.8)
        .fillAndStroke('#ffffff', INK)
    const half = (0.5 + OFF) * bead
    drawn(heaven ? bar - half : top + half)
    for (let n = 0; n < EARTH; n += 1)
      drawn(n < earth ? bar + half + n * bead : foot - half - (EARTH - 1 - n) * bead)
  }
}
