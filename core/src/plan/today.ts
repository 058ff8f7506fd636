/**
 * What to practise today in the minutes there are: due facts first, then the technique
 * on the edge of its target, then one review (common practice, no published source). Nothing is owed for days missed.
 */

import { firstMs } from '../curriculum/levels.js'
import type { Mastery } from '../curriculum/mastery.js'
import { FACT_DECKS } from '../facts/decks.js'
import { bugOf, type SlipCount } from '../learner/bugs.js'
import { type FactMemory, toAsk } from '../learner/recall.js'
import type { LearnerSettings } from '../learner/settings.js'
import { daysBetween } from '../number/days.js'
import { seeded } from '../number/random.js'
import { techniqueById } from '../registry/techniques.js'
import type { Support } from '../session/support.js'
import { bugWords, EASY_PLAN, PLAN } from '../words/plan.js'

export interface PlanInput {
  readonly settings: Pick<
    LearnerSettings,
    | 'minutes'
    | 'decks'
    | 'pinned'
    | 'banned'
    | 'skipped'
    | 'targets'
    | 'extraTime'
    | 'rules'
    | 'wording'
    | 'calm'
  >
  /** The learner's own day (ISO date) and the instant. */
  readonly day: string
  readonly now: string
  readonly memories: readonly FactMemory[]
  /** Facts found that slow you down, the slowest first. */
  readonly slow: readonly string[]
  readonly mastery: readonly Mastery[]
  /** Mistakes of the last BUG_DAYS. */
  readonly slips: readonly SlipCount[]
  /** Facts recalled today: they have had their turn. */
  readonly metToday: ReadonlySet<string>
  /** Minutes worked today by item, in the order begun. */
  readonly done: ReadonlyMap<string, number>
}

export type PlanItem = { readonly minutes: number; readonly because: string; readonly pinned: boolean } & (
  | { readonly kind: 'facts'; readonly id: 'facts'; readonly facts: readonly string[] }
  | {
      readonly kind: 'edge' | 'review'
      /** The technique. */
      readonly id: string
      readonly level: number
      readonly support: Support
      /** Of one session; another follows while there are minutes. */
      readonly problems: number
    }
)

/** Seconds a due fact takes with the pause after it, for fitting them to the minutes. */
export const FACT_SECONDS = 2.5
/** Facts take at most this share of the minutes, and one of them is new for each minute (found in simulation). */
const FACT_SHARE = 0.3
/** What is on the edge gets so many times the minutes of a review. */
const EDGE_SHARE = 3
/** What was worked less than so many days ago needs no review yet (default, common practice). */
const REVIEW_DAYS = 3.5
const DAY_MS = 86_400_000
/** Less than this many minutes are not worth beginning for. */
const LEAST_MINUTES = 0.4
/** Problems with support before it is seen whether they go well without. */
export const SUPPORTED = 3
/** Seconds between two problems: reading the verdict, going on. */
const BETWEEN = 3
/** Fewer answers than this are not worth session down for. */
const LEAST_ANSWERS = 5
/** After about so many answers it may be known whether a level is the learner's. */
const ENOUGH_ANSWERS = 18
/** So great a share right takes one level of support away; so small a one without steps gives the steps back. */
const LESS_SUPPORT = 0.8
const MORE_SUPPORT = 0.6

/**
 * Today's items in the order they are to be worked, each with the minutes it has left. What was begun today goes on
 * until its minutes are up, with less support as soon as it goes well.
 */
export function planDay(input: PlanInput): PlanItem[] {
  const { settings, day, now, done, mastery } = input
  const out = new Set([
    ...settings.banned,
    ...settings.skipped.filter((s) => s.day === day).map((s) => s.item),
  ])
  const facts = factsFor(input, out)
  const free = mastery.filter((m) => !out.has(m.technique.id))
  const pins = free.filter((m) => settings.pinned.includes(m.technique.id))
  // What was only tried, or tried before its time, does not go on by itself.
  const goesOn = (m: Mastery) => m.worked !== undefined && m.missing.length === 0
  const begun = [...done.keys()].flatMap((id) => free.find((m) => m.technique.id === id && goesOn(m)) ?? [])
  // Whatever became known today has done its part; the rest of its minutes go to what comes next on the edge.
  const edge = pins[0] ?? begun.find((m) => m.state !== 'known') ?? onTheEdge(free)
  const justUp = ({ worked }: Mastery) => worked?.latest.answers === 0
  const review = pins[1] ?? begun.findLast((m) => m !== edge && !justUp(m)) ?? longestLeft(free, edge, now)
  const wanted = [
    ...(edge ? [{ kind: 'edge' as const, of: edge, share: EDGE_SHARE }] : []),
    ...(review ? [{ kind: 'review' as const, of: review, share: 1 }] : []),
    ...pins.slice(2).map((of) => ({ kind: 'review' as const, of, share: 1 })),
  ]
  const whole = wanted.reduce((sum, w) => sum + w.share, 0)
  const budget = settings.minutes - (facts?.minutes ?? 0) - (done.get('facts') ?? 0)
  const minutesOn = (some: readonly Mastery[]) =>
    some.reduce((sum, m) => sum + (done.get(m.technique.id) ?? 0), 0)
  const elsewhere = minutesOn(begun.filter((m) => !wanted.some((w) => w.of === m)))
  let left = budget - minutesOn(begun)
  const items = wanted.flatMap(({ kind, of, share }): PlanItem[] => {
    const spent = minutesOn([of]) + (kind === 'edge' ? elsewhere : 0)
    const minutes = Math.min(left, (budget * share) / whole - spent)
    if (minutes < LEAST_MINUTES) return []
    left -= minutes
    return [techniqueItem(kind, of, minutes, input)]
  })
  return facts ? [facts, ...items] : items
}

/** Later than any plan looks ahead. */
const NOT_TODAY = '9999-12-31T00:00:00.000Z'

/** What is left of the facts of the day: a round that was stopped goes on with those not asked yet. */
function factsFor({ settings, day, now, memories, slow, metToday }: PlanInput, out: ReadonlySet<string>) {
  if (out.has('facts') || settings.decks.length === 0) return undefined
  const decks = FACT_DECKS.filter((d) => settings.decks.includes(d.id))
  const inDecks = (fact: string) => decks.some((d) => d.cards.some((c) => c.id === fact))
  const ofDay = Math.max(4, Math.floor((FACT_SHARE * settings.minutes * 60) / FACT_SECONDS))
  const most = ofDay - metToday.size
  if (most <= 0) return undefined
  // What was asked today does not come again, whatever came of it.
  const waiting = memories.map((m) => (metToday.has(m.fact) ? { ...m, due: NOT_TODAY } : m))
  const due = waiting.filter((m) => m.due <= now && inDecks(m.fact))
  const lagging = slow.filter((fact) => !metToday.has(fact) && !due.some((m) => m.fact === fact))
  const metFirst = memories.filter((m) => metToday.has(m.fact) && m.card.reps <= 1).length
  const room = Math.max(0, Math.min(Math.round(settings.minutes) - metFirst, most - due.length))
  const cards = toAsk(decks, waiting, now, Math.min(most, due.length + room), dayRandom(day), {
    slow: lagging,
  })
  if (cards.length === 0) return undefined
  const counts = {
    due: Math.min(due.length, cards.length),
    slow: cards.filter((c) => lagging.includes(c.id)).length,
  }
  const fresh = cards.length - counts.due - counts.slow
  return {
    kind: 'facts' as const,
    id: 'facts' as const,
    facts: cards.map((c) => c.id),
    minutes: (cards.length * FACT_SECONDS) / 60,
    because: wordsOf(settings).facts({ ...counts, fresh }),
    pinned: settings.pinned.includes('facts'),
  }
}

/** Reasons in full, or in easy words, as it is set. */
const wordsOf = ({ wording }: Pick<LearnerSettings, 'wording'>): typeof PLAN =>
  wording === 'easy' ? { ...PLAN, ...EASY_PLAN } : PLAN

/** The same facts are planned all day long. */
function dayRandom(day: string) {
  return seeded(daysBetween('2000-01-01', day))
}

/** How near a technique in practice is to being known: the share right, times target over median, at most 1 each. */
function nearness({ worked }: Mastery): number {
  if (!worked || worked.latest.answers === 0) return 0
  const { answers, right, medianMs } = worked.latest
  const target = worked.aimMs
  // Work with support is further from the target than work without.
  const alone = worked.support === 'answer' ? 1 : worked.support === 'steps' ? 0.7 : 0.5
  const pace = target === undefined ? 1 : Math.min(1, target / (medianMs ?? 2 * target))
  return alone * (right / answers) * pace
}

/**
 * Of those in practice whose prerequisites hold, the nearest to its target; else the first that is ready; else what
 * is known already, on its next level.
 */
function onTheEdge(free: readonly Mastery[]): Mastery | undefined {
  const nearest = (some: readonly Mastery[]) => some.toSorted((a, b) => nearness(b) - nearness(a))[0]
  return (
    nearest(free.filter((m) => m.state === 'practised' && m.missing.length === 0)) ??
    free.find((m) => m.state === 'ready') ??
    nearest(free.filter((m) => m.state !== 'not-yet'))
  )
}

/**
 * What was worked before and has been left alone the longest, if that is long enough for a review; a day counts
 * double for what is known, since nothing else brings it back.
 */
function longestLeft(free: readonly Mastery[], edge: Mastery | undefined, now: string): Mastery | undefined {
  const away = ({ worked }: Mastery) => (worked ? Date.parse(now) - Date.parse(worked.lastAt) : 0)
  const weight = (m: Mastery) => away(m) * (m.state === 'known' ? 2 : 1)
  return free
    .filter((m) => m !== edge && away(m) >= REVIEW_DAYS * DAY_MS)
    .toSorted((a, b) => weight(b) - weight(a))[0]
}

/** Watching first; then one level of support less whenever the latest went well, and the steps back when it does not go without. */
export function nextSupport({ worked }: Pick<Mastery, 'worked'>): Support {
  if (!worked) return 'watch'
  const { answers, right } = worked.latest
  const well = answers >= SUPPORTED && right >= LESS_SUPPORT * answers
  const badly = answers >= 10 && right < MORE_SUPPORT * answers
  if (worked.support === 'guided') return well ? 'steps' : 'guided'
  if (worked.support === 'steps') return well ? 'answer' : 'steps'
  return badly ? 'steps' : 'answer'
}

/**
 * The most problems of one session: as many as must pass before support may change, or, without steps, before the
 * rules can decide on the level.
 */
export function sessionLength(support: Support, { worked }: Pick<Mastery, 'worked'>): number {
  if (support !== 'answer') return SUPPORTED
  const lacking = ENOUGH_ANSWERS - (worked?.support === 'answer' ? worked.latest.answers : 0)
  return Math.max(LEAST_ANSWERS, lacking > 0 ? lacking : ENOUGH_ANSWERS / 2)
}

function techniqueItem(
  kind: 'edge' | 'review',
  mastery: Mastery,
  minutes: number,
  { day, settings, slips }: PlanInput,
): PlanItem {
  const { technique, state, because, worked } = mastery
  const level = worked?.level ?? 1
  const support = nextSupport(mastery)
  const targetMs = worked?.aimMs
  const each = (worked?.latest.medianMs ?? firstMs(settings, technique.id, level)) / 1000 + BETWEEN
  const most = sessionLength(support, mastery)
  const pinned = settings.pinned.includes(technique.id)
  const days = worked ? daysBetween(worked.lastAt.slice(0, 10), day) : 0
  const words = wordsOf(settings)
  const reason =
    state === 'ready'
      ? words.fresh(because)
      : kind === 'edge'
        ? words.edge(
            worked && { ...worked, ...worked.latest },
            worked && targetMs !== undefined && !settings.calm
              ? { medianMs: worked.latest.medianMs, targetMs }
              : undefined,
          )
        : words.review(days)
  const bug = bugOf(slips, technique.id)
  const reasons = [...(pinned ? [words.pinned] : []), reason, ...(bug ? [bugWords(bug)] : [])]
  return {
    kind,
    id: technique.id,
    level,
    support,
    problems: Math.max(2, Math.min(most, Math.round((minutes * 60) / each))),
    minutes,
    because: reasons.join(' '),
    pinned,
  }
}

/** Minutes of some problems, the pauses between them counted in. @param ms the time at work */
export function minutesOf({ attempts, ms }: { readonly attempts: number; readonly ms: number }): number {
  return (ms / 1000 + BETWEEN * attempts) / 60
}

/** An item of the plan in a few words. */
export function itemName(item: PlanItem): string {
  return item.kind === 'facts'
    ? PLAN.factsName(item.facts.length)
    : PLAN.techniqueName(techniqueById(item.id).name, item.level)
}
