import { expect, test } from 'vitest'
import { type Answering, answers as stream } from '../examiners/answers.js'
import { marked } from '../number/marks.js'
import { seeded } from '../number/random.js'
import { median } from '../number/statistics.js'
import { levelReasonWords } from '../words/levels.js'
import {
  adviseLevel,
  aimFor,
  aimOf,
  evidenceOf,
  type LatestAnswer,
  LEVEL_RULES,
  rulesOfOlder,
} from './levels.js'

/** Newest first: r right in time, s right but slow, w wrong, i right but left alone (not timed). */
const answers = (marks: string): LatestAnswer[] =>
  [...marks].map((m) => ({
    right: m !== 'w',
    timed: m !== 'i' && m !== 'w',
    totalMs: m === 's' ? 9000 : 3000,
  }))

test.each([
  [
    'r'.repeat(17),
    'up',
    marked('Of the last 17 answers 17 were right, the median 3.0 s: 13 to 1 that this level is yours'),
  ],
  ['r'.repeat(16), 'hold', 'About 1 more right and you move up.'],
  ['', 'hold', 'No answers at this level yet. About 17 more right'],
  [`${'r'.repeat(12)}w${'r'.repeat(4)}`, 'hold', 'Likely so far: right often enough'],
  ['s'.repeat(30), 'hold', 'within the target under 1 in 10. Right often enough, but not yet quick enough.'],
  ['i'.repeat(30), 'hold', 'not timed'],
  ['wwwww', 'back', 'Of the last 5 answers 0 were right: 65 to 1 that a level back is better now.'],
  ['wwww', 'hold', ''],
  // What lies far back is outweighed, either way.
  [`${'r'.repeat(34)}${'w'.repeat(40)}`, 'up', ''],
  [`wwwwww${'r'.repeat(34)}`, 'back', ''],
] as const)('%s: %s', (marks, move, because) => {
  const advice = adviseLevel(answers(marks), 5000)
  expect(advice.move).toBe(move)
  expect(levelReasonWords(advice.reason)).toContain(because)
  expect(levelReasonWords(advice.reason, true)).not.toMatch(/ s\b|\d\.\d/)
})

test('evidence is the logarithm of Wald’s ratio, answer by answer, and stays within its bounds', () => {
  const { good, poor, odds } = LEVEL_RULES
  const of = (marks: string) => evidenceOf(answers(marks), 5000, LEVEL_RULES)
  expect(of('rrrrr').right).toBeCloseTo(5 * Math.log(good / poor), 10)
  // Newest first: the wrong one came last.
  expect(of('wrrrrr').right).toBeCloseTo(5 * Math.log(good / poor) + Math.log((1 - good) / (1 - poor)), 10)
  expect(of('w'.repeat(40)).right).toBeCloseTo(-Math.log(odds), 10)
  expect(of('rr').hard).toBe(0)
  // A wrong answer says nothing of the pace, nor does one that was left alone.
  expect(of('wwii').pace).toBe(0)
  expect(of('s').pace!).toBeLessThan(0)
  expect(evidenceOf(answers('rrr'), undefined, LEVEL_RULES).pace).toBe(undefined)
})

/** What becomes of somebody within so many answers, over seeds that the rule was not made with. */
function judged(who: Answering, most = 60) {
  const [ups, backs]: [number[], number[]] = [[], []]
  const people = 150
  for (let seed = 0; seed < people; seed += 1) {
    const given = stream(who, 4000, seeded(90_000 + seed))
    let latest: LatestAnswer[] = []
    for (let n = 1; n <= most; n += 1) {
      const { right, skipped, totalMs } = given.next().value
      latest = [{ right, timed: !skipped, totalMs }, ...latest]
      const { move } = adviseLevel(latest, 4000)
      if (move === 'hold') continue
      ;(move === 'up' ? ups : backs).push(n)
      break
    }
  }
  const all = [...ups, ...Array<number>(people - ups.length).fill(most + 1)]
  return { up: ups.length / people, back: backs.length / people, median: median(all)! }
}

test('somebody sure goes up soon; by chance hardly anybody does, and skipping what fails does not help', () => {
  const sure = judged({ right: 0.97, pace: 0.8, scatter: 0.3 })
  expect(sure.median).toBeLessThanOrEqual(17)
  expect(judged({ right: 0.85, pace: 0.8, scatter: 0.3 }).up).toBeLessThanOrEqual(0.12)
  expect(judged({ right: 0.98, pace: 1.1, scatter: 0.3 }).up).toBeLessThanOrEqual(0.1)
  expect(judged({ right: 0.65, pace: 0.8, scatter: 0.3, skips: 1 }).up).toBe(0)
  // Nobody who is right often is sent back, and whoever fails half of the time is.
  expect(judged({ right: 0.95, pace: 1.5, scatter: 0.3 }).back).toBeLessThan(0.02)
  expect(judged({ right: 0.5, pace: 0.8, scatter: 0.3 }).back).toBeGreaterThan(0.95)
})

test('without a time limit right answers alone move up, and nothing is said of time', () => {
  const advised = (marks: string) => {
    const { move, reason } = adviseLevel(answers(marks), undefined)
    return [move, levelReasonWords(reason)]
  }
  expect(advised('s'.repeat(17))).toEqual([
    'up',
    'Of the last 17 answers 17 were right: 13 to 1 that this level is yours.',
  ])
  expect(advised('i'.repeat(17))[0]).toBe('up')
  expect(advised('rrr')).toEqual([
    'hold',
    'Of the last 3 answers 3 were right. Likely so far: right often enough 6 in 10. About 14 more right and you move up.',
  ])
  expect(advised('w'.repeat(10))[0]).toBe('back')
  // Neither the usual target nor one of the learner's own holds.
  const targets = { 'add-pairs': { 2: 4500 } }
  expect(aimOf({ targets, extraTime: null }, 'add-pairs', 2)).toBe(undefined)
  expect(aimOf({ targets, extraTime: 2 }, 'add-pairs', 2)).toBe(4500)
  expect(aimOf({ targets: {}, extraTime: 2 }, 'add-pairs', 2)).toBe(
    2 * aimOf({ targets: {} }, 'add-pairs', 2)!,
  )
})

test('whoever is slower than the usual target aims at a tenth less than their own pace, then at the pace they keep', () => {
  const usual = aimOf({ targets: {} }, 'add-pairs', 2)!
  const at = (...times: number[]): LatestAnswer[] =>
    times.map((share) => ({ right: true, timed: true, totalMs: Math.round(share * usual) })).reverse()
  const aim = (latest: LatestAnswer[], more = {}) =>
    aimFor({ targets: {}, ...more }, 'add-pairs', 2, latest)! / usual
  expect(aim([])).toBe(1)
  expect(aim(at(3, 3, 3, 3))).toBe(1)
  expect(aim(at(3, 3, 3, 3, 3))).toBeCloseTo(2.7, 1)
  // Who is quick enough has the usual one, and nothing is aimed for below it.
  expect(aim(at(...Array(12).fill(0.8)))).toBe(1)
  // It stands while the pace falls, tightens as the first answers lie too far back, and ends at the usual one.
  expect(aim(at(...Array(10).fill(3), ...Array(15).fill(2)))).toBeCloseTo(2.7, 1)
  expect(aim(at(...Array(10).fill(3), ...Array(38).fill(2)))).toBeLessThan(2.3)
  expect(aim(at(...Array(10).fill(3), ...Array(40).fill(1)))).toBeLessThan(1.2)
  // Thirty answers at the same pace are that pace.
  expect(aim(at(...Array(30).fill(3)))).toBeCloseTo(3.3, 1)
  // What is wrong or was left alone says nothing of pace; by hand is by hand; extra time lengthens the usual one.
  const slow = at(3, 3, 3, 3, 3)
  expect(aim(slow.map((a) => ({ ...a, right: false })))).toBe(1)
  expect(aim(slow, { targets: { 'add-pairs': { 2: 1000 } } })).toBeCloseTo(1000 / usual, 5)
  expect(aim(slow, { extraTime: 4 })).toBe(4)
  expect(aimFor({ targets: {}, extraTime: null }, 'add-pairs', 2, slow)).toBe(undefined)
})

test('somebody slow but sure moves up too, and somebody slow who is often wrong does not', () => {
  const ups = (right: number) => {
    const people = 100
    let up = 0
    for (let seed = 0; seed < people; seed += 1) {
      const usual = aimOf({ targets: {} }, 'add-pairs', 2)!
      const given = stream({ right, pace: 2.5, scatter: 0.35 }, usual, seeded(50_000 + seed))
      let latest: LatestAnswer[] = []
      for (let n = 0; n < 90; n += 1) {
        const { right: good, totalMs } = given.next().value
        latest = [{ right: good, timed: true, totalMs }, ...latest]
        if (adviseLevel(latest, aimFor({ targets: {} }, 'add-pairs', 2, latest)).move !== 'up') continue
        up += 1
        break
      }
    }
    return up / people
  }
  expect(ups(0.98)).toBeGreaterThan(0.85)
  expect(ups(0.8)).toBeLessThan(0.1)
})

test('calm words keep what is lacking and leave the seconds out', () => {
  const words = (marks: string) => levelReasonWords(adviseLevel(answers(marks), 5000).reason, true)
  expect(words('r'.repeat(17))).toBe(
    'Of the last 17 answers 17 were right: 13 to 1 that this level is yours.',
  )
  expect(words('s'.repeat(17))).toContain('Right often enough, but not yet quick enough.')
})

test('rules of earlier versions ask for as many right answers in a row as before', () => {
  expect(rulesOfOlder({ upOf: 20, upRight: 19 })).toBe(LEVEL_RULES)
  for (const upOf of [5, 10, 25]) {
    const rules = rulesOfOlder({ upOf, upRight: upOf })
    const enough = Array.from({ length: 40 }, (_, i) => i + 1).find(
      (n) => adviseLevel(answers('r'.repeat(n)), undefined, rules).move === 'up',
    )!
    expect(Math.abs(enough - upOf)).toBeLessThanOrEqual(1)
  }
})
