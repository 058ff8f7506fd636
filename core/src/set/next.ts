/** What comes next in a set, from the answers so far: pure, so that it can be followed anywhere. */
import { type Staircase, stairAfter } from '../flash/list.js'
import { itemCount, type Recipe } from './recipe.js'

/** An answer to an item of a set, as far as its rule looks at it. */
export interface ItemAnswer {
  /** Which item, from 1. */
  readonly n: number
  /** Right at the first try. */
  readonly right: boolean
  /** Right and in time, where being slow counts as missed; as `right` where it is left out. */
  readonly known?: boolean
  /** Gone on without an answer: on a paper it may be come back to. */
  readonly open?: boolean
}

/**
 * The items still to be asked (numbers from 1), the next one first; none when the set is over.
 * @param answers in the order they were given
 */
export function toCome(recipe: Recipe, answers: readonly ItemAnswer[]): readonly number[] {
  return recipe.paper ? onPaper(recipe, recipe.paper, answers) : asRuled(recipe, answers)
}

/** Those that were not met yet, then, where one may go back, those left open, from the last one on. */
function onPaper(
  recipe: Recipe,
  { back }: NonNullable<Recipe['paper']>,
  answers: readonly ItemAnswer[],
): readonly number[] {
  const met = new Set(answers.map((a) => a.n))
  const done = new Set(answers.flatMap((a) => (a.open ? [] : [a.n])))
  const all = Array.from({ length: itemCount(recipe) }, (_, i) => i + 1)
  const left = back ? all.filter((n) => met.has(n) && !done.has(n)) : []
  const last = answers.at(-1)?.n ?? 0
  return [
    ...all.filter((n) => !met.has(n)),
    ...left.filter((n) => n > last),
    ...left.filter((n) => n <= last),
  ]
}

function asRuled(recipe: Recipe, answers: readonly ItemAnswer[]): readonly number[] {
  let queue = Array.from({ length: itemCount(recipe) }, (_, i) => i + 1)
  const met = new Set<number>()
  for (const { n, right, known = right } of answers) {
    // Missed once more, it has had its turn.
    const again = recipe.rule?.kind === 'repeat-missed' && !known && !met.has(n)
    met.add(n)
    queue = [...queue.filter((one) => one !== n), ...(again ? [n] : [])]
  }
  return queue
}

/** How fast the next list is shown by the staircase of a set; undefined where it has none. */
export function stairOf({ rule }: Recipe, answers: readonly ItemAnswer[]): Staircase | undefined {
  if (rule?.kind !== 'staircase') return undefined
  const { showMs, run } = rule
  return answers.reduce((stair: Staircase, { right }) => stairAfter(stair, right), { showMs, run })
}

/** Points of a set; undefined where nothing is scored. Items not answered count as left out. */
export function scoreOf(recipe: Recipe, answers: readonly ItemAnswer[]): number | undefined {
  const { marks } = recipe
  if (!marks) return undefined
  // The first answer counts.
  const first = new Map<number, boolean>()
  for (const { n, right } of answers) if (!first.has(n)) first.set(n, right)
  const rights = [...first.values()].filter(Boolean).length
  const blank = Math.max(0, itemCount(recipe) - first.size)
  return rights * marks.right + (first.size - rights) * marks.wrong + blank * marks.blank
}

/**
 * When the time there is for an item is up; undefined where there is no limit.
 * @param begun when the item and the whole set were begun, all in milliseconds since 1970
 */
export function deadlineOf(
  { clock, extraTime = 1 }: Recipe,
  begun: { readonly item: number; readonly whole: number },
): number | undefined {
  return clock.kind === 'none' || extraTime === null ? undefined : begun[clock.kind] + clock.ms * extraTime
}
