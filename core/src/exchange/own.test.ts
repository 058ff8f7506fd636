import fc from 'fast-check'
import { expect, test } from 'vitest'
import { seeded } from '../number/random.js'
import { answerText, printProblem, readProblem } from '../problem/expression.js'
import { COURSE, levelOf, techniqueById } from '../registry/techniques.js'
import { listedOwn, misfitsOf } from '../report/own.js'
import { checkOwn, MOST_OWN, type OwnSet } from '../set/own.js'
import { type OwnLine, readOwnFile, readOwnLines, readOwnTable, writeOwnFile, writeOwnTable } from './own.js'

/** A line as it was taken, or why not. */
const taken = (line: OwnLine) => ('error' in line ? line.error : line.problem.expression)
const all = (text: string) => readOwnLines(text).map(taken)

test('problems as books have them: numbered, with an answer or room for one, in any signs', () => {
  expect(
    all(
      '364+278\n\n 2) 36 x 52 =\r\n3. 8 341 − 3 675 = 4 666\n(4) 2184 ÷ 6 = ____\n7/8 as %\n3x-7=20\n5. √70 = 8.37\n8:12 = x:21',
    ),
  ).toEqual(['364+278', '36*52', '8341-3675', '2184/6', '7/8 as %', '3x-7=20', 'sqrt(70)', '8:12 = x:21'])
  // Empty lines count, so that a line is found again where it was pasted from.
  expect(readOwnLines('1+2\n\n\nx\n').map((l) => l.line)).toEqual([1, 4])
})

test('every fault is named at its line, and the lines beside it are taken', () => {
  const lines = readOwnLines('364+278=652\n12+*5\n47\n12*3*4\nhello\n5/0\n18:6=\n22*22=x')
  expect(lines.map((l) => [l.line, taken(l)])).toEqual([
    [1, 'The answer given is wrong: 364 + 278 = 642.'],
    [2, expect.stringContaining('character 4')],
    [3, expect.stringContaining('number alone')],
    [4, 'No technique here works this problem.'],
    [5, expect.stringContaining('Expected a number')],
    [6, 'Nothing can be divided by 0.'],
    [7, '18/6'],
    [8, expect.stringContaining('cannot be read as an answer')],
  ])
  expect(all(`${'9'.repeat(80)}+1`)[0]).toMatch(/has 80 digits; at most/)
  expect(all('1+1'.padEnd(2000, '+1'))[0]).toMatch(/too long/)
})

test('a thousand lines are taken, and what comes after them is told', () => {
  const lines = readOwnLines(Array.from({ length: MOST_OWN + 3 }, (_, i) => `${i + 10}+25`).join('\n'))
  expect(lines.filter((l) => 'problem' in l).length).toBe(MOST_OWN)
  expect(lines.slice(MOST_OWN).map(taken)).toEqual(Array(3).fill('One set has at most 1000 problems.'))
})

test('a table: its columns, a technique of its own for a row, and what is wrong with one', () => {
  const table =
    'problem,technique\r\n36*52,multiply-crosswise\r\n"gcf(36,48)",\r\n36*52,add-pairs\r\n7+8,juggling\r\n,\r\n'
  expect(readOwnTable(table).map((l) => ('error' in l ? [l.line, l.error] : [l.line, l.problem]))).toEqual([
    [2, { expression: '36*52', technique: 'multiply-crosswise' }],
    [3, { expression: 'gcf(36,48)' }],
    [4, expect.stringContaining('does not fit')],
    [5, expect.stringContaining('There is no technique "juggling"')],
  ])
  expect(() => readOwnTable('sum\n1+2\n')).toThrow('problem')
})

const set: OwnSet = {
  name: 'Chapter 4',
  technique: 'subtract-hold-drop',
  problems: [
    { expression: '8341-3675' },
    { expression: '36*52', technique: 'multiply-crosswise' },
    { expression: 'gcf(36,48)' },
  ],
}

test('a set is sent as a file and read back the same, and as a table', () => {
  const { name, technique, lines } = readOwnFile(writeOwnFile(set))
  expect({ name, technique, problems: lines.map((l) => 'problem' in l && l.problem) }).toEqual(set)
  expect(readOwnTable(writeOwnTable(set)).map((l) => 'problem' in l && l.problem)).toEqual(set.problems)
  const changed = (change: object) => JSON.stringify({ ...JSON.parse(writeOwnFile(set)), ...change })
  for (const bad of [
    '{',
    '[]',
    changed({ format: 'other' }),
    changed({ version: 2 }),
    changed({ name: '' }),
    changed({ more: 1 }),
  ])
    expect(() => readOwnFile(bad), bad).toThrow('no file of problems')
  expect(() => readOwnFile(changed({ technique: 'juggling' }))).toThrow('no technique')
  // Whoever sent it may have written anything: each problem is read like a typed one.
  const spoilt = readOwnFile(changed({ problems: [{ expression: '1+' }, { expression: '2+3' }] })).lines
  expect(spoilt.map(taken)).toEqual([expect.stringContaining('ends here'), '2+3'])
})

test('worked by its own technique, else by the one chosen where it fits, else by the best', () => {
  const listed = set.problems.map((p) => listedOwn(p, set.technique))
  expect(listed.slice(0, 2).map((l) => l.technique)).toEqual(['subtract-hold-drop', 'multiply-crosswise'])
  expect(listed.map((l) => l.level)).toEqual([0, 0, 0])
  expect(techniqueById(listed[2]!.technique).family).toBe('paper')
  expect(misfitsOf(set)).toBe(1)
  expect(misfitsOf({ ...set, technique: null })).toBe(0)
  // On the frame only where nothing else works it.
  expect(listedOwn({ expression: '63*67' }, null).technique).toBe('multiply-same-head')
  expect(techniqueById(listedOwn({ expression: '364+278' }, null).technique).family).toBe('addition')
})

test('whatever the levels ask can be typed back as it stands, with its answer behind it', () => {
  fc.assert(
    fc.property(fc.constantFrom(...COURSE), fc.nat(), fc.nat(), (technique, level, seed) => {
      const space = levelOf(technique, 1 + (level % technique.levels.length)).problems()
      const problem = space.at(seeded(seed).below(space.size))
      if (problem.kind === 'number' || technique.id === 'flash-sum') return
      const expression = printProblem(problem)
      expect(() => checkOwn({ expression })).not.toThrow()
      expect(all(`12. ${expression}`)).toEqual([expression])
      expect(all(`${expression}=${answerText(problem)}`)).toEqual([expression])
      expect(printProblem(readProblem(expression))).toBe(expression)
    }),
    { numRuns: 200 },
  )
})
