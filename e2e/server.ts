/** The built server as a process of its own, with a data folder of its own. */
import { type ChildProcess, spawn } from 'node:child_process'
import { cpSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const ROOT = join(import.meta.dirname, '..')

export class TestServer {
  private process: ChildProcess | undefined
  private port = 0
  url = ''

  constructor(
    readonly data: string,
    private readonly args: readonly string[] = [],
  ) {}

  /** Starts it; after the first time on the same port as before. */
  async start(): Promise<void> {
    const child = spawn(process.execPath, ['scripts/serve.mjs', ...this.args], {
      cwd: ROOT,
      env: { ...process.env, PORT: String(this.port), HOST: '127.0.0.1', TACHYMETRA_DATA: this.data },
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    this.process = child
    this.url = await new Promise<string>((ready, fail) => {
      let said = ''
      child.stdout!.on('data', (chunk) => {
        said += chunk
        const found = /http:\/\/\S+/.exec(said)
        if (found) ready(found[0])
      })
      child.once('exit', (code) => fail(new Error(`the server ended with ${code}`)))
    })
    this.port = Number(new URL(this.url).port)
  }

  /** @param signal SIGTERM stops it as Ctrl-C would; SIGKILL as a power cut would. */
  async stop(signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
    const child = this.process
    if (!child || child.exitCode !== null || child.signalCode !== null) return
    const gone = new Promise((done) => child.once('exit', done))
    child.kill(signal)
    await gone
  }

  async api<T>(path: string, init?: RequestInit): Promise<T> {
    const response = await fetch(`${this.url}/api${path}`, init)
    return (await response.json()) as T
  }
}

/** A folder with the demo data as they are first made; `demo` is that folder's path, from the setup. */
export function demoCopy(): string {
  const data = mkdtempSync(join(tmpdir(), 'tachymetra-e2e-'))
  cpSync(process.env.TACHYMETRA_DEMO_TEMPLATE!, data, { recursive: true })
  return data
}
