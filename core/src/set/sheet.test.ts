import fc from 'fast-check'
import { expect, test } from 'vitest'
import { drillById } from '../drill/drills.js'
import { factText } from '../drill/fact.js'
import { FACT_DECKS } from '../facts/decks.js'
import { unmarked } from '../number/marks.js'
import { readProblem } from '../problem/expression.js'
import { answerOf } from '../problem/problem.js'
import { sameValue } from '../question/value.js'
import { techniqueById } from '../registry/techniques.js'
import { keyedEvents } from '../session/keyed.js'
import { JUDGE } from '../session/progress.js'
import { beginTask } from '../session/reduce.js'
import { judgeRecord } from '../session/verdict.js'
import type { Frame } from '../soroban/frame.js'
import { variantOf } from '../technique/driver.js'
import { checkRecipe } from './check.js'
import { GENERATOR, itemsOf, listedItem } from './items.js'
import { paperRecipe, USUAL_PAPER } from './paper.js'
import { type ListedProblem, plainRecipe } from './recipe.js'
import {
  CODE_BASE,
  CODE_LENGTH,
  codeOf,
  keyItem,
  readCode,
  sheetItem,
  sheetList,
  sheetRecipe,
} from './sheet.js'

const drawn = fc.array(fc.integer({ min: 0, max: CODE_BASE - 1 }), {
  minLength: CODE_LENGTH,
  maxLength: CODE_LENGTH,
})

test('a code is read in any dress; one wrong sign, two swapped or one too few are no code', () => {
  fc.assert(
    fc.property(
      drawn,
      fc.nat(7),
      fc.nat(7),
      fc.integer({ min: 1, max: CODE_BASE - 1 }),
      (signs, i, j, by) => {
        const code = codeOf(signs)
        expect(code).toMatch(/^[2-9B-DF-HJ-NP-TV-Z]{4}-[2-9B-DF-HJ-NP-TV-Z]{4}$/)
        expect(readCode(code)).toBe(code)
        expect(readCode(` ${code.toLowerCase().replace('-', ' ')} `)).toBe(code)
        const bare = [...code.replace('-', '')]
        const all = [...'23456789BCDFGHJKLMNPQRSTVWXYZ']
        const wrong = bare.with(i, all[(all.indexOf(bare[i]!) + by) % CODE_BASE]!)
        expect(readCode(wrong.join(''))).toBeUndefined()
        if (bare[i] !== bare[j]) {
          const swapped = bare.with(i, bare[j]!).with(j, bare[i]!)
          expect(readCode(swapped.join(''))).toBeUndefined()
        }
        expect(readCode(bare.slice(1).join(''))).toBeUndefined()
      },
    ),
  )
})

const set = (recipe: ReturnType<typeof plainRecipe>, seed = 4) => ({ recipe, seed, generator: GENERATOR })

test('a sheet holds the items of its set in order, and its recipe is one of a list', () => {
  const recipe = paperRecipe(USUAL_PAPER, 8)
  const list = sheetList(set(recipe))
  expect(list).toEqual(itemsOf(set(recipe)).map((item) => listedItem(item!)))
  const made = sheetRecipe({
    code: codeOf([1, 2, 3, 4, 5, 6, 7]),
    title: 'Friday',
    list,
    marks: recipe.marks,
  })
  expect(() => checkRecipe(made)).not.toThrow()
  expect(itemsOf(set(made)).map((item) => listedItem(item!))).toEqual(list)
  expect(() => checkRecipe({ ...made, sheet: 'AAAA-AAAA' })).toThrow('no code')
  const unknown = plainRecipe([{ kind: 'listed', problems: [null] }], 'answer')
  expect(() => sheetList(set(unknown))).toThrow('paper')
})

test('what is printed: the question, the form it is asked in, its star; and the answer, its band, its steps', () => {
  const listed = (technique: string, expression: string) => ({ technique, level: 0, expression })
  expect(sheetItem(listed('multiply-crosswise', '36*52'))).toEqual({
    asked: '36 × 52 = ',
    form: '',
    starred: false,
    above: [],
    frame: undefined,
    toDraw: false,
  })
  expect(keyItem(listed('multiply-crosswise', '36*52'), true)).toMatchObject({
    answer: '1\u2009872',
    band: undefined,
  })
  expect(keyItem(listed('multiply-crosswise', '36*52'), true).steps[0]).toBe('6 × 2 = 12')
  expect(keyItem(listed('multiply-crosswise', '36*52'), false).steps).toEqual([])
  expect(sheetItem(listed('paper-operations', '18-42/7')).asked).toBe('18 − 42 ÷ 7 = ')
  const estimate = listed('paper-estimate', '~37*178')
  expect(sheetItem(estimate)).toMatchObject({
    starred: true,
    form: 'a whole number within 5 % on either side',
  })
  // 6 586 less and more a twentieth.
  expect(unmarked(keyItem(estimate, false).band!)).toMatch(/6\u2009256\.7.*6\u2009915\.3/)
  expect(keyItem(listed('paper-compare', '5/8 ? 7/11'), false).answer).not.toBe('')
})

test('a frame to be read stands there with its beads and not its number; one to be set is empty, its beads are in the key', () => {
  const [read, drawn] = ['soroban-read', 'soroban-set'].map((technique) => ({
    technique,
    level: 0,
    expression: '4072',
  })) as [ListedProblem, ListedProblem]
  const rods = (frame: Frame | undefined) => frame && [...frame.rods].reverse().join('').replace(/^0+/, '')
  expect(sheetItem(read)).toMatchObject({ asked: 'The number on the frame: ', toDraw: false })
  expect([rods(sheetItem(read).frame), rods(keyItem(read, true).frame)]).toEqual(['4072', undefined])
  expect(sheetItem(drawn)).toMatchObject({ asked: 'Draw the beads of 4\u2009072. ', toDraw: true })
  expect([rods(sheetItem(drawn).frame), rods(keyItem(drawn, false).frame)]).toEqual(['', '4072'])
  expect([keyItem(read, false).answer, keyItem(drawn, false).answer]).toEqual(['4\u2009072', '4\u2009072'])
})

test('a fact of any deck is printed as it is asked, and keyed in with its answer', () => {
  const fact = (id: string) => ({ technique: 'fact', level: 0, expression: factText(id) })
  expect(['7x8', 'c100:37', 'r196', 'k5-7'].map((id) => sheetItem(fact(id)).asked)).toEqual([
    '7 × 8 = ',
    '37 to 100: ',
    '√196 = ',
    '5 − 7 (can be taken / is short) ',
  ])
  for (const { cards } of FACT_DECKS)
    for (const { id, kind, expect: value } of cards) {
      expect(keyItem(fact(id), true)).toMatchObject({ answer: kind.say(value), steps: [] })
      const text = kind.print(value)
      const read = keyedEvents(drillById('fact')!.read(factText(id)), { text })
      expect('events' in read && read.events.at(-1)).toMatchObject({ kind: 'entered', text })
    }
  for (const text of ['tables: 7x88', '7x8', 'sums: 7x8'])
    expect(() => drillById('fact')!.read(text)).toThrow('fact')
})

/** An attempt that was keyed in from paper. */
const keyed = (
  expression: string,
  ...events: { kind: 'entered' | 'marked' | 'handed-in' | 'skipped'; text?: string }[]
) => {
  const technique = techniqueById('multiply-crosswise')
  return judgeRecord({
    id: '6f1b0c5e-0000-4000-8000-000000000001',
    sessionId: '6f1b0c5e-0000-4000-8000-000000000002',
    n: 1,
    technique: technique.id,
    variant: variantOf(technique),
    level: 0,
    support: 'answer',
    expression,
    startedAt: '2026-03-02T15:00:00.000Z',
    judge: JUDGE,
    events: [
      { kind: 'shown', at: 0, text: 'answer' },
      { kind: 'on-paper', at: 0 },
      ...events.map((e) => ({ at: 0, ...e })),
    ],
  })
}

test('keyed in from paper: judged like any answer, explained like any mistake, and never timed', () => {
  const right = keyed('36*52', { kind: 'entered', text: '1872' })
  expect(right).toMatchObject({ outcome: 'done', right: true, clean: true, timed: false, totalMs: 0 })
  const wrong = keyed('36*52', { kind: 'entered', text: '1772' }, { kind: 'handed-in' })
  expect(wrong).toMatchObject({ outcome: 'done', right: false, timed: false })
  expect(wrong.entries[0]!.slips.length).toBeGreaterThan(0)
  expect(keyed('36*52', { kind: 'skipped' })).toMatchObject({
    outcome: 'skipped',
    right: false,
    timed: false,
  })
  expect(keyed('36*52', { kind: 'marked', text: 'right' })).toMatchObject({
    right: true,
    clean: true,
    timed: false,
  })
  const marked = keyed('36*52', { kind: 'marked', text: 'wrong' })
  expect(marked).toMatchObject({ outcome: 'done', right: false, clean: false, timed: false })
  expect(marked.entries).toMatchObject([{ text: '', verdict: 'wrong', slips: [] }])
  // Nobody marks an answer that was worked here.
  const technique = techniqueById('multiply-crosswise')
  const task = {
    technique,
    variant: variantOf(technique),
    level: 0,
    support: 'answer',
    problem: readProblem('36*52'),
  } as const
  expect(beginTask(task).onPaper).toBe(false)
  expect(() => keyed('36*52', { kind: 'marked' }, { kind: 'marked' })).toThrow('after the end')
})

test('the key agrees with the answer reckoned plainly, over a whole paper', () => {
  for (const listed of sheetList(set(paperRecipe({ ...USUAL_PAPER, without: ['paper-estimate'] }, 31)))) {
    const problem = readProblem(listed.expression)
    const technique = techniqueById(listed.technique)
    const whole = beginTask({
      technique,
      variant: variantOf(technique),
      level: listed.level,
      support: 'answer',
      problem,
    }).walks[0]!.whole()
    const read = whole.kind.read(
      unmarked(keyItem(listed, false).answer).replaceAll('\u2009', '').replaceAll('−', '-'),
    )
    if (
      listed.technique === 'root-duplex' ||
      listed.technique === 'divide-short' ||
      listed.technique === 'paper-compare'
    )
      continue
    expect(
      read && sameValue(read, answerOf(problem)),
      `${listed.expression}: ${keyItem(listed, false).answer}`,
    ).toBe(true)
  }
})

test('tables and finished work stand on a sheet too, and are marked as a whole', () => {
  const grid = sheetList(
    set(plainRecipe([{ kind: 'grid', rows: 2, columns: 3, digits: 2, count: 1 }], 'answer')),
  )[0]!
  const rows = grid.expression.split('; ').map((row) => row.split(' ').map(Number))
  expect(sheetItem(grid).above).toEqual(rows.map((row) => row.join('   ')))
  const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)
  const columns = rows[0]!.map((_, c) => sum(rows.map((row) => row[c]!)))
  const total = sum(columns)
  expect(keyItem(grid, true).answer).toBe([...rows.map(sum), ...columns, total, total].join(', '))
  const check = {
    technique: 'checking',
    level: 0,
    expression: 'nines: 63*67 = 4212',
  }
  expect(sheetItem(check).above[0]).toBe('63 × 67 = 4\u2009212')
  expect(sheetItem(check).asked).toContain(' / ')
  const marked = (listed: typeof grid, mark: 'right' | 'wrong') => {
    const read = keyedEvents(drillById(listed.technique)!.read(listed.expression), { mark })
    if ('notice' in read) throw new Error(read.notice)
    return judgeRecord({
      ...listed,
      id: '6f1b0c5e-0000-4000-8000-000000000001',
      sessionId: '6f1b0c5e-0000-4000-8000-000000000002',
      n: 1,
      variant: {},
      support: 'answer',
      startedAt: '2026-03-02T15:00:00.000Z',
      judge: JUDGE,
      events: read.events,
    })
  }
  for (const listed of [grid, check]) {
    expect(marked(listed, 'right')).toMatchObject({ outcome: 'done', right: true, clean: true, timed: false })
    expect(marked(listed, 'wrong')).toMatchObject({ outcome: 'done', right: false, timed: false })
    expect(keyedEvents(drillById(listed.technique)!.read(listed.expression), { text: '5' })).toMatchObject({
      notice: expect.stringContaining('right arrow'),
    })
  }
})
