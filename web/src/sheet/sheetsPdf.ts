/** Sheets of problems as one PDF: each paper on pages of its own, then each key on its own. */
import { type KeyItem, keyItem, type NewSheet, type SheetItem, sheetItem } from '@tachymetra/core/set'
import type { Frame } from '@tachymetra/core/soroban'
import { type Element, FAINT, INK, PAGE_SIZES, Pdf } from '../print/pdf.js'
import { writtenPlain } from '../written/written.js'
import { drawFrame, frameHigh } from './framePdf.js'

const MARGIN = 44
const GAP = 18
const LINE = 1.35
/** Height of figures, and of what is said beside them, in points. */
const FIGURES = { plain: 12, large: 18 } as const
const SMALL = 8.5
const KEYED = 10
/** Room to work in below a problem, in heights of its figures. */
const ROOM = 6
/** A line for an answer is at least so long; where it does not fit behind the problem it comes below. */
const ANSWER = 64
/** Height of a bead in heights of the figures beside it; width of a rod in beads. */
const BEAD = 0.8
const ROD = 1.9
/** How finely columns are evened out. */
const STEP = 4

interface Laid {
  readonly sheet: NewSheet
  readonly items: readonly SheetItem[]
  readonly keys: readonly KeyItem[]
}

/**
 * @param sheets all of one layout
 * @param progress told of papers that are done, of all
 * @throws NoFaceFor letters that cannot be set
 */
export async function sheetsPdf(
  sheets: readonly NewSheet[],
  progress: (done: number) => void = () => {},
): Promise<Uint8Array> {
  const [{ title, layout, madeAt }] = sheets as readonly [NewSheet]
  const own = (text: string) => writtenPlain(text, layout.numbers)
  const laid = sheets.map((sheet): Laid => {
    const items = sheet.list.map((one) => sheetItem(one))
    const keys = layout.key === 'none' ? [] : sheet.list.map((one) => keyItem(one, layout.key === 'worked'))
    return {
      sheet,
      items: items.map((item) => ({
        ...item,
        asked: own(item.asked),
        above: item.above.map(own),
        form: own(item.form),
      })),
      keys: keys.map((key) => ({
        ...key,
        answer: own(key.answer),
        band: key.band === undefined ? undefined : own(key.band),
        steps: key.steps.map(own),
      })),
    }
  })
  const texts = laid.flatMap(({ items, keys }) => [
    ...items.flatMap((item) => [...item.above, item.asked, item.form]),
    ...keys.flatMap((key) => [key.answer, key.band ?? '', ...key.steps]),
  ])
  const fixed = 'Name Date Paper of Key page ().,:·*—0123456789 ABCDEFGHIJKLMNOPQRSTUVWXYZ estimate code'
  const pdf = await Pdf.begin(title, layout.size, [...texts, fixed], new Date(madeAt))
  const writer = new Writer(pdf, layout)
  for (const [i, one] of laid.entries()) {
    writer.paper(one)
    progress(i + 1)
    // So that progress is seen.
    await new Promise((resolve) => setTimeout(resolve))
  }
  if (layout.key !== 'none') for (const one of laid) writer.key(one)
  return await writer.finish()
}

/** Something that stays together in its column. */
interface Block {
  readonly high: number
  readonly draw: (x: number, y: number) => void
}

class Writer {
  private readonly width: number
  private readonly height: number
  private readonly size: number
  private columns = 1
  private readonly feet: string[] = []

  constructor(
    private readonly pdf: Pdf,
    private readonly layout: NewSheet['layout'],
  ) {
    ;[this.width, this.height] = PAGE_SIZES[layout.size]
    this.size = layout.large ? FIGURES.large : FIGURES.plain
  }

  paper({ sheet, items }: Laid): void {
    const part = this.pdf.within(this.pdf.root, 'Sect')
    this.begin(sheet.code, this.layout.columns)
    this.head(part, sheet, sheet.title)
    const right = this.width - MARGIN
    this.pdf.text('Name', right - 190, MARGIN + 26, SMALL + 1, 'plain', FAINT)
    this.line(right - 160, right, MARGIN + 38)
    const blocks = items.map((item, i) => this.item(part, i + 1, item))
    this.flow(blocks, MARGIN + 58, sheet.code)
  }

  key({ sheet, items, keys }: Laid): void {
    const worked = this.layout.key === 'worked'
    const part = this.pdf.within(this.pdf.root, 'Sect')
    this.begin(`Key ${sheet.code}`, worked ? 2 : 4)
    this.head(part, sheet, `Key: ${sheet.title}`)
    const blocks = keys.map((key, i) => this.solved(part, i + 1, items[i]!, key, worked))
    this.flow(blocks, MARGIN + 46, `Key ${sheet.code}`)
  }

  /** Numbers the pages and closes the file. */
  async finish(): Promise<Uint8Array> {
    const { document } = this.pdf
    for (const [i, foot] of this.feet.entries()) {
      document.switchToPage(i)
      const said = `${foot} · page ${i + 1} of ${this.feet.length}`
      this.pdf.artifact(
        () => this.pdf.text(said, MARGIN, this.height - MARGIN + 12, 8, 'plain', FAINT),
        'Pagination',
      )
    }
    return await this.pdf.end()
  }

  /** A problem, the form it is asked in, a line for its answer and on wish room to work in. */
  private item(part: Element, n: number, { asked, above, form, starred, frame, toDraw }: SheetItem): Block {
    const indent = this.pdf.width('*000. ', 'plain', this.size * 0.8)
    const across = this.across() - indent
    const row = this.size * LINE
    const lines = [...above, asked.trim()].flatMap((text) =>
      this.pdf.wrapped(text, 'plain', this.size, across),
    )
    const after = this.pdf.width(`${lines.at(-1)!} `, 'plain', this.size)
    const below = !toDraw && across - after < ANSWER
    const rows = lines.length + (below ? 1 : 0)
    const small = form === '' ? [] : this.pdf.wrapped(`(${form})`, 'plain', SMALL, across)
    const room = this.layout.room === 'work' ? ROOM * this.size : 0
    const beads = frame && this.framed(frame, across, this.size * BEAD, toDraw)
    const text = rows * row + small.length * SMALL * LINE
    return {
      high: text + (beads?.high ?? 0) + this.size * 0.75 + room,
      draw: (x, y) => {
        this.pdf.within(part, 'P').add(() => {
          const number = `${starred ? '*' : ''}${n}. `
          this.pdf.text(number, x, y + this.size * 0.2, this.size * 0.8, 'plain', FAINT)
          this.rows(lines, x + indent, y, this.size, INK)
          this.rows(small, x + indent, y + rows * row, SMALL, FAINT)
        })
        const base = y + (below ? lines.length + 0.85 : lines.length - 0.15) * row
        if (!toDraw) this.line(x + indent + (below ? 0 : after), x + this.across(), base)
        beads?.draw(x + indent, y + text)
      },
    }
  }

  /** An answer of the key: with its band, and each step where those are wanted. */
  private solved(part: Element, n: number, item: SheetItem, key: KeyItem, worked: boolean): Block {
    const weight = worked ? 'bold' : 'plain'
    const said = `${item.starred ? '*' : ''}${n}. ${worked && !item.toDraw ? item.asked : ''}${key.answer}`
    const lines = this.pdf.wrapped(said, weight, KEYED, this.across())
    const more = [...(key.band ? [key.band] : []), ...key.steps].flatMap((text) =>
      this.pdf.wrapped(text, 'plain', SMALL, this.across() - 10),
    )
    const top = lines.length * KEYED * LINE
    const beads = key.frame && this.framed(key.frame, this.across(), SMALL * BEAD)
    const text = top + more.length * SMALL * LINE
    return {
      high: text + (beads?.high ?? 0) + (worked ? 6 : 2),
      draw: (x, y) => {
        this.pdf.within(part, 'P').add(() => {
          this.rows(lines, x, y, KEYED, INK, weight)
          this.rows(more, x + 10, y + top, SMALL, FAINT)
        })
        beads?.draw(x, y + text)
      },
    }
  }

  /** A frame no wider than there is room; told of in words beside it. */
  private framed(frame: Frame, room: number, bead: number, bare = false): Block {
    const across = Math.min(ROD * bead, room / frame.rods.length)
    return {
      high: frameHigh(bead) + bead,
      draw: (x, y) =>
        this.pdf.artifact(() =>
          drawFrame(this.pdf.document, frame, { x, y: y + bead / 2, across, bead, bare }),
        ),
    }
  }

  /** Down one column after another; what fits on one page is shared out evenly among its columns. */
  private flow(blocks: readonly Block[], first: number, foot: string): void {
    let top = first
    for (let i = 0; i < blocks.length; ) {
      const left = blocks.slice(i)
      const limit = evenly(
        left.map((b) => b.high),
        this.columns,
        this.height - MARGIN - top,
      )
      for (let column = 0; column < this.columns && i < blocks.length; column += 1) {
        let y = top
        // One that is higher than a page stands there alone.
        while (i < blocks.length && (y === top || y + blocks[i]!.high <= top + limit)) {
          blocks[i]!.draw(MARGIN + column * (this.across() + GAP), y)
          y += blocks[i]!.high
          i += 1
        }
      }
      if (i < blocks.length) this.begin(foot, this.columns)
      top = MARGIN
    }
  }

  /** Title, which paper of how many, and the code it is made again and keyed in by. */
  private head(part: Element, { code, copy, copies }: NewSheet, title: string): void {
    this.pdf.within(part, 'H1').add(() => this.pdf.text(title, MARGIN, MARGIN, 16, 'bold', INK))
    const which = copies > 1 ? `Paper ${copy} of ${copies}` : ''
    const right = this.width - MARGIN
    this.pdf.within(part, 'P').add(() => {
      this.pdf.text(code, right - this.pdf.width(code, 'bold', 12), MARGIN + 2, 12, 'bold', INK)
      if (which) this.pdf.text(which, MARGIN, MARGIN + 26, SMALL + 1, 'plain', FAINT)
    })
  }

  private begin(foot: string, columns: number): void {
    this.pdf.document.addPage()
    this.feet.push(foot)
    this.columns = columns
  }

  private across(): number {
    return (this.width - 2 * MARGIN - GAP * (this.columns - 1)) / this.columns
  }

  private rows(
    lines: readonly string[],
    x: number,
    y: number,
    size: number,
    ink: string,
    weight: 'plain' | 'bold' = 'plain',
  ): void {
    for (const [k, line] of lines.entries()) this.pdf.text(line, x, y + k * size * LINE, size, weight, ink)
  }

  private line(from: number, to: number, y: number): void {
    this.pdf.artifact(() => this.pdf.document.moveTo(from, y).lineTo(to, y).lineWidth(0.5).stroke(FAINT))
  }
}

/** How high columns are filled: as low as all still fits in them, where it fits at all. */
function evenly(heights: readonly number[], columns: number, most: number): number {
  const fits = (limit: number) => {
    let [used, y] = [1, 0]
    for (const high of heights) {
      if (y > 0 && y + high > limit) {
        used += 1
        y = 0
      }
      y += high
    }
    return used <= columns
  }
  const all = heights.reduce((sum, high) => sum + high, 0)
  let limit = Math.max(all / columns, ...heights)
  while (limit < most && !fits(limit)) limit += STEP
  return Math.min(limit, most)
}
