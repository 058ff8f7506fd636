/** What the browser keeps of its own: what is not yet sent, and the session under way with its open attempt. */

import { byTime } from '@tachymetra/core/number'
import { type AttemptRecord, type Stretch, type StretchEvent, stretchAfter } from '@tachymetra/core/session'
import type { Variant } from '@tachymetra/core/technique'
import type { SessionStart } from '@tachymetra/core/wire'
import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import { upgradedParcel, upgradedSession } from './older.js'

/** A session as it was begun, with what has been done of it. */
export interface LocalSession extends SessionStart, Stretch {
  readonly id: string
  /** Where practitioners differ: what was chosen, by technique and option. */
  readonly variants?: Readonly<Record<string, Variant>>
  /** The first session of all: without a clock, its keys explained. */
  readonly first?: boolean
}

/** Something for the server, kept until it has said that it is stored. */
export interface Parcel {
  /** PUT where none is named, as in what an older version has queued. */
  readonly method?: 'PATCH'
  readonly path: string
  readonly body: unknown
  /** The server's reason for refusing it for good. */
  readonly refused?: string
  /** Whose it is, where its body does not say. */
  readonly learnerId?: string
}

interface Shape extends DBSchema {
  outbox: { key: number; value: Parcel }
  sessions: { key: string; value: LocalSession }
}

/** Sessions are kept so many days, to be gone on with. */
const KEPT_DAYS = 7
const VERSION = 3

let opened: Promise<IDBPDatabase<Shape>> | undefined

function database(): Promise<IDBPDatabase<Shape>> {
  opened ??= openDB<Shape>('tachymetra', VERSION, {
    async upgrade(db, before, _now, tx) {
      db.createObjectStore('sessions', { keyPath: 'id' })
      if (before < 1) {
        db.createObjectStore('outbox', { autoIncrement: true })
        return
      }
      const outbox = tx.objectStore('outbox')
      for (const key of await outbox.getAllKeys())
        await outbox.put(upgradedParcel((await outbox.get(key))!, before), key)
      // What earlier versions called sittings.
      const older = (tx as unknown as { objectStore(name: string): typeof outbox }).objectStore('sittings')
      for (const session of await older.getAll())
        await tx.objectStore('sessions').put(upgradedSession(session, before))
      ;(db as unknown as IDBDatabase).deleteObjectStore('sittings')
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

/** Keeps a new session. Old ones are let go; what was begun in them is sent first. */
export async function keepSession(session: LocalSession): Promise<void> {
  const tx = (await database()).transaction(['sessions', 'outbox'], 'readwrite')
  const sessions = tx.objectStore('sessions')
  const oldest = new Date(Date.parse(session.startedAt) - KEPT_DAYS * 86_400_000).toISOString()
  for (const old of await sessions.getAll()) {
    if (old.startedAt >= oldest) continue
    const left = stretchAfter(old, { kind: 'ended' })
    for (const parcel of parcelsOf(old, left)) await tx.objectStore('outbox').add(parcel)
    await sessions.delete(old.id)
  }
  await sessions.put(session)
  await tx.done
}

/**
 * Keeps what has happened in a session, and queues what is over in it for the server, both or neither. The first attempt
 * brings the announcement of the session with it, so that a session in which nothing was done leaves no trace.
 * @param held the session as the page holds it, for where it is not kept yet or has been cleared away meanwhile
 */
export async function keepHappened(held: LocalSession, event: StretchEvent): Promise<void> {
  const tx = (await database()).transaction(['sessions', 'outbox'], 'readwrite')
  const before = (await tx.objectStore('sessions').get(held.id)) ?? held
  const after = stretchAfter(before, event)
  const queued = parcelsOf(before, after)
  for (const parcel of queued) await tx.objectStore('outbox').add(parcel)
  await tx.objectStore('sessions').put(after)
  await tx.done
  if (queued.length > 0) askToStay()
}

export async function keptSession(id: string): Promise<LocalSession | undefined> {
  return (await database()).get('sessions', id)
}

/** The newest session of a learner that was left before its end, with something done in it; undefined when there is none. */
export async function unfinishedSession(learnerId: string): Promise<LocalSession | undefined> {
  const all = await (await database()).getAll('sessions')
  return all
    .filter((s) => s.learnerId === learnerId && !s.ended && (s.attempts.length > 0 || begun(s)))
    .toSorted((a, b) => byTime(b.startedAt, a.startedAt))[0]
}

const begun = ({ open }: LocalSession) => open?.events.some((e) => e.kind === 'entered') ?? false

const posted = ({ id, ...body }: AttemptRecord, learnerId: string): Parcel => ({
  path: `/attempts/${id}`,
  body,
  learnerId,
})

const told = ({ attempts, recalls = [] }: Stretch) => attempts.length + recalls.length

/** All that the server needs of what has been handed in between two states of a session, its announcement first. */
export function parcelsOf(before: Stretch, after: LocalSession): Parcel[] {
  const { attempts, recalls = [] } = after
  const fresh = [
    ...attempts.slice(before.attempts.length).map(({ record }) => posted(record, after.learnerId)),
    // Only the first time in a round tells what is remembered.
    ...recalls.flatMap(({ recall: { id, ...body } }, i) =>
      i >= (before.recalls?.length ?? 0) && recalls.findIndex((r) => r.recall.n === body.n) === i
        ? [{ path: `/recalls/${id}`, body }]
        : [],
    ),
  ]
  if (fresh.length === 0) return []
  return [...(told(before) === 0 ? [announced(after)] : []), ...fresh]
}

let asked = false
/** What is not sent yet should not be cleared away by the browser; asked once, when there is something to lose. */
function askToStay(): void {
  if (asked || !navigator.storage?.persist) return
  asked = true
  navigator.storage.persist().catch(() => undefined)
}

/** Drops a removed learner's sessions and whatever of theirs was still to be sent. */
export async function forgetLearner(learnerId: string): Promise<void> {
  const tx = (await database()).transaction(['sessions', 'outbox'], 'readwrite')
  const gone = new Set<string>()
  for (const session of await tx.objectStore('sessions').getAll())
    if (session.learnerId === learnerId) {
      gone.add(session.id)
      await tx.objectStore('sessions').delete(session.id)
    }
  const [keys, values] = await Promise.all([
    tx.objectStore('outbox').getAllKeys(),
    tx.objectStore('outbox').getAll(),
  ])
  for (const [i, { path, body, learnerId: whose }] of values.entries()) {
    const its = { learnerId: whose, ...(body as { learnerId?: string; sessionId?: string }) }
    if (path.includes(learnerId) || its.learnerId === learnerId || (its.sessionId && gone.has(its.sessionId)))
      await tx.objectStore('outbox').delete(keys[i]!)
  }
  await tx.done
}

/** Queues what is kept nowhere else in this browser, all or nothing. */
export async function keepParcels(all: readonly Parcel[]): Promise<void> {
  const tx = (await database()).transaction('outbox', 'readwrite')
  for (const parcel of all) await tx.store.add(parcel)
  await tx.done
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

function announced({
  id,
  learnerId,
  startedAt,
  recipe,
  seed,
  generator,
}: SessionStart & { readonly id: string }): Parcel {
  const body: SessionStart = { learnerId, startedAt, recipe, seed, generator }
  return { path: `/sessions/${id}`, body }
}

/** What announces a session that is still kept here. */
export async function keptAnnouncement(id: string): Promise<Parcel | undefined> {
  const session = await keptSession(id)
  return session && announced(session)
}

/** What was refused is to be sent once more. */
export async function takeBackRefusals(): Promise<void> {
  await eachRefused(({ refused: _, ...parcel }) => parcel)
}

/** What was refused is let go. */
export async function dropRefused(): Promise<void> {
  await eachRefused(() => undefined)
}

/** Puts something else in the place of everything that was refused; undefined removes it. */
async function eachRefused(turned: (parcel: Parcel) => Parcel | undefined): Promise<void> {
  const tx = (await database()).transaction('outbox', 'readwrite')
  for (let cursor = await tx.store.openCursor(); cursor; cursor = await cursor.continue()) {
    if (cursor.value.refused === undefined) continue
    const next = turned(cursor.value)
    await (next ? cursor.update(next) : cursor.delete())
  }
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
