/**
 * Writing: whatever waits is written in one transaction, each piece undone by itself where it fails, and nobody is told
 * that something is stored before that transaction is on disk.
 */
import type { Database, Transaction } from './database.js'

interface Waiting {
  readonly work: (tx: Transaction) => unknown
  readonly done: (result: unknown) => void
  readonly failed: (error: unknown) => void
}

/** Thrown where too many wait to write: the same may be tried again a little later. */
export class TooBusy extends Error {}

/** Most that wait at once, and how long one transaction goes on taking what waits, in milliseconds. */
const MOST_WAITING = 5000
const ROUND_MS = 40

class Queue {
  private readonly waiting: Waiting[] = []
  private due = false
  private alone: Promise<unknown> | undefined

  constructor(private readonly db: Database) {}

  add(waiting: Waiting): void {
    if (this.waiting.length >= MOST_WAITING) waiting.failed(new TooBusy())
    else this.waiting.push(waiting)
    this.soon()
  }

  /** Runs when nothing is being written, and lets nobody write until it is done. */
  async hold<T>(work: () => Promise<T>): Promise<T> {
    while (this.alone) await this.alone.catch(() => {})
    const mine = work()
    this.alone = mine
    try {
      return await mine
    } finally {
      this.alone = undefined
      this.soon()
    }
  }

  /** After what has arrived in the meantime has been read, so that it goes along. */
  private soon(): void {
    if (this.due || this.alone || this.waiting.length === 0) return
    this.due = true
    setImmediate(() => {
      this.due = false
      if (!this.alone) this.round()
      this.soon()
    })
  }

  private round(): void {
    const { $client: driver } = this.db
    const told: (() => void)[] = []
    const taken: Waiting[] = []
    try {
      driver.exec('begin immediate')
      const until = performance.now() + ROUND_MS
      while (this.waiting.length > 0 && performance.now() < until) {
        const one = this.waiting.shift()!
        taken.push(one)
        told.push(this.attempted(one))
      }
      driver.exec('commit')
    } catch (error) {
      if (driver.inTransaction) driver.exec('rollback')
      // Where not even a transaction could be begun, only the first is told: the next ones may be luckier.
      if (taken.length === 0) taken.push(this.waiting.shift()!)
      for (const { failed } of taken) failed(error)
      return
    }
    for (const tell of told) tell()
  }

  /** @returns how to tell what came of it, once all is on disk. @throws where the whole transaction is lost with it */
  private attempted({ work, done, failed }: Waiting): () => void {
    const { $client: driver } = this.db
    driver.exec('savepoint one')
    try {
      // One connection: what is run on the database takes part in the transaction.
      const result = work(this.db as unknown as Transaction)
      driver.exec('release one')
      return () => done(result)
    } catch (error) {
      if (!driver.inTransaction) throw error
      driver.exec('rollback to one; release one')
      return () => failed(error)
    }
  }
}

const queues = new WeakMap<Database, Queue>()

function queueOf(db: Database): Queue {
  const found = queues.get(db) ?? new Queue(db)
  queues.set(db, found)
  return found
}

/**
 * Writes, all or nothing, together with whatever else is waiting to be written.
 * @param work must not wait for anything
 * @returns what came of it, once it is on disk
 * @throws whatever the work throws; TooBusy where too many wait already
 */
export function write<T>(db: Database, work: (tx: Transaction) => T): Promise<T> {
  return new Promise<T>((done, failed) =>
    queueOf(db).add({ work, done: done as (result: unknown) => void, failed }),
  )
}

/** Runs while nobody writes; whoever wants to waits until it is done. */
export function whileNobodyWrites<T>(db: Database, work: () => Promise<T>): Promise<T> {
  return queueOf(db).hold(work)
}
