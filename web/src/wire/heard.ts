/**
 * What the server said last, kept in this browser by the address it was asked at, so that the program goes on without it.
 * Whose it is stands in the address: what is shown of one learner is never taken from another.
 */
import { type DBSchema, type IDBPDatabase, openDB } from 'idb'

interface Heard {
  /** When it was said, in milliseconds since 1970. */
  readonly at: number
  readonly body: unknown
}

interface Shape extends DBSchema {
  heard: { key: string; value: Heard; indexes: { at: number } }
}

/** So long it may be shown, with the day it is from. */
const KEPT_MS = 30 * 86_400_000

/** Whether the server answers is asked of itself alone; single problems and whole exports are asked for anew. */
const ASKED_ANEW = /^\/(health|attempts|demo|holdings)|\.(csv|json)$/

let opened: Promise<IDBPDatabase<Shape>> | undefined

function database(): Promise<IDBPDatabase<Shape>> {
  opened ??= openDB<Shape>('tachymetra-heard', 1, {
    upgrade: (db) => void db.createObjectStore('heard').createIndex('at', 'at'),
    blocking(_now, _wanted, event) {
      ;(event.target as unknown as IDBDatabase).close()
      opened = undefined
    },
    terminated() {
      opened = undefined
    },
  }).then(async (db) => {
    const old = IDBKeyRange.upperBound(Date.now() - KEPT_MS)
    for (const key of await db.getAllKeysFromIndex('heard', 'at', old)) await db.delete('heard', key)
    return db
  })
  opened.catch(() => {
    opened = undefined
  })
  return opened
}

/** Keeps an answer. Where nothing can be kept the server is simply asked each time. */
export function noteHeard(path: string, body: unknown): void {
  if (ASKED_ANEW.test(path)) return
  void database()
    .then((db) => db.put('heard', { at: Date.now(), body }, path))
    .catch(() => undefined)
}

/** What was last said to this; undefined where nothing is kept. */
export async function lastHeard(path: string): Promise<Heard | undefined> {
  try {
    return await (await database()).get('heard', path)
  } catch {
    return undefined
  }
}

/** Lets go of what was said of a learner. */
export async function forgetHeard(learnerId: string): Promise<void> {
  const db = await database()
  for (const key of await db.getAllKeys('heard')) if (key.includes(learnerId)) await db.delete('heard', key)
}
