/** What people say while they work, and how it is taken: by the judge, on the command line and in the browser alike. */
import type { WorkedSupport } from '../session/support.js'

export type Dialog = readonly [
  technique: string,
  expression: string,
  /** What is said, each with how it is taken; a mistake by its name. */
  said: string,
  support?: WorkedSupport | undefined,
  variant?: Readonly<Record<string, string>>,
]

export const DIALOGS: readonly Dialog[] = [
  // A product on the way to its column; the same product twice, as the column has it twice.
  [
    'multiply-crosswise',
    '36*47',
    '42 right, 2 right, 24 so-far, 45 right, 5 carry-lost, 45 so-far, 9 right, 12 right, 16 right',
  ],
  ['multiply-crosswise', '34^2', '16 right, 6 right, 12 so-far, 12 so-far, 24 right'],
  ['multiply-crosswise', '34^2', '16 right, 6 right, 12 so-far, 12 so-far, 12 product-left-out, 24 right'],
  // Another column's sum or product is told, the carry said alone is passed over, and may go in first.
  ['multiply-crosswise', '36*52', '30 elsewhere, 12 right, 2 right, 1 so-far, 6 so-far, 36 right, 37 right'],
  ['multiply-crosswise', '48*56', '48 right, 8 right, 4 so-far, 28 so-far, 68 ahead, 26 ahead'],
  // Raw sums are settled by their printed digits.
  [
    'multiply-crosswise',
    '36*52',
    '12 right, 36 right, 15 right, 2 right, 7 right, 18 right',
    'guided',
    { order: 'right-raw' },
  ],
  // The front with what comes over, before or after the back was said.
  ['square-near-base', '87^2', '13 right, 74 right, 75 right, 69 right'],
  ['square-near-base', '87^2', '13 right, 75 right, 69 right'],
  ['square-near-base', '87^2', '13 right, 74 right, 169 right, 75 so-far, 7569 right'],
  ['square-near-base', '87^2', '-13 right, 74 right, 7569 ahead'],
  // 25 is the back and stands for nothing more.
  ['square-ending-five', '75^2', '25 right, 8 right, 56 right'],
  ['square-ending-five', '37.5^2', '25 right, 38 right, 1406.25 ahead'],
  ['paper-gcf-lcm', 'lcm(36,48)', '12 right, 3 so-far, 4 so-far, 144 ahead'],
  // What is held said again where the next column borrows; an entry one too high may be lowered.
  ['subtract-hold-drop', '734-458', '3 right, 3 borrow-missed, 2 right'],
  [
    'subtract-hold-drop',
    '734-458',
    '3 right, 2 right, 13 so-far, 5 so-far, 8 right, 7 right, 14 so-far, 8 so-far, 6 right',
  ],
  ['subtract-hold-drop', '8341-3675', '5000 right, 4 thousands right, 7 right, 600 right'],
  [
    'subtract-complement',
    '734-458',
    '3 right, 5 right, 8 right, 2 right, 2 right, 4 smaller-from-larger, 6 right, 7 right',
  ],
  ['subtract-complement', '93-46', '5 right, 3 smaller-from-larger, 4 right, 7 right, 4 right'],
  ['subtract-complement', '94-47', '5 right, 2 complement-nine, 3 right, 7 right, 4 right'],
  ['subtract-complement', '24-15', '1 right, 4 complement-nine, 5 right, 9 right, 0 right'],
  // What was written said again is the mistake of the step, whatever else the digit before may have been.
  [
    'subtract-complement',
    '796.6-85.7',
    '7 right, 1 right, 1 right, 1 smaller-from-larger, 3 right, 9 right, 0 right',
  ],
  // All the digits are not the answer without its sign.
  ['subtract-complement', '458-734', '276 ahead, -276 right'],
  ['add-running-total', '23-48+12-50', '63 wrong-sign, -25 ahead, -13 ahead, -63 right'],
  // Whoever goes on without lowering what stands has missed the borrow.
  ['subtract-complement', '9341-3675', '6 right, 4 right, 7 right, 3 borrow-missed, 5 right'],
  // The digit that stands in the end is right whatever mistake would give it too; the complement is passed over in steps only.
  ['subtract-complement', '8354-2619', '5 ahead, 4 so-far, 7 right', 'steps', { carry: 'glance' }],
  // A digit of a list dropped is a running total first, and told when it is said again.
  [
    'add-column-totals',
    '37+24+43+16',
    '10 right, 100 right, 13 so-far, 13 digit-left-out, 20 right, 120 right',
  ],
  ['add-column-totals', '37+24+43+16', '10 right, 20 right, 0 right, 12 right'],
  ['add-running-total', '42+35', '7 so-far, 72 right, 77 right', 'steps'],
  // A number of the question is no later total, though one comes to it.
  ['add-running-total', '40+25-25+30', '40 so-far, 40 part-left-out, 60 right, 65 right, 70 ahead'],
  // Wholes and decimals apart.
  ['add-running-total', '12.15+7.70', '0.85 so-far, 12 so-far, 19 so-far, 19.85 ahead'],
  ['add-pairs', '7+3+8', '3 and 7 right, 10 right, 18 right'],
  ['add-pairs', '7+3+8', '10 right, 18 right'],
  // Standing already, it is so far first and the answer when it is said again.
  ['multiply-subtraction', '1498*2+4', '3000 ahead, 3000 so-far, 3000 ahead'],
  ['multiply-subtraction', '38*6', '40 right, 240 right, 2 right, 12 right, 228 right'],
  ['square-round-balance', '43^2', '40 right, 46 right, 9 right, 1840 right, 1849 right'],
  // 16 and 100 of the 108 are on the way, though they are also what comes of a mistake.
  [
    'square-duplex',
    '4692^2',
    '4 right, 36 right, 6 right, 105 right, 8 right, 116 so-far, 124 right, 22014864 ahead',
  ],
  // A product that is put on shows nothing of its rod.
  ['soroban-multiply', '36*7', '21 so-far, 21 wrong, 3 right, 21 right, 42 right'],
  // A root is cut off: rounded, or cut too soon, it is true and not asked.
  ['root-duplex', 'sqrt(58)', '7 elsewhere, 7.62 elsewhere, 7.616 elsewhere, 7.615 right', 'answer'],
  [
    'root-estimate',
    'sqrt(2)',
    '1 right, 1 right, 2 right, 0.5 right, 1.5 right, 2.25 so-far, 0.083 so-far, 1.417 ahead',
  ],
  // An estimate is a whole number: decimals are true, and not asked.
  ['paper-estimate', '~39*51', '40 right, 50 right, 1999.5 elsewhere, 2000 right'],
  // The whole answer counts only whole.
  ['divide-short', '158/7', '22 wrong, 22 r 4 right', 'answer'],
  ['add-pairs', '7+3+8+2', '18 wrong, 20 right', 'answer'],
  ['paper-conversion', '9/16 as decimal', '9/16 elsewhere, 0.5625 right', 'answer'],
  // A choice by its letter or by the value.
  ['paper-compare', '5/8 ? 7/11', 'a wrong, 7/11 right', 'answer'],
  ['paper-compare', 'order 6/7, 8/9, 7/8', '6/7 7/8 8/9 right', 'answer'],
  // One's own way inside a kind.
  ['paper-operations', '56/8+9*6-9', '7 right, 54 right, 61 so-far, 52 right'],
  ['paper-mean', 'mean(43,38,51,44)', '40 right, 3 so-far, 1 so-far, 16 right, 44 ahead'],
  ['paper-roman', 'MCDXLVI', '1000 right, 1400 so-far, 1440 so-far, 1446 ahead'],
]

/** What is said in a dialog, value by value. */
export const textsOf = (said: string): string[] => said.split(', ').map((s) => s.slice(0, s.lastIndexOf(' ')))
