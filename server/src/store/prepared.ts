import { sql } from 'drizzle-orm'
import type { Database } from './database.js'

/** What statements are run on: the database, or a transaction on it. */
export type Store = Pick<Database, 'select' | 'selectDistinct' | 'insert' | 'update' | 'delete' | 'run'>

/**
 * A statement built once for each database and run many times: building and preparing one takes several times as
 * long as running it. Run on a transaction it takes part in it, since both share one connection.
 */
export function prepared<Statement>(
  build: (db: Database) => Statement,
): (db: Pick<Store, 'select'> | Pick<Store, 'insert'>) => Statement {
  const made = new WeakMap<object, Statement>()
  return (db) => {
    // The database and its transactions have one session between them.
    const { session } = db as unknown as { session: object }
    const found = made.get(session)
    if (found) return found
    const statement = build(db as unknown as Database)
    made.set(session, statement)
    return statement
  }
}

/** A placeholder of its own name for each column. */
export function placeholders<Key extends string>(...keys: readonly Key[]) {
  return Object.fromEntries(keys.map((key) => [key, sql.placeholder(key)])) as Record<
    Key,
    ReturnType<typeof sql.placeholder<Key>>
  >
}
