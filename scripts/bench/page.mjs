/** The built application in headless Chromium, for benchmarks: a server on data of its own, and a browser. */
import { spawn } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ROOT } from '../prepare.mjs'

const ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

export function launchBrowser() {
  const { chromium } = createRequire(new URL('../../e2e/package.json', import.meta.url))('@playwright/test')
  return chromium.launch({ executablePath: '/usr/bin/chromium', args: ARGS })
}

/** Runs `measure(browser, url)` and closes everything after it. */
export async function withBrowser(measure) {
  const server = spawn(process.execPath, ['scripts/serve.mjs'], {
    cwd: ROOT,
    env: { ...process.env, PORT: '0', TACHYMETRA_DATA: mkdtempSync(join(tmpdir(), 'tachymetra-bench-')) },
    stdio: ['ignore', 'pipe', 'ignore'],
  })
  const url = await new Promise((ready) => {
    server.stdout.on('data', (chunk) => /http:\S+/.test(chunk) && ready(/http:\S+/.exec(chunk)[0]))
  })
  const browser = await launchBrowser()
  try {
    await measure(browser, url)
  } finally {
    await browser.close()
    server.kill('SIGTERM')
  }
}

/** The value below which a share of the values lies. */
export function quantile(values, share) {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]
}
