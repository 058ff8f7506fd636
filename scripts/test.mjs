/** npm test: installs if needed, then types, lint, unit tests, build, browser tests; ends at the first that fails. */
import { existsSync, mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { bin, ensureBuilt, ensureInstalled, fail, run, say } from './prepare.mjs'

const CHROMIUM = '/usr/bin/chromium'
const reports = mkdtempSync(join(tmpdir(), 'tachymetra-test-'))

ensureInstalled()
stage('Types', bin('tsc'), ['-b'])
stage('Lint and format', bin('biome'), ['check', '--error-on-warnings', '.'])
stage('Nothing unused', bin('knip'), [])
const unit = join(reports, 'unit.json')
stage('Unit tests', bin('vitest'), ['run', '--reporter=dot', '--reporter=json', `--outputFile.json=${unit}`])
ensureBuilt()
ensureChromium()
const browser = join(reports, 'browser.json')
stage('Browser tests', bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts'], {
  PLAYWRIGHT_JSON_OUTPUT_NAME: browser,
})

const { numPassedTests, numFailedTests } = read(unit)
const { expected, unexpected, flaky } = read(browser).stats
process.stdout.write(
  `tests: ${numPassedTests + expected + flaky} passed, ${numFailedTests + unexpected} failed\n`,
)

function stage(name, command, args, env = {}) {
  say(`\n${name}`)
  if (run(command, args, { env: { ...process.env, ...env } }) !== 0) fail(`${name}: failed.`)
}

function read(file) {
  return JSON.parse(readFileSync(file, 'utf8'))
}

/** The browser tests drive Debian's Chromium; where we may, it is installed. */
function ensureChromium() {
  if (existsSync(CHROMIUM)) return
  const help = `The browser tests need ${CHROMIUM}: install Debian's package "chromium".`
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) fail(help)
  say("\nInstalling Debian's chromium (about half a minute, once)...")
  const options = {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  }
  run('apt-get', ['update', '-qq'], options)
  if (run('apt-get', ['install', '-y', '-qq', 'chromium'], options) !== 0 || !existsSync(CHROMIUM)) fail(help)
}
