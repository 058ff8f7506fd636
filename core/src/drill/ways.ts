/**
 * Which way would you take? A problem and some ways, of which one or more need the least effort in the head; others need
 * more, or do not fit. Written "multiply-same-head multiply-crosswise: 63*67".
 */
import { present } from '../number/present.js'
import type { Random } from '../number/random.js'
import { InputError } from '../problem/error.js'
import { printProblem, problemWords, readProblem } from '../problem/expression.js'
import type { Problem } from '../problem/problem.js'
import { draw } from '../problem/space.js'
import { choiceOf } from '../question/kind.js'
import { levelOf, TECHNIQUES, techniqueById } from '../registry/techniques.js'
import type { Technique } from '../technique/contract.js'
import { type Trace, trace, variantOf } from '../technique/driver.js'
import { effortOf } from '../technique/effort.js'
import { WAYS_TO_TAKE } from '../words/drill.js'
import type { DrillItem } from './drill.js'

/** A way to choose, with what it takes; undefined work where it does not fit. */
export interface WayToTake {
  readonly technique: Technique
  readonly work: Trace | undefined
  readonly effort: number
}

/** A problem, and the ways to choose from. */
export interface WayItem extends DrillItem {
  /** The problem itself. */
  readonly problem: Problem
  /** The ways to choose from, each with its effort. */
  readonly ways: readonly WayToTake[]
}

/** Efforts so near are not told apart. */
const NEAR = 1
const MOST_WAYS = 5

/** @throws InputError for a text that names no ways, twice the same, or none that fits */
export function readWays(text: string): WayItem {
  const [ids = '', expression = ''] = text.split(': ')
  const problem = readProblem(expression)
  const named = ids.split(' ')
  if (named.length < 2 || named.length > MOST_WAYS || new Set(named).size < named.length)
    throw new InputError(`"${ids.slice(0, 60)}" is no choice of ways.`)
  const ways = named.map((id): WayToTake => {
    const technique = techniqueById(id)
    const work = technique.fits(problem).fits ? trace(technique, problem, variantOf(technique)) : undefined
    return { technique, work, effort: work ? effortOf(work).total : Number.POSITIVE_INFINITY }
  })
  const least = Math.min(...ways.map((w) => w.effort))
  const best = ways.find((w) => w.effort === least)
  if (!best?.work) throw new InputError(`None of these ways fits ${expression}.`)
  const good = new Set(ways.filter((w) => w.effort <= least + NEAR).map((w) => w.technique.id))
  return {
    problem,
    ways,
    says: problemWords(problem),
    inOrder: true,
    questions: [
      {
        ask: WAYS_TO_TAKE.ask,
        kind: choiceOf(ways.map((w) => ({ id: w.technique.id, name: w.technique.name }))),
        expect: best.technique.id,
        also: (id: string) => good.has(id),
      },
    ],
  }
}

/** A problem of one of the ways at its level, with the others to choose from: those that fit first. @param known with two of one family */
export function randomWays(
  known: readonly { readonly technique: string; readonly level: number }[],
  random: Random,
): string {
  const some = known.filter((a) => hasKin(a, known))
  const from = present(some[Number(random.below(BigInt(some.length)))])
  const technique = techniqueById(from.technique)
  const problem = present(draw(levelOf(technique, from.level).problems(), random).next().value)
  const others = known.map((k) => techniqueById(k.technique)).filter((t) => t !== technique)
  const fit = others.filter((t) => t.fits(problem).fits)
  // A way of the same family that does not fit has to be seen through; of another it is no temptation.
  const misfit = others.filter((t) => !fit.includes(t) && kin(t, technique))
  const chosen = new Set([technique, ...fit.slice(0, MOST_WAYS - 2), ...misfit].slice(0, MOST_WAYS))
  const ids = TECHNIQUES.filter((t) => chosen.has(t)).map((t) => t.id)
  return `${ids.join(' ')}: ${printProblem(problem)}`
}

/** Squares are products too; each kind of a paper is by itself. */
function kin(a: Technique, b: Technique): boolean {
  if (a.family === 'paper' || b.family === 'paper') return false
  const family = ({ family }: Technique) => (family === 'squares' ? 'multiplication' : family)
  return family(a) === family(b)
}

/** Is there another of its family among them? */
function hasKin(a: Named, known: readonly Named[]): boolean {
  return known.some(
    (b) => b.technique !== a.technique && kin(techniqueById(a.technique), techniqueById(b.technique)),
  )
}

interface Named {
  readonly technique: string
}

/** Can a choice be made among these: are there two of one family? */
export function areWaysToChoose(known: readonly Named[]): boolean {
  return known.some((a) => hasKin(a, known))
}

/** What is said to a way that takes more, or does not fit. */
export function wayRemark({ problem, ways }: WayItem, chosen: string): string {
  const way = present(ways.find((w) => w.technique.id === chosen))
  const fit = way.technique.fits(problem)
  if (!fit.fits) return WAYS_TO_TAKE.misfit(way.technique.name, fit.because)
  const best = ways.reduce((least, w) => (w.effort < least.effort ? w : least))
  return WAYS_TO_TAKE.lighter(way.technique.name, way.effort, best.technique.name, best.effort)
}

/**
 * What a choice costs by somebody's own times, in a sentence; undefined where nothing is foreseen of it, or it does not fit.
 * @param ms what each way is likely to take, in the order of the item's ways
 */
export function choiceCosts(
  { ways }: WayItem,
  chosen: string,
  ms: readonly (number | undefined)[],
): string | undefined {
  const timed = ways.flatMap(({ technique }, i) => (ms[i] === undefined ? [] : [{ technique, ms: ms[i] }]))
  const own = timed.find((t) => t.technique.id === chosen)
  const best = timed.toSorted((a, b) => a.ms - b.ms)[0]
  if (!own || !best) return undefined
  return own === best
    ? WAYS_TO_TAKE.least(own.technique.name)
    : WAYS_TO_TAKE.costs(own.technique.name, own.ms - best.ms, best.technique.name)
}
