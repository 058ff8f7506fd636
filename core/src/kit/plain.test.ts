/** What people read is plain: no private words or old turns, and no harder than a ten-year-old reads. */
import { fleschKincaid } from 'flesch-kincaid'
import { syllable } from 'syllable'
import { expect, test } from 'vitest'
import { seeded } from '../number/random.js'
import { median } from '../number/statistics.js'
import { draw } from '../problem/space.js'
import { TECHNIQUES } from '../registry/techniques.js'
import type { Technique } from '../technique/contract.js'
import { trace, variantOf } from '../technique/driver.js'
import { SLIP_NAMES } from '../words/slips.js'
import { unwantedIn } from '../words/unwanted.js'

const MOST = 1000

/** Questions, reasons and remarks of problems drawn from every level, each once. */
function saidBy(technique: Technique): ReadonlySet<string> {
  const said = new Set<string>()
  for (let round = 0; round < 8 && said.size < MOST; round += 1)
    for (const [i, level] of technique.levels.entries()) {
      let left = 4
      for (const problem of draw(level.problems(), seeded(100 * round + i))) {
        for (const step of trace(technique, problem, variantOf(technique, level.variant)).steps)
          for (const text of [step.ask, step.why, ...step.slips().map((s) => s.remark)]) said.add(text)
        left -= 1
        if (left === 0) break
      }
    }
  return new Set([...said].slice(0, MOST))
}

const lessonOf = ({ name, about, lesson, variants, levels }: Technique): readonly string[] => [
  name,
  about,
  ...levels.map((l) => l.name),
  ...variants.flatMap((v) => [v.name, ...Object.values(v.words)]),
  ...(JSON.stringify(lesson).match(/"((?:[^"\\]|\\.)*)"(?!:)/g) ?? []).map(
    (text) => JSON.parse(text) as string,
  ),
]

/** One of many that differ in their numbers only. */
const bare = (text: string) => text.replace(/[\d\u2009.,]*\d/g, '#')

/** Numbers written out: the names of places. */
const PLACES =
  /\b(?:ten|hundred|hundred-)?\s?(?:thousand|million|billion|trillion|quadrillion|quintillion|sextillion|septillion|octillion|nonillion)(?:th)?s?\b/gi

/**
 * The grade of school a text can be read at (Kincaid, Fishburne, Rogers and Chissom 1975); numbers and signs are taken out,
 * which children read too.
 */
function gradeOf(text: string): number | undefined {
  const words = text.replace(PLACES, 'units').replace(/[^\p{L}'’.?!:;,\s-]/gu, ' ')
  const sentences = words.split(/[.?!:;]/).filter((s) => /\p{L}{2}/u.test(s))
  const all = words.match(/\p{L}[\p{L}'’-]*/gu) ?? []
  if (all.length < 3) return undefined
  const syllables = all.reduce((sum, word) => sum + syllable(word), 0)
  return fleschKincaid({ sentence: Math.max(1, sentences.length), word: all.length, syllable: syllables })
}

test.each(TECHNIQUES.map((t) => [t.id, t] as const))('%s speaks plainly', (_, technique) => {
  const said = saidBy(technique)
  expect(said.size).toBeGreaterThan(40)
  const found = [...said, ...lessonOf(technique)].flatMap((text) =>
    [...unwantedIn(text), ...ids.filter((id) => text.includes(id))].map((turn) => `${turn}: ${bare(text)}`),
  )
  expect([...new Set(found)]).toEqual([])
  const grades = [...said].flatMap((text) => gradeOf(text) ?? []).sort((a, b) => a - b)
  expect(median(grades)!).toBeLessThanOrEqual(5)
  const hard = [...said].filter((text) => (gradeOf(text) ?? 0) > 8).map(bare)
  expect([...new Set(hard)]).toEqual([])
})

/** What things are called in the code, where that is no word of the language. */
const ids = [...TECHNIQUES.map((t) => t.id), ...Object.keys(SLIP_NAMES)].filter((id) => id.includes('-'))

test('unwanted turns are found as whole words, however they are written', () => {
  expect(unwantedIn('It leans on nothing; that Slip is not it.')).toEqual(['leans on', 'is not it', 'slip'])
  expect(unwantedIn('Slippery dialects cleaned the school-yard')).toEqual(['school'])
  expect(unwantedIn('You forgot to carry 1.')).toEqual([])
})
