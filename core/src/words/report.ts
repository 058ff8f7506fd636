/** What is said of ways beside each other, of slow facts, and on the progress sheet. */
import { count, listed, seconds } from './english.js'

/** What a working costs. */
interface Cost {
  readonly facts: number
  readonly carries: number
  readonly held: number
}

const some = (n: number, one: string, many?: string) =>
  n === 0 ? `no ${many ?? `${one}s`}` : count(n, one, many)

/** "4 facts, 1 carry, at most 4 digits held". */
export function effortWords({ facts, carries, held }: Cost): string {
  const most = held === 0 ? 'nothing' : `at most ${count(held, 'digit')}`
  return `${some(facts, 'fact')}, ${some(carries, 'carry', 'carries')}, ${most} held`
}

/** A way by its name, with what it is likely to take. */
interface Timed {
  readonly name: string
  readonly ms: number
}

export const ADVICE = {
  none: 'No technique fits this problem.',
  /**
   * @param equal the names of others that cost just as much
   * @param next the way that costs least after those, where there is one
   * @param paper the way that costs least with the answer written as it comes
   * @param written what the usual written way takes, where there is one
   */
  leastWork: (
    best: Cost & { readonly name: string; readonly total: number },
    equal: readonly string[],
    next: { readonly name: string; readonly total: number } | undefined,
    paper: { readonly name: string; readonly total: number },
    written: number | undefined,
  ) => {
    const rival = next ? `, where ${next.name} takes ${next.total}` : ''
    const points = `${best.total} points${equal.length > 0 ? ' each' : ''}`
    const least =
      equal.length > 0
        ? `${listed([best.name, ...equal])} need equally little effort`
        : `${best.name} needs the least effort`
    const cost = equal.length > 0 ? '' : ` (${effortWords(best)})`
    const head = `In the head ${least}: ${points}${cost}${rival}.`
    if (written === undefined) return head
    const beside =
      paper.total < written
        ? `On paper ${paper.name} takes ${paper.total}, the usual written way ${written}.`
        : `On paper the usual written way takes ${written}.`
    return `${head} ${beside}`
  },
  quickest: (seen: number, first: Timed, next: Timed | undefined) => {
    const rival = next ? `, ${next.name} ${seconds(next.ms)}` : ''
    return `Quickest for you, from your last ${seen} steps: ${first.name}, about ${seconds(first.ms)}${rival}.`
  },
  close: (seen: number, first: Timed, next: Timed) =>
    `Too close to call for you, from your last ${seen} steps: ${first.name} about ${seconds(first.ms)}, ${next.name} ${seconds(next.ms)}.`,
  worth: ({ name, ms }: Timed) => `Worth learning: ${name} would take about ${seconds(ms)}.`,
} as const

interface Worked extends Timed {
  readonly right: number
  readonly of: number
}

/** What the times say of two ways that the same problems were worked in. */
export const TWO_WAYS = {
  few: (enough: number) => `Too few right answers to say: at least ${enough} by each way are needed.`,
  close: (first: Worked, second: Worked) =>
    `Too close to call: ${first.name} ${seconds(first.ms)}, ${second.name} ${seconds(second.ms)}. Keep the one you like better.`,
  quicker: (first: Worked, second: Worked) => {
    const lessSure = first.right < second.right
    const but = lessSure
      ? ` But it was right only ${first.right} of ${first.of} times, ${second.name} ${second.right} of ${second.of}.`
      : ''
    return `On these problems ${first.name} is quicker for you: ${seconds(first.ms)}, where ${second.name} takes ${seconds(second.ms)}.${but}`
  },
} as const

/** Why a fact holds a learner up. */
export const SLOW_FACT = {
  slow: (ms: number, usualMs: number) => `${seconds(ms)} (your usual ${seconds(usualMs)})`,
  wrong: (wrong: number, of: number) => `wrong ${wrong} of ${of} times`,
} as const

export const SHEET = {
  title: (name: string, day: string) => `Progress of ${name}, ${day}`,
  practice: (back: number, days: number, minutes: number, problems: number) =>
    `The last ${back} days: practice on ${days} of them, ${minutes} minutes together, ${problems} problems.`,
  facts: (met: number, sure: number) => `Facts met: ${met}; right the last time: ${sure}.`,
  techniques: {
    title: 'Techniques, newest first',
    columns: ['Technique', 'Status', 'Level', 'Support', 'Right', 'Pace', 'Target'],
  },
  levels: {
    title: (back: number) => `Levels in the last ${back} days`,
    columns: ['Day', 'Technique', 'Level', 'Why'],
  },
  slips: { title: 'Mistakes to look at', columns: ['Mistake', 'How often'] },
  nothing: '-',
  rightOf: (right: number, of: number) => `${right} of ${of}`,
  fromTo: (from: number, to: number) => `${from} to ${to}`,
} as const
