/** What people say while they work, and how it is taken: the same by the judge and on the command line. */
import { parseArgs } from 'node:util'
import { describe, expect, test } from 'vitest'
import { runCommand, withSigns } from '../command/command.js'
import { DIALOGS, type Dialog, textsOf } from '../kit/dialogs.js'
import { readProblem } from '../problem/expression.js'
import { techniqueById } from '../registry/techniques.js'
import { variantOf } from '../technique/driver.js'
import { beginTask, happen, openQuestion } from './reduce.js'
import { againWords } from './remarks.js'
import type { WorkedSupport } from './support.js'
import { enteredText } from './typing.js'

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
    for (const [i, typed] of textsOf(said).entries()) {
      expect(openQuestion(progress), `open before ${typed}`).toBeDefined()
      progress = happen(progress, { kind: 'entered', at: i, text: enteredText(progress, typed)! })
      const last = progress.entries.at(-1)!
      taken.push(`${typed} ${last.slips[0]?.id ?? last.verdict}`)
    }
    expect(taken.join(', ')).toBe(said)
  })

  test('on the command line', () => {
    const school = Object.entries(given).flatMap(([key, value]) => ['--school', `${key}=${value}`])
    const entries = textsOf(said).join('; ')
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
