/**
 * How what to practise may be chosen: by the plan, or by one of the ways it is measured against. All have the same facts of
 * the day, the same support and the same levels; they differ in which technique is worked.
 */

import { isKnown, type Mastery } from '../curriculum/mastery.js'
import { present } from '../number/present.js'
import type { Random } from '../number/random.js'
import type { PlanInput, PlanItem } from '../plan/input.js'
import { nextSupport, sessionLength } from '../plan/session.js'
import { planDay } from '../plan/today.js'
import { COURSE } from '../registry/techniques.js'

/**
 * The plan; one technique after another until each is known; the one whose pace is the furthest from its target first;
 * each in its turn; by chance.
 */
export const POLICIES = ['plan', 'one-by-one', 'slowest-first', 'in-turn', 'random'] as const
export type Policy = (typeof POLICIES)[number]

/** What a choice is made from, beside what the plan looks at. */
export interface Turn {
  /** The techniques to be learnt, in teaching order. */
  readonly goal: readonly string[]
  /** Sessions that were chosen for before this one. */
  readonly turn: number
  readonly random: Random
}

/** Less than so many minutes are not worth beginning for. */
const LEAST_MINUTES = 0.1
/** All but the plan and one-by-one work at so many techniques a day. */
const A_DAY = 2

/** What is worked next; undefined when the day is over. */
export function nextItem(policy: Policy, input: PlanInput, turn: Turn): PlanItem | undefined {
  const { goal } = turn
  const others = COURSE.map((t) => t.id).filter((id) => !goal.includes(id))
  const among = (banned: readonly string[]) => planDay({ ...input, settings: { ...input.settings, banned } })
  if (policy === 'plan') return among(others)[0]
  const [facts] = among(COURSE.map((t) => t.id))
  if (facts) return facts
  const left = input.settings.minutes - [...input.done.values()].reduce((sum, m) => sum + m, 0)
  if (left < LEAST_MINUTES) return undefined
  const mastery = choose(policy, input, turn)
  const support = nextSupport(mastery)
  return {
    kind: 'edge',
    id: mastery.technique.id,
    level: mastery.worked?.level ?? 1,
    support,
    problems: sessionLength(support, mastery),
    minutes: policy === 'one-by-one' ? left : Math.min(left, input.settings.minutes / A_DAY),
    because: '',
    pinned: false,
  }
}

function choose(policy: Policy, { mastery }: PlanInput, { goal, turn, random }: Turn): Mastery {
  const all = mastery.filter((m) => goal.includes(m.technique.id))
  const needed = (m: Mastery) => m.technique.needs.filter((id) => goal.includes(id))
  const known = (id: string) => all.some((m) => m.technique.id === id && isKnown(m))
  const open = all.filter((m) => needed(m).every(known))
  if (policy === 'one-by-one') return open.find((m) => !isKnown(m)) ?? present(open[turn % open.length])
  if (policy === 'slowest-first') return present(open.toSorted((a, b) => paceOf(a) - paceOf(b))[0])
  if (policy === 'in-turn') return present(open[turn % open.length])
  return present(open[Math.floor(random.unit() * open.length)])
}

/** Target over median; 0 for what was never worked alone. */
function paceOf({ worked }: Mastery): number {
  return (worked?.aimMs ?? 0) / (worked?.alone?.medianMs ?? Number.POSITIVE_INFINITY)
}
