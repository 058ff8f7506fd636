/**
 * A PDF as the program makes them: tagged (ISO 32000-1, 14.8) so that a screen reader finds its way, in the program's own
 * faces. Sizes in points, from the upper left corner.
 */
import PDFDocument from 'pdfkit'
import { toBytes } from 'pdfkit/output'
import { type Face, facesFor, type Weight } from './faces.js'

export const PAGE_SIZES = { a4: [595, 842], letter: [612, 792] } satisfies Record<string, [number, number]>
export type PageSize = keyof typeof PAGE_SIZES

export const INK = '#21282e'
export const FAINT = '#5c615f'

export type Element = PDFKit.PDFStructureElement

/** Runs of letters, each in the first face that has them. */
export class Pdf {
  readonly root: Element

  private constructor(
    readonly document: PDFKit.PDFDocument,
    readonly bytes: Promise<Uint8Array>,
    private readonly faces: Readonly<Record<Weight, readonly Face[]>>,
  ) {
    for (const face of [...faces.plain, ...faces.bold]) document.registerFont(face.name, face.bytes as never)
    this.root = document.struct('Document')
    document.addStructure(this.root)
  }

  /**
   * @param texts all that will be set, so that the faces for it are there
   * @param made when it was made: the same file comes of the same contents
   * @throws NoFaceFor letters that cannot be set
   */
  static async begin(title: string, size: PageSize, texts: readonly string[], made?: Date): Promise<Pdf> {
    const whole = [title, ...texts].join('').normalize('NFC')
    const faces = { plain: await facesFor(whole, 'plain'), bold: await facesFor(whole, 'bold') }
    const document = new PDFDocument({
      size: [...PAGE_SIZES[size]],
      margin: 0,
      pdfVersion: '1.7',
      lang: 'en',
      tagged: true,
      displayTitle: true,
      bufferPages: true,
      autoFirstPage: false,
      // No face but those given below; the type knows nothing of that.
      font: null as never,
      info: {
        Title: title,
        Producer: 'Tachymetra',
        Creator: 'Tachymetra',
        ...(made && { CreationDate: made }),
      },
    })
    return new Pdf(document, toBytes(document), faces)
  }

  /** Closes the file. */
  async end(): Promise<Uint8Array> {
    this.root.end()
    this.document.end()
    return await this.bytes
  }

  within(parent: Element, type: string, scope?: 'Column' | 'Row'): Element {
    const element = this.document.struct(type as 'P', { ...(scope && { scope }) } as object)
    parent.add(element)
    return element
  }

  /** What is drawn for the eye alone. */
  artifact(draw: () => void, type: 'Layout' | 'Pagination' = 'Layout'): void {
    this.document.markContent('Artifact', { type })
    draw()
    this.document.endMarkedContent()
  }

  /** One line, each stretch of it in the first face that has its letters, all on one baseline. */
  text(text: string, x: number, y: number, size: number, weight: Weight, ink: string): void {
    let left = x
    const baseline = y + size * this.faces[weight][0]!.ascent
    for (const { face, letters } of this.runs(text, weight)) {
      this.document
        .font(face.name)
        .fontSize(size * face.scale)
        .fillColor(ink)
      this.document.text(letters, left, baseline, { lineBreak: false, baseline: 'alphabetic' })
      left += this.document.widthOfString(letters)
    }
  }

  width(text: string, weight: Weight, size: number): number {
    return this.runs(text, weight).reduce(
      (sum, { face, letters }) =>
        sum +
        this.document
          .font(face.name)
          .fontSize(size * face.scale)
          .widthOfString(letters),
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

  wrapped(text: string, weight: Weight, size: number, width: number): string[] {
    const lines: string[] = ['']
    for (const word of text.split(' ')) {
      const longer = lines.at(-1) ? `${lines.at(-1)} ${word}` : word
      if (this.width(longer, weight, size) <= width || lines.at(-1) === '') lines[lines.length - 1] = longer
      else lines.push(word)
    }
    return lines
  }
}
