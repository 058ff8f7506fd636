import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { TestServer } from './server.js'

/** Makes the demo data once; every test starts from a copy. */
export default async function setup(): Promise<void> {
  const data = mkdtempSync(join(tmpdir(), 'tachymetra-demo-'))
  const server = new TestServer(data)
  await server.start()
  await server.stop()
  process.env.TACHYMETRA_DEMO_TEMPLATE = data
}
