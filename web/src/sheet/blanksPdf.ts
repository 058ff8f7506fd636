/** Cards and blanks to print: patterns of crosswise products, empty place rules, empty soroban frames. */
import { placeName } from '@tachymetra/core/number'
import { clearFrame } from '@tachymetra/core/soroban'
import { crossPattern } from '@tachymetra/core/technique'
import { type Element, FAINT, INK, PAGE_SIZES, type PageSize, Pdf } from '../print/pdf.js'
import { drawFrame, frameHigh } from './framePdf.js'

export type BlankKind = 'patterns' | 'rules' | 'frames'

const MARGIN = 44

/** Sizes of products there is a card for. */
const CARDS = [
  [2, 1],
  [2, 2],
  [3, 2],
  [3, 3],
  [4, 2],
  [4, 3],
  [4, 4],
] as const
const CARD_HIGH = 96

/** Places of a rule, and rods of a frame. */
const PLACES = 13
const RODS = 13
const RULE_HIGH = 74
const BEAD = 18
const FRAME_HIGH = frameHigh(BEAD) + 21

/** @throws NoFaceFor letters that cannot be set */
export async function blanksPdf(kind: BlankKind, title: string, size: PageSize): Promise<Uint8Array> {
  const names = Array.from({ length: PLACES }, (_, place) => placeName(place))
  const pdf = await Pdf.begin(title, size, [title, ...names, '0123456789 by digits, column units first'])
  new Drawing(pdf, size, title)[kind]()
  return await pdf.end()
}

class Drawing {
  private readonly width: number
  private readonly height: number
  private part: Element
  private y = 0

  constructor(
    private readonly pdf: Pdf,
    size: PageSize,
    private readonly title: string,
  ) {
    ;[this.width, this.height] = PAGE_SIZES[size]
    this.part = pdf.within(pdf.root, 'Sect')
    this.page()
  }

  /** A card a size of product: its columns from the units at the right, a dot a digit and a line a product. */
  patterns(): void {
    for (const [first, second] of CARDS) {
      const columns = crossPattern(first, second)
      const wide = Math.max(first, second)
      const across = Math.min(74, (this.width - 2 * MARGIN) / columns.length)
      this.room(CARD_HIGH)
      const words = `${first} by ${second} digits, units first`
      this.said(words, this.y, 11, 'bold')
      const top = this.y + 26
      const step = Math.min(15, (across - 12) / wide)
      for (const [k, pairs] of columns.entries()) {
        const left = MARGIN + (columns.length - 1 - k) * across
        const x = (place: number) => left + (wide - 1 - place) * step + step / 2
        this.drawn(() => {
          const { document } = this.pdf
          for (const [i, j] of pairs)
            document
              .moveTo(x(i), top)
              .lineTo(x(j), top + 34)
              .lineWidth(1.1)
              .stroke(INK)
          for (let place = 0; place < first; place += 1) document.circle(x(place), top, 2.6).fill(INK)
          for (let place = 0; place < second; place += 1) document.circle(x(place), top + 34, 2.6).fill(INK)
        })
        this.said(String(k + 1), top + 42, 8.5, 'plain', left + (wide * step) / 2 - 2)
      }
      this.y += CARD_HIGH
    }
  }

  /** Rules with a tick for each place, room for a problem above and its answer below. */
  rules(): void {
    const across = (this.width - 2 * MARGIN) / PLACES
    while (this.fits(RULE_HIGH)) {
      const line = this.y + 44
      this.drawn(() => {
        const { document } = this.pdf
        document
          .moveTo(MARGIN, line)
          .lineTo(this.width - MARGIN, line)
          .lineWidth(1.4)
          .stroke(INK)
        for (let place = 0; place <= PLACES; place += 1) {
          const x = this.width - MARGIN - place * across
          const tall = place % 3 === 0 ? 12 : 6
          document
            .moveTo(x, line)
            .lineTo(x, line - tall)
            .lineWidth(0.8)
            .stroke(INK)
          document
            .moveTo(x, line)
            .lineTo(x, line + 22)
            .lineWidth(0.3)
            .stroke(FAINT)
        }
      })
      for (let place = 0; place < PLACES; place += 3)
        this.said(placeName(place), line + 23, 7.5, 'plain', this.width - MARGIN - (place + 1) * across + 2)
      this.y += RULE_HIGH
    }
  }

  /** Frames with a heaven and four earth beads on every rod, every third one dotted; all beads at rest. */
  frames(): void {
    const across = (this.width - 2 * MARGIN) / RODS
    while (this.fits(FRAME_HIGH)) {
      const y = this.y
      this.drawn(() =>
        drawFrame(this.pdf.document, clearFrame(RODS), { x: MARGIN, y: y + 4, across, bead: BEAD }),
      )
      this.y += FRAME_HIGH
    }
  }

  private page(): void {
    this.pdf.document.addPage()
    this.y = MARGIN
    this.part = this.pdf.within(this.pdf.root, 'Sect')
    this.pdf.within(this.part, 'H1').add(() => this.pdf.text(this.title, MARGIN, this.y, 13, 'bold', INK))
    this.y += 30
  }

  private fits(high: number): boolean {
    return this.y + high <= this.height - MARGIN
  }

  private room(high: number): void {
    if (!this.fits(high)) this.page()
  }

  private said(text: string, y: number, size: number, weight: 'plain' | 'bold', x = MARGIN): void {
    this.pdf.within(this.part, 'P').add(() => this.pdf.text(text, x, y, size, weight, size > 9 ? INK : FAINT))
  }

  private drawn(draw: () => void): void {
    this.pdf.artifact(draw)
  }
}
