import { chmodSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { createServer } from 'node:http'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { parseArgs } from 'node:util'
import pino from 'pino'
import { createApp } from './app.js'
import { openLog } from './log.js'
import type { Database } from './store/database.js'
import { loadDemo } from './store/demo.js'
import { eraseOverdue } from './store/erase.js'
import { clearWorking } from './store/files/backup.js'
import { lockFolder } from './store/files/lock.js'
import { isSound, openDatabase } from './store/files/opening.js'
import { isClockRight } from './store/times.js'
import { choreProcesses } from './work/chores.js'
import { judgePool } from './work/judge.js'

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '../..')

/** A setting that cannot be used; the message is one line for the person at the terminal. */
export class StartError extends Error {}

export interface Settings {
  readonly port: number
  readonly host: string
  /** Folder of the database and the log. */
  readonly data: string
  readonly demo: boolean
  /** Others on the network are let in, although nobody has to sign in. */
  readonly open: boolean
}

const FLAGS = { empty: { type: 'boolean' }, open: { type: 'boolean' } } as const
const isLoopback = (host: string) => /^(localhost|127(\.\d{1,3}){3}|::1)$/i.test(host)

/** @throws StartError naming the setting that cannot be used. */
export function readSettings(env: NodeJS.ProcessEnv, args: readonly string[]): Settings {
  const port = env.PORT === undefined || env.PORT === '' ? 4173 : Number(env.PORT)
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new StartError(`PORT is a number from 0 to 65535, not "${env.PORT}".`)
  const { empty = false, open = false } = flagsOf(args)
  const host = env.HOST || '127.0.0.1'
  if (!isLoopback(host) && !open)
    throw new StartError(
      `HOST=${host} would let everybody on the network read and change the records: there is no sign-in yet. If that is meant, add --open.`,
    )
  return {
    port,
    host,
    open,
    data: resolve(env.TACHYMETRA_DATA || join(ROOT, 'data')),
    demo: !empty,
  }
}

/** @throws StartError for arguments that are not known */
function flagsOf(args: readonly string[]): { readonly empty?: boolean; readonly open?: boolean } {
  try {
    return parseArgs({ args: [...args], options: FLAGS }).values
  } catch {
    throw new StartError(
      `"${args.join(' ')}" is not known here. Known: --empty (start without demo data), --open (let others on the network in).`,
    )
  }
}

/** The demo is a database of its own, so that it never mixes with a real record. */
export function databaseFile({ data, demo }: Pick<Settings, 'data' | 'demo'>): string {
  return join(data, demo ? 'demo.sqlite' : 'tachymetra.sqlite')
}

/** Requests under way have so long to be answered once it stops; a client that will not let go is cut off. */
const LET_GO_MS = 3000

/**
 * Opens the database, loads the demo data when asked to and nobody is there yet, and serves until it is stopped.
 * @returns its address, and how to stop it: what is under way is answered, written and closed first
 * @throws StartError when the data folder or the port cannot be used.
 */
export async function serve(
  settings: Settings,
  say: (line: string) => void,
): Promise<{ readonly url: string; stop(): Promise<void> }> {
  const { host, port, data, demo } = settings
  // Whatever is made from here on is for this account alone.
  process.umask(0o077)
  const file = databaseFile(settings)
  const { db, close } = openData(settings, say)
  clearWorking(data)
  const destination = attempted(`The log in ${data} cannot be written`, () => openLog(data, say))
  const log = pino({ level: 'info' }, destination)
  const now = new Date()
  warnOfClock(now, say)
  if (demo) fillDemo(db, now, say)

  const judges = judgePool(fileURLToPath(new URL('work/judge.worker.js', import.meta.url)))
  const processes = choreProcesses(fileURLToPath(new URL('work/chore.process.js', import.meta.url)))
  const { chores } = processes
  const loopback = isLoopback(host)
  if (!loopback)
    say('Warning: nobody has to sign in, so whoever reaches this address can read and change every record.')
  const { judge } = judges
  const web = join(ROOT, 'web/dist')
  const server = createServer(
    createApp({ db, file, data, judge, chores, log, say: seldom(say), web, loopback }),
  )
  await new Promise<void>((ready, fail) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      close()
      fail(new StartError(portTrouble(error, host, port)))
    })
    server.listen(port, host, ready)
  })
  const overdue = () =>
    eraseOverdue({ db, data, chores }, new Date().toISOString()).catch((error) =>
      log.error({ err: error }, 'erasing failed'),
    )
  void overdue()
  const daily = setInterval(overdue, 86_400_000).unref()

  const stop = async () => {
    clearInterval(daily)
    processes.close()
    const closed = new Promise((done) => server.close(done))
    server.closeIdleConnections()
    const late = setTimeout(() => server.closeAllConnections(), LET_GO_MS)
    await closed
    clearTimeout(late)
    close()
    await Promise.all([destination.flushed(), judges.close()])
  }

  const address = server.address()
  const actual = typeof address === 'object' && address ? address.port : port
  return { url: `http://${host.includes(':') ? `[${host}]` : host}:${actual}`, stop }
}

function warnOfClock(now: Date, say: (line: string) => void): void {
  const day = now.toISOString().slice(0, 10)
  if (!isClockRight(now)) say(`Warning: the clock of this machine says ${day}, which is past. Set it right.`)
}

/** Makes the demo data where nobody is there yet. */
function fillDemo(db: Database, now: Date, say: (line: string) => void): void {
  const stored = loadDemo(db, now.toISOString().slice(0, 10))
  if (stored) say(`Demo data made: ${stored} attempts of eight invented learners.`)
}

/** Says the same line at most once a minute: what goes wrong goes wrong for everybody. */
function seldom(say: (line: string) => void): (line: string) => void {
  const said = new Map<string, number>()
  return (line) => {
    const now = Date.now()
    if (now - (said.get(line) ?? 0) < 60_000) return
    said.set(line, now)
    say(line)
  }
}

/**
 * Opens the database of the settings, folder and file made if missing, and keeps other processes off the folder.
 * @param damaged what becomes of a database that is damaged
 * @throws StartError when that cannot be done
 */
export function openData(
  settings: Pick<Settings, 'data' | 'demo'>,
  say: (line: string) => void,
  damaged: 'refused' | 'put aside' = 'refused',
): ReturnType<typeof openDatabase> {
  const { data } = settings
  const file = databaseFile(settings)
  const lock = attempted(`The folder ${data} cannot be used`, () => {
    mkdirSync(data, { recursive: true, mode: 0o700 })
    chmodSync(data, 0o700)
    for (const name of readdirSync(data))
      if (statSync(join(data, name)).isFile()) chmodSync(join(data, name), 0o600)
    return lockFolder(data)
  })
  try {
    if (damaged === 'put aside' && !isSound(file)) {
      const aside = join(data, `damaged-${Date.now()}.sqlite`)
      renameSync(file, aside)
      for (const ending of ['-wal', '-shm']) rmSync(file + ending, { force: true })
      say(`The database was damaged; as it was, it stays in ${aside}.`)
    }
    if (!isSound(file))
      throw new StartError(
        `The database ${file} is damaged. Put a backup in its place: npm run -s restore -- FILE`,
      )
    const { db, close } = attempted(`The database ${file} cannot be opened`, () =>
      openDatabase(file, { keep: data, say }),
    )
    return {
      db,
      close() {
        close()
        lock.release()
      },
    }
  } catch (error) {
    lock.release()
    throw error
  }
}

function attempted<T>(what: string, work: () => T): T {
  try {
    return work()
  } catch (error) {
    throw new StartError(`${what}: ${(error as Error).message}`)
  }
}

function portTrouble(error: NodeJS.ErrnoException, host: string, port: number): string {
  if (error.code === 'EADDRINUSE')
    return `Port ${port} on ${host} is taken. Choose another: PORT=${port + 1} npm start`
  if (error.code === 'EACCES') return `Port ${port} may not be used by this account. Choose one above 1023.`
  if (error.code === 'EADDRNOTAVAIL' || error.code === 'ENOTFOUND')
    return `${host} is not an address of this machine.`
  return `The server could not listen on ${host}:${port}: ${error.message}`
}
