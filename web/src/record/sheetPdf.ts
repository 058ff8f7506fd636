/**
 * Progress sheets as a PDF of A4 pages, tagged (ISO 32000-1, 14.8) so that a screen reader finds headings, paragraphs and
 * the heads of tables.
 */
import type { Sheet, SheetTable } from '@tachymetra/core/report'
import PDFDocument from 'pdfkit'
import { toBytes } from 'pdfkit/output'
import { type Face, facesFor, type Weight } from './faces.js'

const [WIDTH, HEIGHT] = [595, 842]
const MARGIN = 48
const INK = '#21282e'
const FAINT = '#5c615f'
const LINE = 1.35
const CELL = 9.5

/** @param title of the whole file. @throws NoFaceFor letters that cannot be set */
export async function sheetPdf(title: string, sheets: readonly Sheet[]): Promise<Uint8Array> {
  const whole = [title, ...sheets.flatMap((s) => textsOf(s))].join('').normalize('NFC')
  const faces = { plain: await facesFor(whole, 'plain'), bold: await facesFor(whole, 'bold') }
  const pdf = new PDFDocument({
    size: 'A4',
    margin: 0,
    pdfVersion: '1.7',
    lang: 'en',
    tagged: true,
    displayTitle: true,
    bufferPages: true,
    autoFirstPage: false,
    // No face but those given below; the type knows nothing of that.
    font: null as never,
    info: { Title: title, Producer: 'Tachymetra', Creator: 'Tachymetra' },
  })
  const bytes = toBytes(pdf)
  const writer = new Writer(pdf, faces)
  for (const sheet of sheets) writer.sheet(sheet)
  writer.finish()
  return bytes
}

const textsOf = ({ title, lines, tables }: Sheet) => [
  title,
  ...lines,
  ...tables.flatMap((t) => [t.title, ...t.columns, ...t.rows.flat()]),
]

type Element = PDFKit.PDFStructureElement

class Writer {
  private y = HEIGHT
  private readonly root: Element
  /** Which sheet each page belongs to. */
  private readonly titles: string[] = []

  constructor(
    private readonly pdf: PDFKit.PDFDocument,
    private readonly faces: Readonly<Record<Weight, readonly Face[]>>,
  ) {
    for (const face of [...faces.plain, ...faces.bold]) pdf.registerFont(face.name, face.bytes as never)
    this.root = pdf.struct('Document')
    pdf.addStructure(this.root)
  }

  sheet({ title, lines, tables }: Sheet): void {
    this.page(title)
    const part = this.within(this.root, 'Sect')
    this.paragraph(this.within(part, 'H1'), title, 18, 'bold')
    this.y += 6
    for (const line of lines) this.paragraph(this.within(part, 'P'), line, 11, 'plain')
    for (const table of tables) this.table(part, table)
  }

  /** Numbers the pages and closes the file. */
  finish(): void {
    this.root.end()
    const { count } = this.pdf.bufferedPageRange()
    for (const [i, title] of this.titles.entries()) {
      this.pdf.switchToPage(i)
      this.pdf.markContent('Artifact', { type: 'Pagination' })
      this.text(`${title} · page ${i + 1} of ${count}`, MARGIN, HEIGHT - MARGIN + 14, 8, 'plain', FAINT)
      this.pdf.endMarkedContent()
    }
    this.pdf.end()
  }

  private page(title: string): void {
    this.pdf.addPage()
    this.titles.push(title)
    this.y = MARGIN
  }

  private within(parent: Element, type: string, scope?: 'Column' | 'Row'): Element {
    const element = this.pdf.struct(type as 'P', { ...(scope && { scope }) } as object)
    parent.add(element)
    return element
  }

  private paragraph(element: Element, text: string, size: number, weight: Weight): void {
    for (const line of this.wrapped(text, weight, size, WIDTH - 2 * MARGIN)) {
      this.room(size * 1.4)
      element.add(() => this.text(line, MARGIN, this.y, size, weight, INK))
      this.y += size * 1.4
    }
  }

  private table(part: Element, { title, columns, rows }: SheetTable): void {
    this.y += 14
    this.room(60)
    this.paragraph(this.within(part, 'H2'), title, 12, 'bold')
    const table = this.within(part, 'Table')
    const widths = this.widths(columns, rows)
    this.row(table, columns, widths, true)
    for (const row of rows) {
      // On the next page the columns are named again, for the eye alone: the table goes on.
      if (this.room(this.heightOf(this.linesOf(row, widths)))) {
        this.pdf.markContent('Artifact', { type: 'Layout' })
        this.cells(columns, widths, FAINT)
        this.pdf.endMarkedContent()
        this.y += CELL * LINE + 5
      }
      this.row(table, row, widths, false)
    }
  }

  private linesOf(cells: readonly string[], widths: readonly number[]): string[][] {
    return cells.map((cell, i) => this.wrapped(cell, 'plain', CELL, widths[i]! - 8))
  }

  private heightOf(lines: readonly (readonly string[])[]): number {
    return Math.max(...lines.map((l) => l.length)) * CELL * LINE + 5
  }

  /** One line of short cells. */
  private cells(cells: readonly string[], widths: readonly number[], ink: string): void {
    let x = MARGIN
    for (const [i, cell] of cells.entries()) {
      this.text(cell, x, this.y, CELL, 'plain', ink)
      x += widths[i]!
    }
  }

  private row(table: Element, cells: readonly string[], widths: readonly number[], head: boolean): void {
    const lines = this.linesOf(cells, widths)
    const height = this.heightOf(lines)
    const row = this.within(table, 'TR')
    let x = MARGIN
    for (const [i, its] of lines.entries()) {
      const [type, scope] = head ? (['TH', 'Column'] as const) : i === 0 ? (['TH', 'Row'] as const) : ['TD']
      const cell = this.within(row, type, scope)
      const left = x
      cell.add(() => {
        for (const [k, line] of its.entries())
          this.text(line, left, this.y + k * CELL * LINE, CELL, 'plain', head ? FAINT : INK)
      })
      x += widths[i]!
    }
    this.y += height
    this.pdf.markContent('Artifact', { type: 'Layout' })
    this.pdf
      .moveTo(MARGIN, this.y - 2)
      .lineTo(WIDTH - MARGIN, this.y - 2)
      .lineWidth(head ? 1 : 0.3)
      .stroke(head ? INK : FAINT)
    this.pdf.endMarkedContent()
  }

  /** A new page where there is no room for so much. @returns whether there was none */
  private room(height: number): boolean {
    if (this.y + height <= HEIGHT - MARGIN) return false
    this.page(this.titles.at(-1)!)
    return true
  }

  /** One line, each stretch of it in the first face that has its letters. */
  private text(text: string, x: number, y: number, size: number, weight: Weight, ink: string): void {
    let left = x
    for (const { face, letters } of this.runs(text, weight)) {
      this.pdf.font(face.name).fontSize(size).fillColor(ink)
      this.pdf.text(letters, left, y, { lineBreak: false })
      left += this.pdf.widthOfString(letters)
    }
  }

  private width(text: string, weight: Weight, size: number): number {
    return this.runs(text, weight).reduce(
      (sum, { face, letters }) => sum + this.pdf.font(face.name).fontSize(size).widthOfString(letters),
      0,
    )
  }

  private runs(text: string, weight: Weight): { readonly face: Face; letters: string }[] {
    const runs: { readonly face: Face; letters: string }[] = []
    for (const letter of text.normalize('NFC')) {
      const face = this.faces[weight].find((f) => f.has(letter))!
      const last = runs.at(-1)
      if (last?.face === face) last.letters += letter
      else runs.push({ face, letters: letter })
    }
    return runs
  }

  private wrapped(text: string, weight: Weight, size: number, width: number): string[] {
    const lines: string[] = ['']
    for (const word of text.split(' ')) {
      const longer = lines.at(-1) ? `${lines.at(-1)} ${word}` : word
      if (this.width(longer, weight, size) <= width || lines.at(-1) === '') lines[lines.length - 1] = longer
      else lines.push(word)
    }
    return lines
  }

  /** Each column as wide as its longest cell wants, within a third of the page; what is left goes to the last. */
  private widths(columns: readonly string[], rows: readonly (readonly string[])[]): number[] {
    const whole = WIDTH - 2 * MARGIN
    const wish = columns.map((c, i) =>
      Math.min(
        whole / 3,
        Math.max(...[c, ...rows.map((r) => r[i]!)].map((t) => this.width(t, 'plain', CELL))) + 12,
      ),
    )
    const sum = wish.reduce((total, w) => total + w, 0)
    if (sum > whole) return wish.map((w) => (w * whole) / sum)
    return wish.map((w, i) => (i === wish.length - 1 ? w + whole - sum : w))
  }
}
