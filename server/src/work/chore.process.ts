/** Does one chore in a process of its own, and ends with whoever asked for it. */
import { InputError } from '@tachymetra/core/problem'
import { fillWithDemo } from '../store/demo.js'
import { backUpFile } from '../store/files/backup.js'
import { look, removeFromAside, restore } from '../store/files/restore.js'
import type { Chore, Said } from './chores.js'

const say = (said: Said) => process.send!(said)

/** Waits until nobody else writes. */
async function alone<T>(work: () => Promise<T>): Promise<T> {
  const go = new Promise((ready) => process.once('message', ready))
  say({ wants: 'alone' })
  await go
  return work()
}

async function work(chore: Chore): Promise<Said> {
  switch (chore.kind) {
    case 'backup':
      await backUpFile(chore.database, chore.file)
      return { done: null }
    case 'look':
      return { done: await look(chore.packed) }
    case 'restore':
      return { done: await restore(chore, alone) }
    case 'aside':
      await removeFromAside(chore.folder, chore.learnerId)
      return { done: null }
    case 'demo':
      return { done: await alone(async () => fillWithDemo(chore.database, chore.today)) }
  }
}

process.umask(0o077)
process.on('disconnect', () => process.exit(1))
process.once('message', (chore: Chore) =>
  work(chore)
    .catch((error): Said => {
      if (error instanceof InputError) return { refused: error.message }
      const { message, code } = error as Error & { readonly code?: string }
      return { failed: message, code }
    })
    .then(say),
)
