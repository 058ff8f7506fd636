/** Tables and lines on sheets of A4 as a PDF: headings, paragraphs and the heads of tables are found by a screen reader. */
import type { Sheet, SheetTable } from '@tachymetra/core/report'
import type { Weight } from './faces.js'
import { type Element, FAINT, INK, PAGE_SIZES, Pdf } from './pdf.js'

const [WIDTH, HEIGHT] = PAGE_SIZES.a4
const MARGIN = 48
const LINE = 1.35
const CELL = 9.5

/** @param title of the whole file. @throws NoFaceFor letters that cannot be set */
export async function sheetPdf(title: string, sheets: readonly Sheet[]): Promise<Uint8Array> {
  const pdf = await Pdf.begin(
    title,
    'a4',
    sheets.flatMap((s) => textsOf(s)),
  )
  const writer = new Writer(pdf)
  for (const sheet of sheets) writer.sheet(sheet)
  return await writer.finish()
}

const textsOf = ({ title, lines, tables }: Sheet) => [
  title,
  ...lines,
  ...tables.flatMap((t) => [t.title, ...t.columns, ...t.rows.flat()]),
]

class Writer {
  private y = HEIGHT
  /** Which sheet each page belongs to. */
  private readonly titles: string[] = []

  constructor(private readonly pdf: Pdf) {}

  sheet({ title, lines, tables }: Sheet): void {
    this.page(title)
    const part = this.pdf.within(this.pdf.root, 'Sect')
    this.paragraph(this.pdf.within(part, 'H1'), title, 18, 'bold')
    this.y += 6
    for (const line of lines) this.paragraph(this.pdf.within(part, 'P'), line, 11, 'plain')
    for (const table of tables) this.table(part, table)
  }

  /** Numbers the pages and closes the file. */
  async finish(): Promise<Uint8Array> {
    const { document } = this.pdf
    const { count } = document.bufferedPageRange()
    for (const [i, title] of this.titles.entries()) {
      document.switchToPage(i)
      const foot = `${title} · page ${i + 1} of ${count}`
      this.pdf.artifact(
        () => this.pdf.text(foot, MARGIN, HEIGHT - MARGIN + 14, 8, 'plain', FAINT),
        'Pagination',
      )
    }
    return await this.pdf.end()
  }

  private page(title: string): void {
    this.pdf.document.addPage()
    this.titles.push(title)
    this.y = MARGIN
  }

  private paragraph(element: Element, text: string, size: number, weight: Weight): void {
    for (const line of this.pdf.wrapped(text, weight, size, WIDTH - 2 * MARGIN)) {
      this.room(size * 1.4)
      element.add(() => this.pdf.text(line, MARGIN, this.y, size, weight, INK))
      this.y += size * 1.4
    }
  }

  private table(part: Element, { title, columns, rows }: SheetTable): void {
    this.y += 14
    this.room(60)
    this.paragraph(this.pdf.within(part, 'H2'), title, 12, 'bold')
    const table = this.pdf.within(part, 'Table')
    const widths = this.widths(columns, rows)
    this.row(table, columns, widths, true)
    for (const row of rows) {
      // On the next page the columns are named again, for the eye alone: the table goes on.
      if (this.room(this.heightOf(this.linesOf(row, widths)))) {
        this.pdf.artifact(() => this.cells(columns, widths, FAINT))
        this.y += CELL * LINE + 5
      }
      this.row(table, row, widths, false)
    }
  }

  private linesOf(cells: readonly string[], widths: readonly number[]): string[][] {
    return cells.map((cell, i) => this.pdf.wrapped(cell, 'plain', CELL, widths[i]! - 8))
  }

  private heightOf(lines: readonly (readonly string[])[]): number {
    return Math.max(...lines.map((l) => l.length)) * CELL * LINE + 5
  }

  /** One line of short cells. */
  private cells(cells: readonly string[], widths: readonly number[], ink: string): void {
    let x = MARGIN
    for (const [i, cell] of cells.entries()) {
      this.pdf.text(cell, x, this.y, CELL, 'plain', ink)
      x += widths[i]!
    }
  }

  private row(table: Element, cells: readonly string[], widths: readonly number[], head: boolean): void {
    const lines = this.linesOf(cells, widths)
    const height = this.heightOf(lines)
    const row = this.pdf.within(table, 'TR')
    let x = MARGIN
    for (const [i, its] of lines.entries()) {
      const [type, scope] = head ? (['TH', 'Column'] as const) : i === 0 ? (['TH', 'Row'] as const) : ['TD']
      const cell = this.pdf.within(row, type, scope)
      const left = x
      cell.add(() => {
        for (const [k, line] of its.entries())
          this.pdf.text(line, left, this.y + k * CELL * LINE, CELL, 'plain', head ? FAINT : INK)
      })
      x += widths[i]!
    }
    this.y += height
    this.pdf.artifact(() =>
      this.pdf.document
        .moveTo(MARGIN, this.y - 2)
        .lineTo(WIDTH - MARGIN, this.y - 2)
        .lineWidth(head ? 1 : 0.3)
        .stroke(head ? INK : FAINT),
    )
  }

  /** A new page where there is no room for so much. @returns whether there was none */
  private room(height: number): boolean {
    if (this.y + height <= HEIGHT - MARGIN) return false
    this.page(this.titles.at(-1)!)
    return true
  }

  /** Each column as wide as its longest cell wants, within a third of the page; what is left goes to the last. */
  private widths(columns: readonly string[], rows: readonly (readonly string[])[]): number[] {
    const whole = WIDTH - 2 * MARGIN
    const wish = columns.map((c, i) =>
      Math.min(
        whole / 3,
        Math.max(...[c, ...rows.map((r) => r[i]!)].map((t) => this.pdf.width(t, 'plain', CELL))) + 12,
      ),
    )
    const sum = wish.reduce((total, w) => total + w, 0)
    if (sum > whole) return wish.map((w) => (w * whole) / sum)
    return wish.map((w, i) => (i === wish.length - 1 ? w + whole - sum : w))
  }
}
