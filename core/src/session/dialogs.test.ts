/** What people say while they work, and how it is taken: the same by the judge and on the command line. */
import { parseArgs } from 'node:util'
import { describe, expect, test } from 'vitest'
import { runCommand, withSigns } from '../command/command.js'
import { readProblem } from '../problem/expression.js'
import { techniqueById } from '../registry/techniques.js'
import { variantOf } from '../technique/driver.js'
import { beginTask, happen, openQuestion } from './reduce.js'
import { againWords } from './remarks.js'
import type { WorkedSupport } from './support.js'
import { enteredText } from './typing.js'

type Dialog = readonly [
  technique: string,
  expression: string,
  /** What is said, each with how it is taken; a mistake by its name. */
  said: string,
  support?: WorkedSupport | undefined,
  variant?: Readonly<Record<string, string>>,
]

const DIALOGS: readonly Dialog[] = [
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
  ['add-pairs', '7+3+8', '3 and 7 right, 10 right, 18 right'],
  ['add-pairs', '7+3+8', '10 right, 18 right'],
  // Standing already, it is so far first and the answer when it is said again.
  ['multiply-subtraction', '1498*2+4', '3000 ahead, 3000 so-far, 3000 ahead'],
  ['multiply-subtraction', '38*6', '40 right, 240 right, 2 right, 12 right, 228 right'],
  ['square-round-balance', '43^2', '40 right, 46 right, 9 right, 1840 right, 1849 right'],
  // A root is cut off: rounded, or cut too soon, it is true and not asked.
  ['root-duplex', 'sqrt(58)', '7 elsewhere, 7.62 elsewhere, 7.616 elsewhere, 7.615 right', 'answer'],
  [
    'root-estimate',
    'sqrt(2)',
    '1 right, 1 right, 2 right, 0.5 right, 1.5 right, 2.25 so-far, 0.083 so-far, 1.417 ahead',
  ],
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

const texts = (said: string) => said.split(', ').map((s) => s.slice(0, s.lastIndexOf(' ')))

describe.each(DIALOGS.map((d) => [...d]))('%s %s: %s', (...dialog) => {
  const [id, expression, said, support = 'guided', given = {}] = dialog as unknown as Dialog
  test('by the judge', () => {
    const technique = techniqueById(id)
    const task = {
      technique,
      problem: readProblem(expression),
      variant: variantOf(technique, given),
      level: 1,
      support,
    }
    let progress = beginTask(task)
    const taken: string[] = []
    for (const [i, typed] of texts(said).entries()) {
      expect(openQuestion(progress), `open before ${typed}`).toBeDefined()
      progress = happen(progress, { kind: 'entered', at: i, text: enteredText(progress, typed)! })
      const last = progress.entries.at(-1)!
      taken.push(`${typed} ${last.slips[0]?.id ?? last.verdict}`)
    }
    expect(taken.join(', ')).toBe(said)
  })

  test('on the command line', () => {
    const school = Object.entries(given).flatMap(([key, value]) => ['--school', `${key}=${value}`])
    const entries = texts(said).join('; ')
    const more = ['--by', id, '--entries', entries, '--support', support, '--json', ...school]
    const printed = runCommand('work', (options) =>
      parseArgs({ args: withSigns([expression, ...more]), options, allowPositionals: true }),
    )
    const out = JSON.parse(printed.out) as {
      entries: { entry: string; verdict: string; slip: string | null }[]
    }
    expect(out.entries.map((e) => `${e.entry} ${verdictOf(e, support)}`).join(', ')).toBe(said)
  })
})

/** What the answer alone led to is looked for afterwards on the command line. */
const verdictOf = ({ verdict, slip }: { verdict: string; slip: string | null }, support: WorkedSupport) =>
  support === 'answer' ? verdict.replace('slip', 'wrong') : (slip ?? verdict)

test.each([
  ['multiply-crosswise', '36*47', ['42', '2', '24', '24'], '24 again: 3 × 7 belongs here too.'],
  ['add-column-totals', '4268+1907+3355+2840', ['10', '14', '14'], '14 again: 8 belongs here too.'],
  ['add-column-totals', '4268+1907+3355+2840', ['10', '11', '11'], '11 again: there is more to it.'],
  [
    'multiply-crosswise',
    '345*678',
    ['40', '0', '67', '1', '28', '28'],
    '28 again: 3 × 8 and 5 × 6 belong here too.',
  ],
  ['add-column-totals', '4268+1907+3355+2840', ['10', '2', '2'], '2 again: there is more to it.'],
  // A mistake with a sentence of its own keeps that.
  ['multiply-double-halve', '35*18', ['35', '35'], undefined],
  ['subtract-hold-drop', '734-458', ['3', '4'], undefined],
] as const)('%s, %s: what is said of a value once too often', (id, expression, said, words) => {
  const technique = techniqueById(id)
  const variant = variantOf(technique)
  const begun = beginTask({
    technique,
    problem: readProblem(expression),
    variant,
    level: 0,
    support: 'guided',
  })
  const end = said.reduce((p, text) => happen(p, { kind: 'entered', at: 0, text }), begun)
  expect(againWords(end)).toBe(words)
})
