/** What the browser keeps of its own: what is not yet sent, and the sitting under way with its open attempt. */
import { factById } from '@tachymetra/core/facts'
import { COMMON_KEY_MS } from '@tachymetra/core/learner'
import {
  type AttemptRecord,
  durationOf,
  eventsOfOlder,
  FIRST_JUDGE,
  judgeRecord,
  mistaken,
  moved,
  type OlderAttempt,
  progressOf,
  type Support,
  type Verdict,
} from '@tachymetra/core/session'
import type { DialValues, School } from '@tachymetra/core/technique'
import type { RecallWire, SittingStart } from '@tachymetra/core/wire'
import { type DBSchema, type IDBPDatabase, openDB } from 'idb'

/** An attempt with the verdict the learner was told. */
export interface LocalAttempt {
  readonly record: AttemptRecord
  readonly verdict: Verdict
}

/** A sitting as planned on the desk, with what has been done of it. */
export interface LocalSitting extends SittingStart {
  readonly id: string
  readonly seed: number
  /** Where practitioners differ: what was chosen, by option. */
  readonly school?: School
  /** For problems of the learner's own dials (OWN_LEVEL). */
  readonly dials?: DialValues
  /** Support the sitting begins with. */
  readonly support: Support
  readonly attempts: readonly LocalAttempt[]
  /** The attempt under way, with what has happened in it so far. */
  readonly open?: AttemptRecord
  readonly ended: boolean
}

/** Something for the server, kept until it has said that it is stored. */
export interface Parcel {
  /** PUT where none is named, as in what an older version has queued. */
  readonly method?: 'PATCH'
  readonly path: string
  readonly body: unknown
  /** The server's reason for refusing it for good. */
  readonly refused?: string
}

interface Shape extends DBSchema {
  outbox: { key: number; value: Parcel }
  sittings: { key: string; value: LocalSitting }
}

/** Sittings are kept so many days, to be gone on with. */
const KEPT_DAYS = 7
const VERSION = 2

let opened: Promise<IDBPDatabase<Shape>> | undefined

function database(): Promise<IDBPDatabase<Shape>> {
  opened ??= openDB<Shape>('tachymetra', VERSION, {
    async upgrade(db, before, _now, tx) {
      if (before < 1) {
        db.createObjectStore('outbox', { autoIncrement: true })
        db.createObjectStore('sittings', { keyPath: 'id' })
        return
      }
      const outbox = tx.objectStore('outbox')
      for (const key of await outbox.getAllKeys()) await outbox.put(upgraded((await outbox.get(key))!), key)
      const sittings = tx.objectStore('sittings')
      for (const sitting of await sittings.getAll())
        await sittings.put({ ...sitting, attempts: sitting.attempts.flatMap(upgradedAttempt) })
    },
    // A page of another version waits: let it have the database, and open it again when it is needed.
    blocking(_now, _wanted, event) {
      ;(event.target as unknown as IDBDatabase).close()
      opened = undefined
    },
    terminated() {
      opened = undefined
    },
  })
  // One that could not be opened now may be later.
  opened.catch(() => {
    opened = undefined
  })
  return opened
}

type OlderRecord = Omit<AttemptRecord, 'judge' | 'events'> & OlderAttempt

/** A record made before there were events. */
function upgradedRecord(record: OlderRecord): AttemptRecord {
  const { entries, hints, outcome, thinkMs, keyMs, totalMs, idleMs, ...rest } = record
  const events = eventsOfOlder({ entries, hints, outcome, thinkMs, keyMs, totalMs, idleMs })
  return { ...rest, judge: FIRST_JUDGE, events }
}

/** What an older version has queued, as this one sends it. What the server refused then it may take now. */
function upgraded({ refused, ...parcel }: Parcel): Parcel {
  const body = parcel.body as object
  if (parcel.path.startsWith('/attempts/') && 'entries' in body)
    return { ...parcel, body: upgradedRecord(body as OlderRecord) }
  if (parcel.path.startsWith('/recalls/') && 'right' in body) {
    const { right, ms, thinkMs, ...rest } = body as {
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
  return refused === undefined ? parcel : { ...parcel, refused }
}

function upgradedAttempt(kept: LocalAttempt | OlderRecord): LocalAttempt[] {
  if ('record' in kept) return [kept]
  try {
    const record = upgradedRecord(kept)
    return [{ record, verdict: judgeRecord(record) }]
  } catch {
    return []
  }
}

/** Keeps a new sitting. Old ones are let go; what was begun in them is sent first. */
export async function keepSitting(sitting: LocalSitting): Promise<void> {
  const tx = (await database()).transaction(['sittings', 'outbox'], 'readwrite')
  const sittings = tx.objectStore('sittings')
  const oldest = new Date(Date.parse(sitting.startedAt) - KEPT_DAYS * 86_400_000).toISOString()
  for (const old of await sittings.getAll()) {
    if (old.startedAt >= oldest) continue
    const record = old.open && stopped(old.open)
    if (record) {
      if (old.attempts.length === 0) await tx.objectStore('outbox').add(announced(old))
      await tx.objectStore('outbox').add(posted(record))
    }
    await sittings.delete(old.id)
  }
  await sittings.put(sitting)
  await tx.done
}

/** An attempt that is not gone on with: ended where it was left; undefined when nothing was entered in it. */
export function stopped(open: AttemptRecord): AttemptRecord | undefined {
  const { entries, mostHelp, outcome } = progressOf(open)
  if (!entries.some((e) => moved(e) || mistaken(e))) return undefined
  if (outcome !== undefined) return open
  const events = [...open.events, { kind: 'stopped', at: durationOf(open.events) } as const]
  return { ...open, support: mostHelp, events }
}

export async function keptSitting(id: string): Promise<LocalSitting | undefined> {
  return (await database()).get('sittings', id)
}

/** Keeps what has happened so far in the attempt under way. */
export async function keepOpen(open: AttemptRecord): Promise<void> {
  const tx = (await database()).transaction('sittings', 'readwrite')
  const sitting = await tx.store.get(open.sittingId)
  // One that has just ended is not open again.
  if (sitting && !sitting.attempts.some((a) => a.record.id === open.id))
    await tx.store.put({ ...sitting, open })
  await tx.done
}

let waiting: AttemptRecord | undefined

/** The same right after the key that brought it about, so that what is said need not wait; `keepOpenNow` does not wait. */
export function keepOpenSoon(open: AttemptRecord): void {
  if (!waiting) setTimeout(() => void keepOpenNow())
  waiting = open
}

export async function keepOpenNow(): Promise<void> {
  const open = waiting
  waiting = undefined
  if (open) await keepOpen(open)
}

const posted = ({ id, ...body }: AttemptRecord): Parcel => ({ path: `/attempts/${id}`, body })

/**
 * Adds an attempt to its sitting and queues it for the server, both or neither. The first one brings the
 * announcement of the sitting with it, so that a sitting in which nothing was done leaves no trace.
 */
export async function keepAttempt(attempt: LocalAttempt): Promise<void> {
  const { record } = attempt
  const tx = (await database()).transaction(['sittings', 'outbox'], 'readwrite')
  const sitting = await tx.objectStore('sittings').get(record.sittingId)
  if (sitting) {
    if (sitting.attempts.length === 0) await tx.objectStore('outbox').add(announced(sitting))
    const { open: _, ...rest } = sitting
    await tx.objectStore('sittings').put({ ...rest, attempts: [...sitting.attempts, attempt] })
  }
  await tx.objectStore('outbox').add(posted(record))
  await tx.done
}

/** Drops a removed learner's sittings and whatever of theirs was still to be sent. */
export async function forgetLearner(learnerId: string): Promise<void> {
  const tx = (await database()).transaction(['sittings', 'outbox'], 'readwrite')
  const gone = new Set<string>()
  for (const sitting of await tx.objectStore('sittings').getAll())
    if (sitting.learnerId === learnerId) {
      gone.add(sitting.id)
      await tx.objectStore('sittings').delete(sitting.id)
    }
  const [keys, values] = await Promise.all([
    tx.objectStore('outbox').getAllKeys(),
    tx.objectStore('outbox').getAll(),
  ])
  for (const [i, { path, body }] of values.entries()) {
    const its = body as { learnerId?: string; sittingId?: string }
    if (path.includes(learnerId) || its.learnerId === learnerId || (its.sittingId && gone.has(its.sittingId)))
      await tx.objectStore('outbox').delete(keys[i]!)
  }
  await tx.done
}

/** Queues one recall of a fact for the server. */
export async function keepRecall({ id, ...body }: RecallWire): Promise<void> {
  await (await database()).add('outbox', { path: `/recalls/${id}`, body })
}

/** Queues a change of some fields; what has not been sent yet of the same thing goes with it. */
export async function keepChange(path: string, change: object): Promise<void> {
  const db = await database()
  // One request and its commit at once: a page that is left in the very next moment would undo a longer transaction.
  const adding = db.transaction('outbox', 'readwrite')
  adding.store.add({ method: 'PATCH', path, body: change })
  adding.commit()
  await adding.done
  const tx = db.transaction('outbox', 'readwrite')
  const [keys, values] = await Promise.all([tx.store.getAllKeys(), tx.store.getAll()])
  const same = [...values.entries()].filter(([, p]) => p.path === path && p.method === 'PATCH')
  if (same.length > 1) {
    const body = Object.assign({}, ...same.flatMap(([, p]) => (p.refused === undefined ? [p.body] : [])))
    for (const [i] of same) await tx.store.delete(keys[i]!)
    // Under a new key: one of them may be on its way just now, and is struck off when it has arrived.
    await tx.store.add({ method: 'PATCH', path, body })
  }
  await tx.done
}

/** The changes that have not been sent yet, unless the server has refused them. */
export async function keptChange<T>(path: string): Promise<Partial<T>> {
  try {
    const all = await (await database()).getAll('outbox')
    const kept = all.filter((p) => p.path === path && p.method === 'PATCH' && p.refused === undefined)
    return Object.assign({}, ...kept.map((p) => p.body))
  } catch {
    return {}
  }
}

function announced({ id, learnerId, technique, level, planned, startedAt }: LocalSitting): Parcel {
  const body: SittingStart = { learnerId, technique, level, planned, startedAt }
  return { path: `/sittings/${id}`, body }
}

export async function endSitting(id: string): Promise<void> {
  const tx = (await database()).transaction('sittings', 'readwrite')
  const sitting = await tx.store.get(id)
  if (sitting) await tx.store.put({ ...sitting, ended: true })
  await tx.done
}

/** The parcels in the order they were queued, with their keys. */
export async function parcels(): Promise<[number, Parcel][]> {
  const tx = (await database()).transaction('outbox')
  const [keys, values] = await Promise.all([tx.store.getAllKeys(), tx.store.getAll()])
  return keys.map((key, i) => [key, values[i]!])
}

export async function settleParcel(key: number, refused?: string): Promise<void> {
  const tx = (await database()).transaction('outbox', 'readwrite')
  const parcel = await tx.store.get(key)
  if (refused !== undefined && parcel) await tx.store.put({ ...parcel, refused }, key)
  else await tx.store.delete(key)
  await tx.done
}
