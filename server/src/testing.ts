/** A server over a database of its own, for tests. */
import { mkdtempSync } from 'node:fs'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pino from 'pino'
import { afterAll, beforeAll } from 'vitest'
import { createApp } from './app.js'
import type { Database } from './store/database.js'
import { loadDemo } from './store/demo.js'
import { openDatabase } from './store/files/opening.js'
import { CHORES_HERE } from './work/chores.js'
import { judgeHere } from './work/judge.js'

/** The whole interface over a database, all its work done here and now. */
export const testApp = (db: Database, file: string, data: string) =>
  createApp({
    db,
    file,
    data,
    judge: judgeHere,
    chores: CHORES_HERE,
    log: pino({ level: 'silent' }),
    loopback: true,
  })

/** @param demoDay the day the demo data end before; without one the program is empty. */
export function testServer(demoDay?: string) {
  const data = mkdtempSync(join(tmpdir(), 'tachymetra-'))
  const file = join(data, 'test.sqlite')
  const database = openDatabase(file)
  const server = createServer(testApp(database.db, file, data))
  // A test that computes for seconds must not find its connection closed meanwhile.
  server.keepAliveTimeout = 0
  const base = () => `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`

  beforeAll(async () => {
    if (demoDay) loadDemo(database.db, demoDay)
    await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready))
  })
  afterAll(() => {
    server.close()
    database.close()
  })

  async function send(method: string, path: string, body?: unknown, headers: Record<string, string> = {}) {
    const response = await fetch(base() + path, {
      method,
      headers: { ...(body !== undefined && { 'Content-Type': 'application/json' }), ...headers },
      ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    })
    const text = await response.text()
    const type = response.headers.get('content-type') ?? ''
    return { status: response.status, type, body: /json/.test(type) ? JSON.parse(text) : text }
  }
  const get = async <T>(path: string) => (await send('GET', path)).body as T
  return { database, file, data, base, send, get }
}
