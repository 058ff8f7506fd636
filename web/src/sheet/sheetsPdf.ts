/** Sheets of problems as one PDF: each paper on pages of its own, then each key on its own. */
import { type KeyItem, keyItem, type NewSheet, type SheetItem, sheetItem } from '@tachymetra/core/set'
import { type Element, FAINT, INK, PAGE_SIZES, Pdf } from '../parts/pdf.js'
import { writtenPlain } from '../written/written.js'

const MARGIN = 44
const GAP = 18
const LINE = 1.35
/** Height of figures, and of what is said beside them, in points. */
const FIGURES = { plain: 12, large: 18 } as const
const SMALL = 8.5
/** Room to work in below a problem, in heights of its figures. */
const ROOM = 6
/** A line for an answer is at least so long; where it does not fit behind the problem it comes below. */
const ANSWER = 64

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
      items: items.map((item) => ({ ...item, asked: own(item.asked), form: own(item.form) })),
      keys: keys.map(({ answer, band, steps }) => ({
        answer: own(answer),
        band: band === undefined ? undefined : own(band),
        steps: steps.map(own),
      })),
    }
  })
  const texts = laid.flatMap(({ items, keys }) => [
    ...items.flatMap((item) => [item.asked, item.form]),
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

class Writer {
  private readonly width: number
  private readonly height: number
  private readonly size: number
  private column = 0
  private columns = 1
  private top = 0
  private y = 0
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
    this.begin(sheet, this.layout.columns)
    this.head(part, sheet, sheet.title)
    const { document } = this.pdf
    const right = this.width - MARGIN
    this.pdf.text('Name', right - 190, MARGIN + 26, SMALL + 1, 'plain', FAINT)
    this.pdf.artifact(() =>
      document
        .moveTo(right - 160, MARGIN + 38)
        .lineTo(right, MARGIN + 38)
        .lineWidth(0.7)
        .stroke(FAINT),
    )
    this.top = MARGIN + 58
    this.y = this.top
    for (const [i, item] of items.entries()) this.item(part, sheet, i + 1, item)
  }

  private item(part: Element, sheet: NewSheet, n: number, { asked, form, starred }: SheetItem): void {
    const number = `${starred ? '*' : ''}${n}.`
    const indent = this.pdf.width('*000. ', 'plain', this.size * 0.8)
    const across = this.across() - indent
    const lines = this.pdf.wrapped(asked.trim(), 'plain', this.size, across)
    const after = this.pdf.width(`${lines.at(-1)!} `, 'plain', this.size)
    const below = across - after < ANSWER
    const formLines = form === '' ? [] : this.pdf.wrapped(`(${form})`, 'plain', SMALL, across)
    const high =
      (lines.length + (below ? 1 : 0)) * this.size * LINE +
      formLines.length * SMALL * LINE +
      this.size * 0.75 +
      (this.layout.room === 'work' ? ROOM * this.size : 0)
    this.room(sheet, high)
    const x = this.x()
    const element = this.pdf.within(part, 'P')
    const y = this.y
    element.add(() => {
      this.pdf.text(`${number} `, x, y + this.size * 0.2, this.size * 0.8, 'plain', FAINT)
      for (const [k, line] of lines.entries())
        this.pdf.text(line, x + indent, y + k * this.size * LINE, this.size, 'plain', INK)
      for (const [k, line] of formLines.entries())
        this.pdf.text(
          line,
          x + indent,
          y + (lines.length + (below ? 1 : 0)) * this.size * LINE + k * SMALL * LINE,
          SMALL,
          'plain',
          FAINT,
        )
    })
    const [from, row] = below ? [x + indent, lines.length] : [x + indent + after, lines.length - 1]
    const base = y + (row + 0.85) * this.size * LINE
    this.pdf.artifact(() =>
      this.pdf.document
        .moveTo(from, base)
        .lineTo(x + this.across(), base)
        .lineWidth(0.5)
        .stroke(FAINT),
    )
    this.y += high
  }

  key({ sheet, items, keys }: Laid): void {
    const worked = this.layout.key === 'worked'
    const part = this.pdf.within(this.pdf.root, 'Sect')
    this.begin(sheet, worked ? 2 : 4, true)
    this.head(part, sheet, `Key: ${sheet.title}`)
    this.top = MARGIN + 44
    this.y = this.top
    for (const [i, key] of keys.entries()) {
      const across = this.across()
      const { starred } = items[i]!
      const said = `${starred ? '*' : ''}${i + 1}. ${worked ? items[i]!.asked : ''}${key.answer}`
      const lines = this.pdf.wrapped(said, worked ? 'bold' : 'plain', 10, across)
      const more = [...(key.band ? [key.band] : []), ...key.steps].flatMap((text) =>
        this.pdf.wrapped(text, 'plain', SMALL, across - 10),
      )
      const high = lines.length * 10 * LINE + more.length * SMALL * LINE + (worked ? 5 : 2)
      this.room(sheet, high, true)
      const [x, y] = [this.x(), this.y]
      this.pdf.within(part, 'P').add(() => {
        for (const [k, line] of lines.entries())
          this.pdf.text(line, x, y + k * 10 * LINE, 10, worked ? 'bold' : 'plain', INK)
        for (const [k, line] of more.entries())
          this.pdf.text(line, x + 10, y + lines.length * 10 * LINE + k * SMALL * LINE, SMALL, 'plain', FAINT)
      })
      this.y += high
    }
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

  private begin(sheet: NewSheet, columns: number, key = false): void {
    this.pdf.document.addPage()
    this.feet.push(`${key ? 'Key ' : ''}${sheet.code}`)
    this.columns = columns
    this.column = 0
    this.top = MARGIN
    this.y = MARGIN
  }

  private across(): number {
    return (this.width - 2 * MARGIN - GAP * (this.columns - 1)) / this.columns
  }

  private x(): number {
    return MARGIN + this.column * (this.across() + GAP)
  }

  /** The next column, or a new page, where there is no room for so much. */
  private room(sheet: NewSheet, high: number, key = false): void {
    if (this.y + high <= this.height - MARGIN) return
    if (this.column + 1 < this.columns) {
      this.column += 1
      this.y = this.top
      return
    }
    this.begin(sheet, this.columns, key)
  }
}
