/** The built server with a data folder of its own: in this process, or where it is to be killed in one of its own. */
import { type ChildProcess, spawn } from 'node:child_process'
import { cpSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const ROOT = join(import.meta.dirname, '../..')

/** What runs it. */
interface Running {
  readonly url: string
  stop(signal: 'SIGTERM' | 'SIGKILL'): Promise<void>
}

export class TestServer {
  private running: Running | undefined
  url = ''

  /** @param port the one it listens on, so that a browser finds again what it has kept of it; 0 for any */
  constructor(
    readonly data: string,
    private readonly args: readonly string[] = [],
    private port = 0,
    private readonly alone = false,
  ) {}

  /** Starts it; after the first time on the same port as before. */
  async start(): Promise<void> {
    const env = { ...process.env, PORT: String(this.port), HOST: '127.0.0.1', TACHYMETRA_DATA: this.data }
    this.running = await (this.alone ? spawned(env, this.args) : here(env, this.args))
    this.url = this.running.url
    this.port = Number(new URL(this.url).port)
  }

  /** @param signal SIGTERM stops it as Ctrl-C would; SIGKILL as a power cut would, where it is a process of its own. */
  async stop(signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
    const { running } = this
    this.running = undefined
    if (signal === 'SIGKILL' && !this.alone) throw new Error('Only a process of its own can be killed.')
    await running?.stop(signal)
  }

  async api<T>(path: string, init?: RequestInit): Promise<T> {
    const response = await fetch(`${this.url}/api${path}`, init)
    return (await response.json()) as T
  }
}

/** In this process: its modules are loaded once for all tests. */
async function here(env: NodeJS.ProcessEnv, args: readonly string[]): Promise<Running> {
  const { readSettings, serve } = (await import(
    join(ROOT, 'server/dist/main.js')
  )) as typeof import('../../server/dist/main.js')
  return serve(readSettings(env, args), () => {})
}

async function spawned(env: NodeJS.ProcessEnv, args: readonly string[]): Promise<Running> {
  const child = spawn(process.execPath, ['scripts/serve.mjs', ...args], {
    cwd: ROOT,
    env,
    stdio: ['ignore', 'pipe', 'ignore'],
  })
  return { url: await addressOf(child), stop: (signal) => ended(child, signal) }
}

function addressOf(child: ChildProcess): Promise<string> {
  return new Promise((ready, fail) => {
    let said = ''
    child.stdout!.on('data', (chunk) => {
      said += chunk
      const found = /http:\/\/\S+/.exec(said)
      if (found) ready(found[0])
    })
    child.once('exit', (code) => fail(new Error(`the server ended with ${code}`)))
  })
}

async function ended(child: ChildProcess, signal: 'SIGTERM' | 'SIGKILL'): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return
  const gone = new Promise((done) => child.once('exit', done))
  child.kill(signal)
  await gone
}

/** A folder with the demo data as they are first made; `demo` is that folder's path, from the setup. */
export function demoCopy(): string {
  const data = mkdtempSync(join(tmpdir(), 'tachymetra-e2e-'))
  cpSync(process.env.TACHYMETRA_DEMO_TEMPLATE!, data, { recursive: true })
  return data
}
