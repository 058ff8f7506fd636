/** The progress sheet as a PDF of A4 pages, in the program's own face. */

import plainFace from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url'
import boldFace from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url'
import fontkit from '@pdf-lib/fontkit'
import type { Sheet, SheetTable } from '@tachymetra/core/report'
import { PDFDocument, type PDFFont, type PDFPage, rgb } from 'pdf-lib'

const [WIDTH, HEIGHT] = [595, 842]
const MARGIN = 48
const INK = rgb(0.13, 0.16, 0.18)
const FAINT = rgb(0.36, 0.38, 0.37)

export async function sheetPdf(sheet: Sheet): Promise<Uint8Array> {
  const pdf = await PDFDocument.create()
  pdf.registerFontkit(fontkit)
  pdf.setTitle(sheet.title)
  pdf.setProducer('Tachymetra')
  pdf.setLanguage('en')
  const face = async (url: string) => pdf.embedFont(await (await fetch(url)).arrayBuffer(), { subset: true })
  const writer = new Writer(pdf, await face(plainFace), await face(boldFace))
  writer.line(sheet.title, 18, true)
  writer.gap(6)
  for (const line of sheet.lines) writer.line(line, 11)
  for (const table of sheet.tables) writer.table(table)
  return pdf.save()
}

class Writer {
  private page: PDFPage
  private y = HEIGHT - MARGIN

  constructor(
    private readonly pdf: PDFDocument,
    private readonly plain: PDFFont,
    private readonly bold: PDFFont,
  ) {
    this.page = pdf.addPage([WIDTH, HEIGHT])
  }

  gap(points: number): void {
    this.y -= points
  }

  line(text: string, size: number, bold = false): void {
    const font = bold ? this.bold : this.plain
    for (const part of wrapped(drawable(text, font), font, size, WIDTH - 2 * MARGIN)) {
      this.room(size * 1.4)
      this.y -= size * 1.4
      this.page.drawText(part, { x: MARGIN, y: this.y, size, font, color: INK })
    }
  }

  table({ title, columns, rows }: SheetTable): void {
    this.gap(14)
    this.room(60)
    this.line(title, 12, true)
    const size = 9.5
    const widths = shares(columns, rows, this.plain, size)
    const draw = (cells: readonly string[], head: boolean) => {
      const texts = cells.map((c, i) => wrapped(drawable(c, this.plain), this.plain, size, widths[i]! - 8))
      const height = Math.max(...texts.map((t) => t.length)) * size * 1.35 + 4
      this.room(height)
      let x = MARGIN
      for (const [i, parts] of texts.entries()) {
        for (const [k, part] of parts.entries())
          this.page.drawText(part, {
            x,
            y: this.y - (k + 1) * size * 1.35,
            size,
            font: this.plain,
            color: head ? FAINT : INK,
          })
        x += widths[i]!
      }
      this.y -= height
      this.page.drawLine({
        start: { x: MARGIN, y: this.y },
        end: { x: WIDTH - MARGIN, y: this.y },
        thickness: head ? 1 : 0.3,
        color: head ? INK : FAINT,
      })
    }
    draw(columns, true)
    for (const row of rows) draw(row, false)
  }

  private room(height: number): void {
    if (this.y - height > MARGIN) return
    this.page = this.pdf.addPage([WIDTH, HEIGHT])
    this.y = HEIGHT - MARGIN
  }
}

/** Letters the face does not have are drawn as a middle dot rather than stop the whole sheet. */
function drawable(text: string, font: PDFFont): string {
  const has = new Set(font.getCharacterSet())
  return [...text].map((letter) => (has.has(letter.codePointAt(0)!) ? letter : '·')).join('')
}

function wrapped(text: string, font: PDFFont, size: number, width: number): string[] {
  const lines: string[] = ['']
  for (const word of text.split(' ')) {
    const longer = lines.at(-1) ? `${lines.at(-1)} ${word}` : word
    if (font.widthOfTextAtSize(longer, size) <= width || lines.at(-1) === '') lines[lines.length - 1] = longer
    else lines.push(word)
  }
  return lines
}

/** Each column as wide as its longest cell wants, within a third of the page; what is left goes to the last. */
function shares(
  columns: readonly string[],
  rows: readonly (readonly string[])[],
  font: PDFFont,
  size: number,
): number[] {
  const whole = WIDTH - 2 * MARGIN
  const wish = columns.map((c, i) =>
    Math.min(
      whole / 3,
      Math.max(
        ...[c, ...rows.map((r) => r[i]!)].map((t) => font.widthOfTextAtSize(drawable(t, font), size)),
      ) + 12,
    ),
  )
  const sum = wish.reduce((total, w) => total + w, 0)
  if (sum > whole) return wish.map((w) => (w * whole) / sum)
  return wish.map((w, i) => (i === wish.length - 1 ? w + whole - sum : w))
}
