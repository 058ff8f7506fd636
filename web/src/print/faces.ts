/** The faces a PDF is set in: the program's own, beside it one that has Greek and Cyrillic letters, and one for roots and powers. */
import plain from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url'
import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url'
import plainMore from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff?url'
import boldMore from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-700-normal.woff?url'
import plainCyrillic from '@fontsource/noto-sans/files/noto-sans-cyrillic-400-normal.woff?url'
import boldCyrillic from '@fontsource/noto-sans/files/noto-sans-cyrillic-700-normal.woff?url'
import plainCyrillicMore from '@fontsource/noto-sans/files/noto-sans-cyrillic-ext-400-normal.woff?url'
import boldCyrillicMore from '@fontsource/noto-sans/files/noto-sans-cyrillic-ext-700-normal.woff?url'
import plainGreek from '@fontsource/noto-sans/files/noto-sans-greek-400-normal.woff?url'
import boldGreek from '@fontsource/noto-sans/files/noto-sans-greek-700-normal.woff?url'
import plainGreekMore from '@fontsource/noto-sans/files/noto-sans-greek-ext-400-normal.woff?url'
import boldGreekMore from '@fontsource/noto-sans/files/noto-sans-greek-ext-700-normal.woff?url'
import plainDigits from '@fontsource/noto-sans/files/noto-sans-latin-400-normal.woff?url'
import boldDigits from '@fontsource/noto-sans/files/noto-sans-latin-700-normal.woff?url'
import plainVietnamese from '@fontsource/noto-sans/files/noto-sans-vietnamese-400-normal.woff?url'
import boldVietnamese from '@fontsource/noto-sans/files/noto-sans-vietnamese-700-normal.woff?url'
import plainSigns from '@fontsource/roboto/files/roboto-math-400-normal.woff?url'
import boldSigns from '@fontsource/roboto/files/roboto-math-700-normal.woff?url'
import { create } from 'fontkit'

const FILES = {
  plain: [
    plain,
    plainMore,
    plainSigns,
    plainGreek,
    plainCyrillic,
    plainVietnamese,
    plainGreekMore,
    plainCyrillicMore,
  ],
  bold: [bold, boldMore, boldSigns, boldGreek, boldCyrillic, boldVietnamese, boldGreekMore, boldCyrillicMore],
} as const

export type Weight = keyof typeof FILES

export interface Face {
  readonly name: string
  readonly bytes: Uint8Array
  readonly has: (letter: string) => boolean
  /** Made to fit the program's own: a share of its size. */
  readonly scale: number
  /** From the top of a line to where its letters stand, as a share of its size. */
  readonly ascent: number
}

/** The program's own face draws a stroke through the zero; digits of another one stand in for its own, as on screen. */
const DIGITS = { plain: plainDigits, bold: boldDigits, scale: 0.94 } as const

/** Letters of which no face has a picture. */
class NoFaceFor extends Error {
  constructor(letters: readonly string[]) {
    super(
      `A PDF made here has no letters for ${letters.map((l) => `“${l}”`).join(', ')}. Use Print instead, and choose to save as PDF there: then every letter comes along.`,
    )
  }
}

/**
 * The faces of a weight that a text needs, the program's own first.
 * @throws NoFaceFor letters that none of them has
 */
export async function facesFor(text: string, weight: Weight): Promise<Face[]> {
  const faces: Face[] = []
  const isDigit = (letter: string) => letter >= '0' && letter <= '9'
  let left = [...new Set(text)].filter((letter) => !isDigit(letter))
  const read = async (url: string) => {
    const bytes = new Uint8Array(await (await fetch(url)).arrayBuffer())
    return { bytes, font: create(bytes as never) }
  }
  for (const [i, url] of FILES[weight].entries()) {
    if (left.length === 0 && i > 0) break
    const { bytes, font } = await read(url)
    if (!('hasGlyphForCodePoint' in font)) continue
    const has = (letter: string) => !isDigit(letter) && font.hasGlyphForCodePoint(letter.codePointAt(0)!)
    faces.push({ name: `${weight}-${i}`, bytes, has, scale: 1, ascent: font.ascent / font.unitsPerEm })
    left = left.filter((letter) => !has(letter))
  }
  const { bytes } = await read(DIGITS[weight])
  faces.push({ name: `${weight}-digits`, bytes, has: isDigit, scale: DIGITS.scale, ascent: 0 })
  if (left.length > 0) throw new NoFaceFor(left)
  return faces
}
