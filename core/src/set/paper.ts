/**
 * The number-sense paper: mixed items against one clock. A paper is a set whose list is drawn once, when it begins, and
 * kept with it; how it was set up stands beside the list, so that papers of one kind can be compared over time.
 */

import { toWords } from '../number/decimal.js'
import { fraction, fractionOf, roundedOf, times } from '../number/fraction.js'
import { present } from '../number/present.js'
import { type Random, seeded } from '../number/random.js'
import { PAPER_KINDS } from '../paper/kinds.js'
import { InputError } from '../problem/error.js'
import { printProblem } from '../problem/expression.js'
import { answerOf, type Problem } from '../problem/problem.js'
import { asDecimal } from '../question/value.js'
import { type CourseId, levelOf, techniqueById } from '../registry/techniques.js'
import type { Technique } from '../technique/contract.js'
import { ESTIMATE } from '../words/paper/measures.js'
import type { ListedProblem, Marks, Recipe } from './recipe.js'

/** How a paper is set up. */
export interface PaperSetup {
  /** What it is called, as it was typed. */
  readonly name: string
  /** How many items. */
  readonly count: number
  /** Time for all of it, in milliseconds. */
  readonly ms: number
  /** Points for each item. */
  readonly marks: Marks
  /** Kinds left out of the usual mixture, by id. */
  readonly without: readonly string[]
  /** May one go back to what was skipped? */
  readonly back: boolean
}

/**
 * 80 items in 10 minutes (common practice, no published source); five points an item right, four off for one wrong or
 * skipped before the last one tried (from memory).
 */
export const USUAL_PAPER: PaperSetup = {
  name: 'Paper',
  count: 80,
  ms: 600_000,
  marks: { right: 5, wrong: -4, blank: 0, skipped: -4 },
  without: [],
  back: false,
}

/** Least and most of what can be set for a paper. */
export const PAPER_LIMITS = { count: [1, 200], minutes: [1, 120], marks: [-20, 20] } as const

/**
 * Techniques of the course that serve kinds of a paper, with the levels that are short enough and answered in full, in the order
 * their kinds are drawn; none of the others.
 */
const ALSO: Readonly<Record<CourseId, readonly number[]>> = {
  'add-blocks': [4, 3, 5, 6, 7],
  'subtract-blocks': [5, 3, 7, 6],
  'add-running-total': [15],
  'subtract-round-up': [2, 4, 5, 7],
  'multiply-repunit': [2, 4, 6, 7],
  'multiply-by-nines': [1, 2, 3, 6, 7],
  'multiply-same-head': [1, 2, 3, 4],
  'multiply-double-halve': [2, 3, 6],
  'multiply-common-factor': [1, 2, 4, 5],
  'multiply-subtraction': [2, 5, 8, 10],
  'divide-short': [1, 2, 3, 6],
  'square-ending-five': [1, 2, 3],
  'square-near-base': [2, 3, 4, 5],
  'root-duplex': [1],
  'add-place-sweep': [],
  'add-pairs': [],
  'add-columns-left': [],
  'add-column-totals': [],
  'add-compensation': [],
  'subtract-hold-drop': [],
  'subtract-complement': [],
  'multiply-addition': [],
  'multiply-factors': [],
  'multiply-crosswise': [],
  'multiply-complement-repdigit': [],
  'multiply-near-base': [],
  'square-round-balance': [],
  'square-duplex': [],
  'root-estimate': [],
  'soroban-read': [],
  'soroban-set': [],
  'soroban-add': [],
  'soroban-multiply': [],
  'flash-sum': [],
}

/** A kind that positions of a paper draw from, its levels from easy to hard. */
export interface PoolKind {
  readonly technique: Technique
  readonly levels: readonly number[]
}

/** Every kind of the usual mixture, in teaching order. */
export const PAPER_POOL: readonly PoolKind[] = [
  ...Object.entries(ALSO)
    .filter(([, levels]) => levels.length > 0)
    .map(([id, levels]) => ({ technique: techniqueById(id), levels })),
  ...PAPER_KINDS.map((technique) => ({ technique, levels: technique.levels.map((_, i) => i + 1) })),
]

/** Items to be estimated come at every tenth place, marked with a star (common practice, no published source). */
const STARRED = 'paper-estimate'
const STAR_EVERY = 10

/** Is an item one to be estimated? */
export const isStarred = ({ technique }: Pick<ListedProblem, 'technique'>): boolean => technique === STARRED

/** How often another problem is drawn in place of one that the paper has already, before another kind is taken. */
const MOST_TRIES = 20

/**
 * The items of a paper, easy ones first: every kind comes once before any comes again, none twice with the same problem.
 * @throws InputError where every kind is left out, or no more problems are to be had
 */
export function drawPaper(
  { count, without }: Pick<PaperSetup, 'count' | 'without'>,
  seed: number,
): ListedProblem[] {
  const pool = PAPER_POOL.filter((k) => !without.includes(k.technique.id))
  if (pool.length === 0) throw new InputError('A paper needs at least one kind.')
  const random = seeded(seed)
  const star = pool.find((k) => k.technique.id === STARRED)
  const others = pool.length > 1 ? pool.filter((k) => k !== star) : pool
  const bag = new Bag(others, random)
  const seen = new Set<string>()
  return Array.from({ length: count }, (_, i) => {
    const share = count > 1 ? i / (count - 1) : 0
    const starred = star !== undefined && (i + 1) % STAR_EVERY === 0
    for (let turn = 0; turn <= 2 * pool.length; turn += 1) {
      const kind = starred && turn === 0 ? star : bag.next()
      const found = oneOf(kind, share, seen, random)
      if (found) return found
    }
    throw new InputError('There are not so many different items: take more kinds or fewer items.')
  })
}

/** Things in random order, all of them before any comes again. */
class Bag<T> {
  private left: T[] = []

  constructor(
    private readonly all: readonly T[],
    private readonly random: Random,
  ) {}

  next(): T {
    if (this.left.length === 0) this.left = [...this.all]
    return present(this.left.splice(Number(this.random.below(BigInt(this.left.length))), 1)[0])
  }
}

/** A problem of a kind that is not on the paper yet, at the level of its place; undefined where none is found. */
function oneOf(kind: PoolKind, share: number, seen: Set<string>, random: Random): ListedProblem | undefined {
  const { technique, levels } = kind
  const level = present(levels[Math.min(levels.length - 1, Math.floor(share * levels.length))])
  const space = levelOf(technique, level).problems()
  for (let i = 0; i < MOST_TRIES; i += 1) {
    const expression = printProblem(space.at(random.below(space.size)))
    if (seen.has(expression)) continue
    seen.add(expression)
    return { technique: technique.id, level, expression }
  }
  return undefined
}

/** The recipe of a paper that begins now. @throws InputError as `drawPaper` does */
export function paperRecipe(setup: PaperSetup, seed: number): Recipe {
  const { count: _, ms, marks, ...paper } = setup
  return {
    sources: [{ kind: 'listed', problems: drawPaper(setup, seed) }],
    order: 'listed',
    clock: { kind: 'whole', ms },
    support: 'answer',
    answers: 'at-end',
    marks,
    paper,
  }
}

/** The setup a paper was made of. */
export function setupOf(recipe: Recipe): PaperSetup | undefined {
  const { paper, marks, clock } = recipe
  if (!paper || !marks || clock.kind !== 'whole') return undefined
  return { ...paper, marks, ms: clock.ms, count: listOf(recipe).length }
}

/** The items of a paper as they are listed. */
export function listOf({ sources: [source] }: Recipe): readonly ListedProblem[] {
  return source?.kind === 'listed' ? source.problems.flatMap((p) => p ?? []) : []
}

/** An answer to an item of a paper, or that it was skipped. */
export interface PaperAnswer {
  /** Which item, from 1. */
  readonly n: number
  readonly outcome: 'done' | 'skipped' | 'timed-out' | 'stopped'
  readonly right: boolean
}

/** What became of one item: `blank` is one that was not reached, or left when the time was up. */
export type ItemMark = 'right' | 'wrong' | 'skipped' | 'blank'

export interface PaperScore {
  readonly points: number
  readonly right: number
  /** Answered, rightly or not. */
  readonly tried: number
  /** Each item's mark, in order. */
  readonly marks: readonly ItemMark[]
}

/**
 * What a paper comes to: of several answers to one item the last counts, and what was skipped counts only before the last
 * item that was tried.
 */
export function paperScore(recipe: Recipe, answers: readonly PaperAnswer[]): PaperScore {
  const count = listOf(recipe).length
  const { marks: points } = recipe
  const given = new Map<number, PaperAnswer>()
  for (const answer of answers)
    if (answer.outcome === 'done' || !given.has(answer.n)) given.set(answer.n, answer)
  const last = Math.max(0, ...[...given.values()].flatMap((a) => (a.outcome === 'done' ? [a.n] : [])))
  const marks = Array.from({ length: count }, (_, i): ItemMark => {
    const answer = given.get(i + 1)
    if (answer?.outcome === 'done') return answer.right ? 'right' : 'wrong'
    return i + 1 < last ? 'skipped' : 'blank'
  })
  const each = { right: 0, wrong: 0, blank: 0, skipped: points?.blank ?? 0, ...points }
  return {
    marks,
    points: marks.reduce((sum, mark) => sum + each[mark], 0),
    right: marks.filter((m) => m === 'right').length,
    tried: marks.filter((m) => m === 'right' || m === 'wrong').length,
  }
}

/** How one kind went on a paper, or on several. */
export interface KindResult {
  readonly technique: string
  readonly items: number
  readonly right: number
  readonly wrong: number
  readonly skipped: number
  /** Points that were lost on it. */
  readonly lost: number
}

/** The kinds of a paper that were reached, those that cost most points first. */
export function byKind(recipe: Recipe, { marks }: PaperScore): readonly KindResult[] {
  const points = recipe.marks ?? { right: 1, wrong: 0, blank: 0 }
  const found = new Map<string, KindResult>()
  for (const [i, { technique }] of listOf(recipe).entries()) {
    const mark = present(marks[i])
    if (mark === 'blank') continue
    const before = found.get(technique) ?? { technique, items: 0, right: 0, wrong: 0, skipped: 0, lost: 0 }
    const got =
      mark === 'right' ? points.right : mark === 'wrong' ? points.wrong : (points.skipped ?? points.blank)
    found.set(technique, {
      ...before,
      items: before.items + 1,
      [mark]: before[mark] + 1,
      lost: before.lost + points.right - got,
    })
  }
  return [...found.values()].sort((a, b) => b.lost - a.lost)
}

/** A kind that went badly on the latest papers. */
export interface WeakKind {
  readonly technique: string
  /** The hardest level at which an item was missed. */
  readonly level: number
  readonly missed: number
  readonly of: number
}

/** The kinds of which half and more were missed on some papers, those that cost most points first. */
export function weakKinds(
  papers: readonly { readonly recipe: Recipe; readonly answers: readonly PaperAnswer[] }[],
): readonly WeakKind[] {
  const found = new Map<string, WeakKind & { readonly lost: number }>()
  for (const { recipe, answers } of papers) {
    const score = paperScore(recipe, answers)
    const list = listOf(recipe)
    for (const { technique, items, right, lost } of byKind(recipe, score)) {
      const levels = list.flatMap((p, i) =>
        p.technique === technique && ['wrong', 'skipped'].includes(present(score.marks[i])) ? [p.level] : [],
      )
      const before = found.get(technique) ?? { technique, level: 1, missed: 0, of: 0, lost: 0 }
      found.set(technique, {
        technique,
        level: Math.max(before.level, ...levels),
        missed: before.missed + items - right,
        of: before.of + items,
        lost: before.lost + lost,
      })
    }
  }
  return [...found.values()]
    .filter((k) => k.missed > 0 && 2 * k.missed >= k.of)
    .sort((a, b) => b.lost - a.lost)
    .map(({ lost: _, ...kind }) => kind)
}

/** Kinds drilled at once after a paper, at most. */
const MOST_DRILLED = 3
const DRILLED_EACH = 4

/** What cost most, as a set: those kinds by themselves, at the levels they stood at. Undefined where nothing was lost. */
export function drillOfCostliest(recipe: Recipe, score: PaperScore): Recipe | undefined {
  const costly = byKind(recipe, score)
    .filter((k) => k.lost > 0)
    .slice(0, MOST_DRILLED)
  if (costly.length === 0) return undefined
  const lost = (technique: string) =>
    present(
      listOf(recipe).find(
        (p, i) => p.technique === technique && ['wrong', 'skipped'].includes(present(score.marks[i])),
      ),
    )
  return {
    sources: costly.map(({ technique }) => ({
      kind: 'level',
      technique,
      level: lost(technique).level,
      count: DRILLED_EACH,
    })),
    order: 'listed',
    clock: { kind: 'none' },
    support: 'guided',
    answers: 'at-once',
  }
}

/** What was right of an estimate, in words: the exact value and the band about it. Undefined for anything else. */
export function estimateBand(problem: Problem): string | undefined {
  if (problem.kind !== 'item' || problem.form !== 'estimate') return undefined
  const exact = fractionOf(present(asDecimal(answerOf(problem))))
  const at = (hundredths: bigint) => toWords(roundedOf(times(exact, fraction(hundredths, 100n)), BAND_PLACES))
  return ESTIMATE.band(at(95n), at(105n), at(100n))
}

const BAND_PLACES = 1
