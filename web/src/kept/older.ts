/** What earlier versions have kept in this browser, as this one keeps and sends it. */
import { factById } from '@tachymetra/core/facts'
import { COMMON_KEY_MS, type Fade, fadesOfOlder, type LearnerSettings } from '@tachymetra/core/learner'
import {
  type AttemptRecord,
  type DoneAttempt,
  eventsOfOlder,
  FIRST_JUDGE,
  judgeRecord,
  type OlderAttempt,
  type Support,
  type Verdict,
} from '@tachymetra/core/session'
import { AS_RECORDED, GENERATOR, plainRecipe, type Source } from '@tachymetra/core/set'
import type { ParameterValues, Variant } from '@tachymetra/core/technique'
import type { SessionStart } from '@tachymetra/core/wire'
import type { LocalSession, Parcel } from './store.js'

/** The first version had no events. */
const WITHOUT_EVENTS = 1

/** A record up to version 2: the session was called sitting, and the variant school. */
type Record2 = Omit<AttemptRecord, 'sessionId' | 'variant'> & {
  readonly sittingId: string
  readonly school: Variant
}
type Record1 = Omit<Record2, 'judge' | 'events'> & OlderAttempt

/** A sitting: so many problems of one technique and level. */
interface Sitting2 {
  readonly id: string
  readonly learnerId: string
  readonly technique: string
  readonly level: number
  readonly planned: number
  readonly startedAt: string
  readonly seed: number
  readonly school?: Variant
  readonly dials?: ParameterValues
  readonly support: Support
  readonly attempts: readonly ({ readonly record: Record2; readonly verdict: Verdict } | Record1)[]
  readonly open?: Record2
  readonly ended: boolean
}

function upgradedRecord(record: Record1 | Record2): AttemptRecord {
  const { sittingId: sessionId, school: variant, ...rest } = record
  if ('events' in rest) return { ...rest, sessionId, variant }
  const { entries, hints, outcome, thinkMs, keyMs, totalMs, idleMs, ...others } = rest as Omit<
    Record1,
    'sittingId' | 'school'
  >
  const events = eventsOfOlder({ entries, hints, outcome, thinkMs, keyMs, totalMs, idleMs })
  return { ...others, sessionId, variant, judge: FIRST_JUDGE, events }
}

/** What an older version has queued. What the server refused then it may take now. */
export function upgradedParcel({ refused, ...parcel }: Parcel, before: number): Parcel {
  const body = parcel.body as object
  if (parcel.path.startsWith('/sittings/')) return upgradedStart(parcel)
  if (parcel.path.startsWith('/attempts/') && 'sittingId' in body)
    return { ...parcel, body: upgradedRecord(body as Record2) }
  if (parcel.path.startsWith('/recalls/') && 'right' in body) return upgradedRecall(parcel)
  if (parcel.path.endsWith('/settings')) return { ...parcel, body: upgradedSettings(body) }
  // Judged by the server since the second version: what it refused then it refuses again.
  return refused === undefined || before <= WITHOUT_EVENTS ? parcel : { ...parcel, refused }
}

/** How its problems were drawn was not told: the server lists them as they come. */
function upgradedStart(parcel: Parcel): Parcel {
  const { learnerId, startedAt } = parcel.body as Sitting2
  const recipe = plainRecipe([{ kind: 'listed', problems: [null] }], 'guided')
  const start: SessionStart = { learnerId, startedAt, recipe, seed: 0, generator: AS_RECORDED }
  return { ...parcel, path: parcel.path.replace('/sittings/', '/sessions/'), body: start }
}

function upgradedRecall(parcel: Parcel): Parcel {
  const { right, ms, thinkMs, ...rest } = parcel.body as {
    fact: string
    right: boolean
    ms: number
    thinkMs: number
  }
  const card = factById(rest.fact)?.card
  const event =
    right && card
      ? ({ kind: 'entered', at: ms, text: card.kind.print(card.expect), first: thinkMs, last: ms } as const)
      : ({ kind: 'given', at: ms } as const)
  return { ...parcel, body: { ...rest, judge: FIRST_JUDGE, keyMs: COMMON_KEY_MS, events: [event] } }
}

function upgradedSettings(body: object): Partial<LearnerSettings> {
  const { schools, fade, ...rest } = body as Partial<LearnerSettings> & {
    schools?: LearnerSettings['variants']
    fade?: Fade
  }
  return {
    ...rest,
    ...(schools && { variants: schools }),
    ...(fade && { fades: fadesOfOlder(fade) }),
  }
}

/**
 * A session begun by an older version: what is still to come of it is drawn as it would have been. One that had been
 * told to the server before goes on as the list it is kept as there.
 */
export function upgradedSession(older: unknown, before: number): LocalSession {
  const { technique, level, planned, seed, school, dials, support, attempts, open, ...rest } =
    older as Sitting2
  const source: Source =
    level > 0
      ? { kind: 'level', technique, level, count: planned }
      : { kind: 'parameters', technique, values: dials ?? {}, count: planned }
  const { id, learnerId, startedAt, ended } = rest
  return {
    id,
    learnerId,
    startedAt,
    ended,
    recipe: plainRecipe([source], support),
    seed,
    generator: GENERATOR,
    ...(school && { variants: { [technique]: school } }),
    attempts: attempts.flatMap((kept) => upgradedAttempt(kept, before)),
    ...(open && before > WITHOUT_EVENTS && { open: upgradedRecord(open) }),
  }
}

function upgradedAttempt(kept: Sitting2['attempts'][number], before: number): DoneAttempt[] {
  if ('record' in kept) return [{ ...kept, record: upgradedRecord(kept.record) }]
  if (before > WITHOUT_EVENTS) return []
  try {
    const record = upgradedRecord(kept)
    return [{ record, verdict: judgeRecord(record) }]
  } catch {
    return []
  }
}

/** Where earlier versions noted the attempt that was under way on a page of its own, such as a flashed list. */
const VISITED = 'tachymetra.visited'

/** What an earlier version has noted so, taken out; undefined where there is none. */
export function visitedOfOlder(
  storage: Storage,
): { readonly session: LocalSession; readonly record: AttemptRecord } | undefined {
  const text = storage.getItem(VISITED)
  if (text === null) return undefined
  storage.removeItem(VISITED)
  try {
    const { start, record } = JSON.parse(text) as { start: SessionStart; record: AttemptRecord }
    return { session: { ...start, id: record.sessionId, attempts: [], ended: true }, record }
  } catch {
    return undefined
  }
}
