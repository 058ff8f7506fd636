/** npm test: installs if needed, then types, lint, unit tests, build, browser tests; ends at the first that fails. */
import { existsSync, mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ensureBuilt, ensureInstalled, fail, run, runBin, say } from './prepare.mjs'

/** Programs by the Debian packages they come in. */
const NEEDED = { '/usr/bin/chromium': 'chromium', '/usr/bin/pdftotext': 'poppler-utils' }
const reports = mkdtempSync(join(tmpdir(), 'tachymetra-test-'))

ensureInstalled()
stage('Types', 'tsc', ['-b'])
stage('Lint and format', 'biome', ['check', '--error-on-warnings', '.'])
stage('Nothing unused', 'knip', [])
const unit = join(reports, 'unit.json')
stage('Unit tests', 'vitest', ['run', '--reporter=dot', '--reporter=json', `--outputFile.json=${unit}`])
ensureBuilt()
ensurePackages()
const browser = join(reports, 'browser.json')
stage('Browser tests', 'playwright', ['test', '-c', 'e2e/playwright.config.ts'], {
  PLAYWRIGHT_JSON_OUTPUT_NAME: browser,
})

const { numPassedTests, numFailedTests } = read(unit)
const { expected, unexpected, flaky } = read(browser).stats
process.stdout.write(
  `tests: ${numPassedTests + expected + flaky} passed, ${numFailedTests + unexpected} failed\n`,
)

function stage(name, command, args, env = {}) {
  say(`\n${name}`)
  if (runBin(command, args, { env: { ...process.env, ...env } }) !== 0) fail(`${name}: failed.`)
}

function read(file) {
  return JSON.parse(readFileSync(file, 'utf8'))
}

/** What the browser tests need of Debian: its Chromium, and a reader of PDFs that is not ours. Where we may, they are installed. */
function ensurePackages() {
  const missing = Object.entries(NEEDED).filter(([file]) => !existsSync(file))
  if (missing.length === 0) return
  const names = missing.map(([, name]) => name)
  const help = `The browser tests need Debian's ${names.map((n) => `"${n}"`).join(' and ')}: install it.`
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) fail(help)
  say(`\nInstalling Debian's ${names.join(' and ')} (about half a minute, once)...`)
  const options = {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  }
  run('apt-get', ['update', '-qq'], options)
  const done = run('apt-get', ['install', '-y', '-qq', ...names], options) === 0
  if (!done || missing.some(([file]) => !existsSync(file))) fail(help)
}
