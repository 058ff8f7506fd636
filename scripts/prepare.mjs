/**
 * What the commands need before they can run: a new enough Node, the packages installed, the sources built.
 * Each is done only when needed, and says what it is doing. Uses nothing that is not in Node itself.
 */
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..')
const WORKSPACES = ['core', 'server', 'web', 'e2e']
const NEEDS = [20, 19]

/** Progress goes to standard error, so that the output of a command stays clean. */
export function say(line) {
  process.stderr.write(`${line}\n`)
}

/** Ends with one clear line. */
export function fail(line, code = 1) {
  say(line)
  process.exit(code)
}

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < NEEDS[0] || (major === NEEDS[0] && minor < NEEDS[1]))
    fail(`Tachymetra needs Node ${NEEDS.join('.')} or newer; this is ${process.versions.node}.`)
}

/** Runs a program from the project's root; its output is shown. @returns its exit code. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'], ...options })
  if (result.error) return 127
  return result.status ?? 1
}

/** The packages the commands come in, where they are not called alike. */
const PACKAGES = {
  tsc: 'typescript',
  biome: '@biomejs/biome',
  playwright: '@playwright/test',
  stryker: '@stryker-mutator/core',
}

/** The entry script of an installed package's command: run by this very Node, whatever the system has for scripts. */
export function bin(name) {
  const folder = join(ROOT, 'node_modules', PACKAGES[name] ?? name)
  const { bin: bins } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8'))
  return join(folder, typeof bins === 'string' ? bins : bins[name])
}

/** Runs an installed package's command. @returns its exit code. */
export function runBin(name, args, options = {}) {
  return run(process.execPath, [bin(name), ...args], options)
}

export function ensureInstalled() {
  checkNode()
  const wanted = digest(['package.json', 'package-lock.json', ...WORKSPACES.map((w) => `${w}/package.json`)])
  if (stamp('installed') === wanted) return
  say('Installing packages (half a minute or so, once)...')
  const args = ['install', '--no-save', '--no-audit', '--no-fund', '--loglevel=error', '--include=dev']
  // The npm this was started by, else the one that is found; elsewhere than here it is a script of a shell.
  const { npm_execpath: npm } = process.env
  const options = { stdio: ['ignore', 2, 'inherit'], shell: process.platform === 'win32' && !npm }
  if ((npm ? run(process.execPath, [npm, ...args], options) : run('npm', args, options)) !== 0)
    fail('The packages could not be installed: see the lines above. Is the npm registry within reach?')
  stamp('installed', wanted)
}

/** Builds the core, and unless `coreOnly` the server and the browser application, if a source has changed. */
export function ensureBuilt({ coreOnly = false } = {}) {
  ensureInstalled()
  buildIfChanged(
    'core',
    ['core/src', 'core/tsconfig.json', 'tsconfig.base.json'],
    'core/dist/number/decimal.js',
    () => {
      say('Building the core...')
      return runBin('tsc', ['-b', 'core'], { stdio: ['ignore', 2, 'inherit'] })
    },
  )
  if (coreOnly) return
  buildIfChanged('server', ['core/src', 'server/src', 'server/tsconfig.json'], 'server/dist/main.js', () => {
    say('Building the server...')
    return runBin('tsc', ['-b', 'server'], { stdio: ['ignore', 2, 'inherit'] })
  })
  const web = [
    'core/src',
    'web/src',
    'web/index.html',
    'web/public',
    'web/vite.config.ts',
    'web/antStyles.ts',
  ]
  buildIfChanged('web', web, 'web/dist/index.html', () => {
    say('Building the browser application...')
    return runBin('vite', ['build', '--logLevel', 'warn'], {
      cwd: join(ROOT, 'web'),
      stdio: ['ignore', 2, 'inherit'],
    })
  })
}

function buildIfChanged(name, sources, product, build) {
  const wanted = digest([...sources, 'package-lock.json'])
  if (stamp(`built-${name}`) === wanted && existsSync(join(ROOT, product))) return
  if (build() !== 0) fail(`The ${name} could not be built: see the lines above.`)
  stamp(`built-${name}`, wanted)
}

/** Reads or writes a small note of what was last done; it goes with node_modules. */
function stamp(name, value) {
  const folder = join(ROOT, 'node_modules/.cache/tachymetra')
  const file = join(folder, name)
  if (value === undefined) return existsSync(file) ? readFileSync(file, 'utf8') : undefined
  mkdirSync(folder, { recursive: true })
  writeFileSync(file, value)
  return value
}

/** A fingerprint of the contents of files and folders. */
function digest(paths) {
  const hash = createHash('sha256')
  const visit = (path) => {
    const full = join(ROOT, path)
    if (!existsSync(full)) return
    if (statSync(full).isDirectory()) for (const name of readdirSync(full).sort()) visit(join(path, name))
    else hash.update(relative('.', path)).update('\0').update(readFileSync(full)).update('\0')
  }
  for (const path of paths) visit(path)
  return hash.digest('hex')
}
