/**
 * What the server said last, kept in this browser, so that the program opens without it. Each answer is under the learner it
 * is about; what is shown of another is never taken from it.
 */
import type { PersistedClient, Persister } from '@tanstack/react-query-persist-client'
import { type DBSchema, openDB } from 'idb'

interface Shape extends DBSchema {
  heard: { key: 'client'; value: PersistedClient }
}

const database = () =>
  openDB<Shape>('tachymetra-heard', 1, {
    upgrade: (db) => void db.createObjectStore('heard'),
    blocking: (_now, _wanted, event) => (event.target as unknown as IDBDatabase).close(),
  })

/** Where nothing can be kept the program asks the server each time, as if nothing had been heard. */
async function orNothing<T>(work: () => Promise<T>): Promise<T | undefined> {
  try {
    return await work()
  } catch {
    return undefined
  }
}

const persister: Persister = {
  persistClient: (client) =>
    orNothing(async () => void (await (await database()).put('heard', client, 'client'))) as Promise<void>,
  restoreClient: () => orNothing(async () => (await database()).get('heard', 'client')),
  removeClient: () => orNothing(async () => (await database()).delete('heard', 'client')) as Promise<void>,
}

const DAY_MS = 86_400_000
/** So long it may be shown, with the day it is from. */
const KEPT_MS = 30 * DAY_MS

/** Lists that grow without end, and single problems, are asked for anew. */
const ASKED_ANEW = ['attempt', 'session']

export const persistOptions = {
  persister,
  maxAge: KEPT_MS,
  buster: __VERSION__,
  dehydrateOptions: {
    // What was heard once stays, also where asking again has failed.
    shouldDehydrateQuery: ({ state, queryKey }: { state: { data: unknown }; queryKey: readonly unknown[] }) =>
      state.data !== undefined && !ASKED_ANEW.includes(String(queryKey[1])),
  },
}
