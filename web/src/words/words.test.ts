import { readProblem } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import { plainRecipe, TRIALS, USUAL_PAPER } from '@tachymetra/core/set'
import { expect, test } from 'vitest'
import { practiceNames, practiceWords, problemOf, setName } from './setName.js'
import { spoken } from './spoken.js'
import { aloud, dayName, levelName, levelWords, minutesWords, minuteWords, when } from './words.js'

test.each([
  [0, 'half a minute'],
  [0.46, 'half a minute'],
  [0.74, 'half a minute'],
  [0.75, '1 min'],
  [1.24, '1 min'],
  [1.25, '1½ min'],
  [2.3, '2½ min'],
  [4, '4 min'],
  [12.7, '12½ min'],
])('%s minutes are said as "%s"', (minutes, words) => {
  expect(minutesWords(minutes)).toBe(words)
})

test('right answers a minute have one decimal, and a dash where none was measured', () => {
  expect([7.25, 12, 0].map(minuteWords)).toEqual(['7.\u20603', '12.\u20600', '0.\u20600'])
  expect([null, undefined].map(minuteWords)).toEqual(['–', '–'])
})

test('days and times stand in the zone they are told in', () => {
  // 1 March 2026 was a Sunday.
  expect(dayName('2026-03-01')).toBe('Sun 1 Mar')
  expect(when('2026-03-01T23:30:00Z', 'UTC')).toBe('1 Mar, 23:30')
  expect(when('2026-03-01T23:30:00Z', 'Pacific/Auckland')).toBe('2 Mar, 12:30')
})

test('a level is told by its number, and by its name where it has one', () => {
  const technique = techniqueById('multiply-crosswise')
  expect(levelWords(3)).toBe('level 3')
  expect(levelWords(0)).toBe('own settings')
  const [first] = technique.levels
  expect(levelName({ technique, level: 1 })).toBe(`level 1, ${first!.name.toLowerCase()}`)
  expect(levelName({ technique, level: 0 })).toBe('own settings')
})

test('numbers are heard whole, whatever parts them for the eye', () => {
  expect(aloud('1\u2009234\u2009567 and a\u2009b')).toBe('1234567 and a\u2009b')
})

test.each([
  ['8341-3675', '8341 minus 3675'],
  ['12*34+5', '12 times 34 plus 5'],
  ['2184/6', '2184 divided by 6'],
  ['104^2', '104 squared'],
  ['sqrt(70)', 'root of 70'],
  ['2^10', '2 to the power of 10 is '],
  ['7/8 as %', '7 over 8 as a percentage'],
  ['3 1/2*2', '3 and 1 over 2 times 2'],
  ['8:12 = x:21', '8 to 12 is x to 21'],
  ['next 3, 7, 11, 15', 'Next: 3, 7, 11, 15, and so on'],
  ['12 1/2% of 72', '12 and 1 over 2 percent of 72'],
])('%s is heard as "%s"', (typed, heard) => {
  expect(spoken(readProblem(typed))).toBe(heard.replace(/ is $/, ''))
})

test('a set is called by what was typed for it, by its trial, or by what is practised in it', () => {
  const at = (technique: string, level: number) => ({ kind: 'level', technique, level, count: 2 }) as const
  const recipe = plainRecipe([at('multiply-crosswise', 1), at('add-pairs', 2), at('add-pairs', 2)], 'answer')
  expect(setName(recipe)).toBe(
    'Crosswise, level 1 and Pairs to ten, level 2'.replace('Pairs to ten', techniqueById('add-pairs').name),
  )
  const trial = TRIALS[0]!
  expect(setName({ ...recipe, trial: trial.id })).toBe(trial.name)
  // What a person typed is set apart, so that its numbers are left alone.
  expect(setName({ ...recipe, name: 'Class 5.2' })).toBe('\u2068Class 5.2\u2069')
  const paper = { ...USUAL_PAPER, name: 'Friday 1.5' }
  expect(setName({ ...recipe, paper } as Parameters<typeof setName>[0])).toBe('\u2068Friday 1.5\u2069')
})

test('each source of a set is named once, drills without a level', () => {
  const flash = { kind: 'flash', digits: 1, numbers: 5, minus: false, count: 3 } as const
  const grid = { kind: 'grid', rows: 3, columns: 3, digits: 2, count: 1 } as const
  const own = { kind: 'parameters', technique: 'add-pairs', values: {}, count: 1 } as const
  const facts = { kind: 'facts', facts: ['2+3'] } as const
  const listed = {
    kind: 'listed',
    problems: [{ technique: 'add-pairs', level: 2, expression: '1+2' }, null],
  } as const
  const names = (sources: Parameters<typeof plainRecipe>[0]) => setName(plainRecipe(sources, 'answer'))
  expect(names([flash, flash])).toBe(`${techniqueById('flash-sum').name}, own settings`)
  expect(names([own])).toBe(`${techniqueById('add-pairs').name}, own settings`)
  expect(names([listed])).toBe(`${techniqueById('add-pairs').name}, level 2`)
  for (const drill of [grid, facts]) expect(names([drill])).not.toMatch(/level|settings/)
  expect(
    practiceNames([
      { technique: 'grid', level: 0 },
      { technique: 'grid', level: 0 },
    ]),
  ).toHaveLength(1)
  expect(practiceWords({ technique: 'add-pairs', level: 2 })).toMatch(/, level 2$/)
})

test('the problem of an attempt is written for people; of a drill, what it looks at', () => {
  expect(problemOf({ technique: 'multiply-crosswise', expression: '36*52' })).toBe('36 × 52')
  expect(problemOf({ technique: 'checking', expression: 'nines: 63*67 = 4221' })).toContain('63 × 67')
})
