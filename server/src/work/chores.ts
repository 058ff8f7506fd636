/**
 * Work that takes long: backups, restores, removals from what is put aside, the demo. Each is done in a process of its own, one after
 * another, which can be ended at any moment whatever a file makes it do.
 */
import { type ChildProcess, fork } from 'node:child_process'
import { constants, setPriority } from 'node:os'
import { InputError } from '@tachymetra/core/problem'
import type { Holdings } from '@tachymetra/core/wire'
import { fillWithDemo } from '../store/demo.js'
import { backUpFile } from '../store/files/backup.js'
import { look, type Restore, removeFromAside, restore } from '../store/files/restore.js'
import { TooBusy } from '../store/writes.js'

type Alone = <T>(work: () => Promise<T>) => Promise<T>

export interface Chores {
  /** Writes everything a database holds to a file. */
  backUp(database: string, file: string): Promise<void>
  /** What a packed backup holds. @throws InputError where it cannot be used */
  look(packed: string): Promise<Holdings>
  /** @param alone runs the part in which nobody else may write. @throws InputError where it cannot be used */
  restore(what: Restore, alone: Alone): Promise<Holdings>
  /** Removes a learner from what is put aside in a folder. */
  removeFromAside(folder: string, learnerId: string): Promise<void>
  /**
   * Fills an empty database with the demo data up to the day before.
   * @param alone as in `restore`
   * @returns how many attempts were stored; none where anybody is there
   */
  fillWithDemo(database: string, today: string, alone: Alone): Promise<number>
}

/** What a process is asked to do. */
export type Chore =
  | { readonly kind: 'backup'; readonly database: string; readonly file: string }
  | { readonly kind: 'look'; readonly packed: string }
  | ({ readonly kind: 'restore' } & Restore)
  | { readonly kind: 'aside'; readonly folder: string; readonly learnerId: string }
  | { readonly kind: 'demo'; readonly database: string; readonly today: string }

/** What comes of one. */
export type Done = Holdings | number | null

/** What it says: that it wants to be alone, that it is done, or why not. */
export type Said =
  | { readonly wants: 'alone' }
  | { readonly done: Done }
  | { readonly refused: string }
  | { readonly failed: string; readonly code?: string | undefined }

/** Done here and now, in commands and tests. */
export const CHORES_HERE: Chores = {
  backUp: backUpFile,
  look,
  restore,
  removeFromAside,
  fillWithDemo: (database, today, alone) => alone(async () => fillWithDemo(database, today)),
}

/** Longest a chore may take, in milliseconds, its memory in megabytes, and how many wait. */
const LONGEST_MS = 15 * 60_000
const LOOK_MS = 5 * 60_000
const MOST_MEMORY = 1024
const MOST_WAITING = 20

/** @param file the script of such a process, compiled */
export function choreProcesses(file: string): { readonly chores: Chores; close(): void } {
  let running: ChildProcess | undefined
  let closed = false
  let waiting = 0
  let last: Promise<unknown> = Promise.resolve()
  const inTurn = async <T extends Done>(chore: Chore, alone?: Alone): Promise<T> => {
    if (waiting >= MOST_WAITING) throw new TooBusy()
    waiting += 1
    const mine = last.then(() => {
      if (closed) throw new TooBusy()
      running = fork(file, {
        execArgv: [`--max-old-space-size=${MOST_MEMORY}`],
        stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
      })
      return done(running, chore, alone) as Promise<T>
    })
    last = mine.catch(() => {})
    try {
      return await mine
    } finally {
      waiting -= 1
      running = undefined
    }
  }
  return {
    chores: {
      backUp: async (database, file) => void (await inTurn({ kind: 'backup', database, file })),
      look: (packed) => inTurn<Holdings>({ kind: 'look', packed }),
      restore: (what, alone) => inTurn<Holdings>({ kind: 'restore', ...what }, alone),
      removeFromAside: async (folder, learnerId) => void (await inTurn({ kind: 'aside', folder, learnerId })),
      fillWithDemo: (database, today, alone) => inTurn<number>({ kind: 'demo', database, today }, alone),
    },
    close() {
      closed = true
      running?.kill('SIGKILL')
    },
  }
}

/** Waits for a process to do a chore; it is ended when that takes too long. */
function done(child: ChildProcess, chore: Chore, alone?: Alone): Promise<Done> {
  // Whoever is practising goes first; before the demo is there nobody is.
  if (child.pid !== undefined && chore.kind !== 'demo') lessUrgent(child.pid)
  return new Promise((resolve, reject) => {
    let over: (() => void) | undefined
    const timer = setTimeout(() => child.kill('SIGKILL'), chore.kind === 'look' ? LOOK_MS : LONGEST_MS)
    const settle = (settled: () => void) => {
      clearTimeout(timer)
      over?.()
      settled()
      child.kill('SIGKILL')
    }
    child.on('message', (said: Said) => {
      if ('wants' in said)
        void alone!(
          () =>
            new Promise<void>((release) => {
              over = release
              child.send('go')
            }),
        )
      else if ('done' in said) settle(() => resolve(said.done))
      else if ('refused' in said) settle(() => reject(new InputError(said.refused)))
      else settle(() => reject(Object.assign(new Error(said.failed), { code: said.code })))
    })
    child.on('error', (error) => settle(() => reject(error)))
    child.on('exit', () =>
      settle(() =>
        reject(
          chore.kind === 'look' || chore.kind === 'restore'
            ? new InputError(
                'The backup could not be looked at in the time and room there is. Nothing was changed.',
              )
            : new Error(`${chore.kind} was ended`),
        ),
      ),
    )
    child.send(chore)
  })
}

function lessUrgent(pid: number): void {
  try {
    setPriority(pid, constants.priority.PRIORITY_BELOW_NORMAL)
  } catch {
    // Not allowed here: then it shares.
  }
}
