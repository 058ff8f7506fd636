/**
 * What to practise today in the minutes there are: due facts first, then the technique
 * on the edge of its target, then one review (common practice, no published source). Nothing is owed for days missed.
 */

import type { LevelRules } from '../curriculum/levels.js'
import type { Readiness, Result } from '../curriculum/readiness.js'
import type { Stand } from '../curriculum/stands.js'
import { FACT_DECKS } from '../facts/decks.js'
import { habitOf, habitWords, type SlipCount } from '../learner/habit.js'
import { type FactMemory, toAsk } from '../learner/recall.js'
import { aimOf, type LearnerSettings } from '../learner/settings.js'
import { daysBetween } from '../number/days.js'
import { seeded } from '../number/random.js'
import { techniqueById } from '../registry/techniques.js'
import type { Support } from '../session/support.js'

export interface PlanInput {
  readonly settings: Pick<
    LearnerSettings,
    'minutes' | 'decks' | 'pinned' | 'banned' | 'skipped' | 'targets' | 'rules'
  >
  /** The learner's own day (ISO date) and the instant. */
  readonly day: string
  readonly now: string
  readonly memories: readonly FactMemory[]
  /** Facts found slow inside longer work, the slowest first. */
  readonly slow: readonly string[]
  readonly readiness: readonly Readiness[]
  readonly stands: readonly Stand[]
  /** Slips of the last HABIT_DAYS. */
  readonly slips: readonly SlipCount[]
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
      /** Of one sitting; another follows while there are minutes. */
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
/** Fewer answers than this are not worth sitting down for. */
const LEAST_ANSWERS = 5
/** So great a share right takes one level of support away; so small a one without steps gives the steps back. */
const LESS_SUPPORT = 0.8
const MORE_SUPPORT = 0.6

/**
 * Today's items in the order they are to be worked, each with the minutes it has left. What was begun today goes on
 * until its minutes are up, with less support as soon as it goes well.
 */
export function planDay(input: PlanInput): PlanItem[] {
  const { settings, day, now, done, readiness, stands } = input
  const out = new Set([
    ...settings.banned,
    ...settings.skipped.filter((s) => s.day === day).map((s) => s.item),
  ])
  const facts = done.has('facts') ? undefined : factsFor(input, out)
  const free = readiness.filter((r) => !out.has(r.technique.id))
  const stand = new Map(stands.map((s) => [s.technique, s]))
  const pins = free.filter((r) => settings.pinned.includes(r.technique.id))
  const begun = [...done.keys()].flatMap((id) => free.find((r) => r.technique.id === id) ?? [])
  // Whatever became known today has done its part; the rest of its minutes go to what comes next on the edge.
  const edge = pins[0] ?? begun.find((r) => r.standing !== 'known') ?? onTheEdge(free, stand, settings)
  const justUp = (r: Readiness) => stand.get(r.technique.id)?.latest.problems === 0
  const review =
    pins[1] ?? begun.findLast((r) => r !== edge && !justUp(r)) ?? longestLeft(free, stand, edge, now)
  const wanted = [
    ...(edge ? [{ kind: 'edge' as const, of: edge, share: EDGE_SHARE }] : []),
    ...(review ? [{ kind: 'review' as const, of: review, share: 1 }] : []),
    ...pins.slice(2).map((of) => ({ kind: 'review' as const, of, share: 1 })),
  ]
  const whole = wanted.reduce((sum, w) => sum + w.share, 0)
  const budget = settings.minutes - (facts?.minutes ?? done.get('facts') ?? 0)
  const worked = (some: readonly Readiness[]) =>
    some.reduce((sum, r) => sum + (done.get(r.technique.id) ?? 0), 0)
  const elsewhere = worked(begun.filter((r) => !wanted.some((w) => w.of === r)))
  let left = budget - worked(begun)
  const items = wanted.flatMap(({ kind, of, share }): PlanItem[] => {
    const spent = worked([of]) + (kind === 'edge' ? elsewhere : 0)
    const minutes = Math.min(left, (budget * share) / whole - spent)
    if (minutes < LEAST_MINUTES) return []
    left -= minutes
    return [techniqueItem(kind, of, stand.get(of.technique.id), minutes, input)]
  })
  return facts ? [facts, ...items] : items
}

function factsFor({ settings, day, now, memories, slow }: PlanInput, out: ReadonlySet<string>) {
  if (out.has('facts') || settings.decks.length === 0) return undefined
  const decks = FACT_DECKS.filter((d) => settings.decks.includes(d.id))
  const most = Math.max(4, Math.floor((FACT_SHARE * settings.minutes * 60) / FACT_SECONDS))
  const due = memories.filter((m) => m.due <= now && decks.some((d) => d.cards.some((c) => c.id === m.fact)))
  const lagging = slow.filter((fact) => !due.some((m) => m.fact === fact))
  const room = Math.max(0, Math.min(Math.round(settings.minutes), most - due.length))
  const cards = toAsk(decks, memories, now, Math.min(most, due.length + room), dayRandom(day), {
    slow: lagging,
  })
  if (cards.length === 0) return undefined
  const counts = {
    due: Math.min(due.length, cards.length),
    slow: cards.filter((c) => lagging.includes(c.id)).length,
  }
  const fresh = cards.length - counts.due - counts.slow
  const parts = [
    ...(counts.due ? [`${counts.due} due before they fade`] : []),
    ...(counts.slow ? [`${counts.slow} slow inside longer work`] : []),
    ...(fresh ? [`${fresh} new`] : []),
  ]
  return {
    kind: 'facts' as const,
    id: 'facts' as const,
    facts: cards.map((c) => c.id),
    minutes: (cards.length * FACT_SECONDS) / 60,
    because: `${parts.join(', ')}: facts come first, the rest needs them.`,
    pinned: settings.pinned.includes('facts'),
  }
}

/** The same facts are planned all day long. */
function dayRandom(day: string) {
  return seeded(daysBetween('2000-01-01', day))
}

/** How near a technique in practice is to being known: the share right, times target over median, at most 1 each. */
function nearness(stand: Stand | undefined, settings: Pick<LearnerSettings, 'targets'>): number {
  if (!stand || stand.latest.problems === 0) return 0
  const { problems, right, medianMs } = stand.latest
  const target = aimOf(settings, stand.technique, stand.level)!
  // Work with support is further from the target than work without.
  const alone = stand.support === 'answer' ? 1 : stand.support === 'steps' ? 0.7 : 0.5
  return alone * (right / problems) * Math.min(1, target / (medianMs ?? 2 * target))
}

/**
 * Of those in practice whose prerequisites hold, the nearest to its target; else the first that is ready; else what
 * is known already, on its next rung.
 */
function onTheEdge(
  free: readonly Readiness[],
  stand: ReadonlyMap<string, Stand>,
  settings: Pick<LearnerSettings, 'targets'>,
): Readiness | undefined {
  const near = (r: Readiness) => nearness(stand.get(r.technique.id), settings)
  const nearest = (some: readonly Readiness[]) => some.toSorted((a, b) => near(b) - near(a))[0]
  return (
    nearest(free.filter((r) => r.standing === 'practised' && r.missing.length === 0)) ??
    free.find((r) => r.standing === 'ready') ??
    nearest(free.filter((r) => r.standing !== 'not-yet'))
  )
}

/**
 * What was worked before and has been left alone the longest, if that is long enough for a review; a day counts
 * double for what is known, since nothing else brings it back.
 */
function longestLeft(
  free: readonly Readiness[],
  stand: ReadonlyMap<string, Stand>,
  edge: Readiness | undefined,
  now: string,
): Readiness | undefined {
  const away = (r: Readiness) => Date.parse(now) - Date.parse(stand.get(r.technique.id)!.lastAt)
  const weight = (r: Readiness) => away(r) * (r.standing === 'known' ? 2 : 1)
  return free
    .filter((r) => r !== edge && stand.has(r.technique.id) && away(r) >= REVIEW_DAYS * DAY_MS)
    .toSorted((a, b) => weight(b) - weight(a))[0]
}

/** Watching first; then one level of support less whenever the latest went well, and the steps back when it does not go without. */
export function nextSupport(stand: Stand | undefined): Support {
  if (!stand || stand.support === null) return 'watch'
  const { problems, right } = stand.latest
  const well = problems >= SUPPORTED && right >= LESS_SUPPORT * problems
  const badly = problems >= 10 && right < MORE_SUPPORT * problems
  if (stand.support === 'watch') return 'guided'
  if (stand.support === 'guided') return well ? 'steps' : 'guided'
  if (stand.support === 'steps') return well ? 'answer' : 'steps'
  return badly ? 'steps' : 'answer'
}

/**
 * The most problems of one sitting: as many as must pass before support may change, or, without steps, before the
 * rules can decide on the level.
 */
export function sittingLength(support: Support, stand: Stand | undefined, rules: LevelRules): number {
  if (support !== 'answer') return SUPPORTED
  const lacking = rules.upOf - (stand?.support === 'answer' ? stand.latest.problems : 0)
  return Math.max(LEAST_ANSWERS, lacking > 0 ? lacking : rules.backOf)
}

function techniqueItem(
  kind: 'edge' | 'review',
  { technique, standing, because }: Readiness,
  stand: Stand | undefined,
  minutes: number,
  { day, settings, slips }: PlanInput,
): PlanItem {
  const level = stand?.level ?? 1
  const support = nextSupport(stand)
  const target = aimOf(settings, technique.id, level)!
  // A problem not yet known takes about twice its target at first.
  const each = (stand?.latest.medianMs ?? 2 * target) / 1000 + BETWEEN
  const most = sittingLength(support, stand, settings.rules)
  const pinned = settings.pinned.includes(technique.id)
  const days = stand ? daysBetween(stand.lastAt.slice(0, 10), day) : 0
  // The instant is in UTC and may carry the next date already.
  const away = days <= 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`
  const reason =
    standing === 'ready'
      ? `New: ${because.charAt(0).toLowerCase()}${because.slice(1)}`
      : kind === 'edge'
        ? `Nearest to its target. ${edgeWords(stand, target)}`
        : `One review: last worked ${away}.`
  const habit = habitOf(slips, technique.id)
  const reasons = [...(pinned ? ['Pinned.'] : []), reason, ...(habit ? [habitWords(habit)] : [])]
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

function edgeWords(stand: Stand | undefined, target: number): string {
  if (!stand || stand.latest.problems === 0) return 'Not worked at this level yet.'
  const { problems, right, medianMs } = stand.latest
  const pace = medianMs === null ? 'not timed' : `${(medianMs / 1000).toFixed(1)} s for ${target / 1000} s`
  return `Level ${stand.level}: ${right} of the last ${problems} right, ${pace}.`
}

/** Minutes of a sitting, the pauses between its problems counted in. */
export function minutesOf({ attempts, medianMs }: Pick<Result, 'attempts' | 'medianMs'>): number {
  return (attempts * ((medianMs ?? 0) / 1000 + BETWEEN)) / 60
}

/** An item of the plan in a few words. */
export function itemName(item: PlanItem): string {
  return item.kind === 'facts'
    ? `${item.facts.length} facts`
    : `${techniqueById(item.id).name}, level ${item.level}`
}
