import { readdirSync, readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { seeded } from '../number/random.js'
import { median } from '../number/statistics.js'
import { readProblem } from '../problem/expression.js'
import { techniqueById } from '../registry/techniques.js'
import { answers } from './answers.js'
import { countingSteps, Examinee, type Mind } from './examinee.js'
import { EXAMINEES } from './kinds.js'

const MIND: Mind = {
  countMs: 500,
  recallMs: 1000,
  carryMs: 800,
  lookMs: 0,
  handMs: 0,
  scatter: 0,
  knows: 0,
  gain: 0.5,
  halfLife: 4,
  steadier: 2,
  slips: 0,
  newness: 1,
  wears: 10,
  transfer: 0,
  forgets: 20,
  moods: 0,
  tires: 0,
  patienceMs: 1e9,
  attends: 1,
}
const of = (some: Partial<Mind> = {}, seed = 1) => new Examinee({ ...MIND, ...some }, seeded(seed))
const technique = techniqueById('add-running-total')
const problem = readProblem('364+278')

test('examiners know nothing of what they examine', () => {
  const files = readdirSync(import.meta.dirname).filter((f) => !f.includes('.test.'))
  for (const file of files)
    expect(readFileSync(`${import.meta.dirname}/${file}`, 'utf8'), file).not.toMatch(
      /from '\.\.\/(diagnose|learner|plan|curriculum|session|simulate|report)\//,
    )
  expect(EXAMINEES.filter((k) => k.heldOut).length).toBe(EXAMINEES.length / 3)
})

test('a fact is counted out until it is known, fades when left, and holds longer after spaced recalls', () => {
  expect(['7+8', '13-6', '9-7', '6x7', 'c10:4'].map(countingSteps)).toEqual([7, 6, 2, 9, 3])
  const timesOn = (days: readonly number[]) =>
    Array.from({ length: 200 }, (_, seed) => {
      const examinee = of({}, seed)
      return days.map((day) => examinee.recall('7+8', day).thinkMs)
    })
  const share = (all: readonly (readonly number[])[], i: number) =>
    all.filter((t) => t[i] === 1000).length / all.length
  const massed = timesOn([1, 1, 1, 1, 1, 1, 1, 1, 30])
  expect(massed.every((t) => t[0] === 1000 + 7 * 500)).toBe(true)
  // Seven answers of a half each: recalled in 1 − e^−3.5.
  expect(share(massed, 7)).toBeGreaterThan(0.94)
  const spaced = timesOn([1, 1, 1, 1, 3, 6, 10, 16, 38])
  // As long after the last of them, what was spaced is left in more of them.
  expect(share(spaced, 8)).toBeGreaterThan(share(massed, 8) + 0.2)
  expect(share(massed, 8)).toBeLessThan(0.3)
})

test('a technique wears in, may stand still or jump, helps its kindred, and is lost when left alone', () => {
  // The fact is known, so that only the way through counts.
  const after = (some: Partial<Mind>, problems: number, days = 0, other = technique.id) => {
    const times = Array.from({ length: 9 }, (_, seed) => {
      const examinee = of({ knows: 1, gain: 0, ...some }, seed)
      examinee.work(techniqueById(other), readProblem('12+34'), true, 1)
      for (let i = 0; i < problems; i += 1) examinee.work(technique, readProblem('12+34'), true, 1)
      return examinee.work(techniqueById(other), problem, true, 1 + days).totalMs
    })
    return median(times)!
  }
  expect(after({}, 10)).toBeLessThan(0.85 * after({}, 0))
  expect(after({}, 60, 60)).toBeGreaterThan(1.1 * after({}, 60))
  expect(after({ plateau: [2, 100] }, 30)).toBeGreaterThan(1.2 * after({}, 30))
  expect(after({ jump: { after: 20, share: 0.3 } }, 30)).toBeLessThan(0.9 * after({}, 30))
  const kindred = after({ transfer: 0.8 }, 30, 0, 'add-place-sweep')
  expect(kindred).toBeLessThan(0.9 * after({ transfer: 0 }, 30, 0, 'add-place-sweep'))
})

test('what takes too long is left; slips are those of the step; days without practice are kept', () => {
  const hurried = of({ patienceMs: 10 }).work(technique, problem, false, 1)
  expect(hurried).toMatchObject({ skipped: true, right: false })
  const careless = of({ slips: 1 }).work(technique, problem, true, 1)
  for (const { step, slip } of careless.steps) expect(step.slips()).toContainEqual(slip)
  const away = of({ attends: 0.5, away: [3, 400] })
  expect(Array.from({ length: 400 }, (_, i) => away.comes(i + 1)).lastIndexOf(true)).toBeLessThan(2)
  const often = of({ attends: 0.7 })
  const came = Array.from({ length: 1000 }, (_, i) => often.comes(i + 1)).filter(Boolean).length
  expect(came / 1000).toBeCloseTo(0.7, 1)
})

test('a stream of answers has the accuracy, pace and skips it is made with', () => {
  const stream = answers({ right: 0.85, pace: 1.1, scatter: 0.3, skips: 0.5 }, 4000, seeded(3))
  const given = Array.from({ length: 4000 }, () => stream.next().value)
  expect(given.filter((a) => a.right).length / given.length).toBeCloseTo(0.85, 1)
  expect(median(given.map((a) => a.totalMs))! / 4400).toBeCloseTo(1, 1)
  expect(given.filter((a) => a.skipped).length / given.length).toBeCloseTo(0.075, 1)
  expect(given.some((a) => a.skipped && a.right)).toBe(false)
})

test('who is only asked learns nothing by it, and answers as on an ordinary day', () => {
  const mind = { newness: 2, wears: 5, knows: 0.5, scatter: 0.2, moods: 0.5, tires: 0.2 }
  const [one, other] = [of(mind), of(mind)]
  for (let i = 0; i < 6; i += 1) for (const e of [one, other]) e.work(technique, problem, false, 1)
  const asked = Array.from({ length: 40 }, (_, i) => one.wouldWork(technique, problem, seeded(i), 2))
  expect(
    median(asked.slice(0, 20).map((w) => w.totalMs))! / median(asked.slice(20).map((w) => w.totalMs))!,
  ).toBeCloseTo(1, 0)
  for (let day = 2; day < 5; day += 1)
    expect(one.work(technique, problem, false, day).steps.map((s) => s.ms)).toEqual(
      other.work(technique, problem, false, day).steps.map((s) => s.ms),
    )
})
