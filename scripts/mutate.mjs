/**
 * npm run mutate [-- --mutants 400 --seed 1]: breaks lines of the core drawn by a seed, one at a time, and says how many
 * of these faults the tests notice, with the interval (Wilson 1927) of the share, and which were not.
 */
import { spawnSync } from 'node:child_process'
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, relative } from 'node:path'
import { parseArgs } from 'node:util'
import { bin, ensureInstalled, ROOT } from './prepare.mjs'

const { values } = parseArgs({
  options: {
    mutants: { type: 'string', default: '400' },
    seed: { type: 'string', default: '1' },
    areas: { type: 'string', default: 'technique,question,session,diagnose' },
  },
})
/** Lines drawn for each mutant wanted: a line has between one and two that can be broken. */
const LINES_A_MUTANT = 0.62

ensureInstalled()
const files = values.areas
  .split(',')
  .flatMap((area) =>
    readdirSync(join(ROOT, 'core/src', area), { recursive: true }).map((f) => join('core/src', area, f)),
  )
  .filter(
    (f) =>
      f.endsWith('.ts') &&
      !/\.test\.ts$|testing|agree|describe|kit|faults|practitioner|arbitraries|contract/.test(f),
  )
const lines = files.flatMap((file) =>
  readFileSync(join(ROOT, file), 'utf8')
    .split('\n')
    .flatMap((text, i) =>
      /^\s*(\/\/|\*|\/\*|import|export \{|[})\]]*,?$)/.test(text) ? [] : [`${file}:${i + 1}-${i + 1}`],
    ),
)
const random = generator(Number(values.seed))
const wanted = Math.ceil(Number(values.mutants) * LINES_A_MUTANT)
const drawn = shuffled(lines).slice(0, wanted)

const folder = mkdtempSync(join(tmpdir(), 'tachymetra-mutate-'))
const report = join(folder, 'report.json')
const config = join(ROOT, 'stryker.drawn.json')
writeFileSync(
  config,
  JSON.stringify({
    testRunner: 'vitest',
    vitest: { configFile: 'scripts/mutate.vitest.ts', related: true },
    mutate: drawn,
    // TypeScript 7 has no API for it to read the project by.
    tsconfigFile: 'none.json',
    checkers: [],
    concurrency: 2,
    coverageAnalysis: 'perTest',
    timeoutMS: 60_000,
    dryRunTimeoutMinutes: 20,
    reporters: ['json', 'progress-append-only'],
    jsonReporter: { fileName: report },
    tempDirName: join(folder, 'sandbox'),
    ignorePatterns: ['docs', 'reports', 'web/dist', 'core/dist', 'server/dist', 'data'],
  }),
)
try {
  const { status } = spawnSync(process.execPath, [bin('stryker'), 'run', relative(ROOT, config)], {
    cwd: ROOT,
    stdio: 'inherit',
  })
  if (status !== 0 && status !== null) process.exitCode = status
  for (const part of ['core/src', 'core/package.json', 'core/tsconfig.json', 'tsconfig.base.json'])
    cpSync(join(ROOT, part), join(folder, part), { recursive: true })
  symlinkSync(join(ROOT, 'node_modules'), join(folder, 'node_modules'))
  if (!typesHold()) throw new Error('The types do not hold before anything is broken.')
  say(JSON.parse(readFileSync(report, 'utf8')))
} finally {
  rmSync(config, { force: true })
  rmSync(folder, { recursive: true, force: true })
}

function say({ files: reported }) {
  const all = Object.entries(reported).flatMap(([file, { mutants, source }]) =>
    mutants.map((m) => ({ ...m, file, line: source.split('\n')[m.location.start.line - 1].trim() })),
  )
  const counted = all.filter((m) => m.status !== 'Ignored' && m.status !== 'CompileError')
  const untested = counted.filter((m) => m.status === 'Survived' || m.status === 'NoCoverage')
  const alive = untested.filter((m) => !breaksTypes(m, reported[m.file].source))
  const [n, k] = [counted.length, counted.length - alive.length]
  for (const m of alive)
    process.stdout.write(
      `${m.status} ${m.file}:${m.location.start.line} ${m.mutatorName} "${m.replacement ?? ''}"\n    ${m.line}\n`,
    )
  const [low, high] = wilson(k, n)
  const percent = (x) => `${(100 * x).toFixed(1)} %`
  process.stdout.write(
    `${k} of ${n} noticed: ${percent(k / n)} (95 % interval ${percent(low)} to ${percent(high)}), seed ${values.seed}\n`,
  )
}

/** Types are checked before any test is run: a fault that breaks them is noticed as well. */
function breaksTypes({ file, location: { start, end }, replacement = '' }, source) {
  const lines = source.split('\n')
  const before = [...lines.slice(0, start.line - 1), lines[start.line - 1].slice(0, start.column - 1)].join(
    '\n',
  )
  const after = [lines[end.line - 1].slice(end.column - 1), ...lines.slice(end.line)].join('\n')
  writeFileSync(join(folder, file), before + replacement + after)
  const broken = !typesHold()
  writeFileSync(join(folder, file), source)
  return broken
}

/** Do the types of the copy hold? */
function typesHold() {
  const options = ['--noEmit', '--composite', 'false', '--incremental', 'false']
  return spawnSync(process.execPath, [bin('tsc'), '-p', join(folder, 'core'), ...options]).status === 0
}

/** The interval of a share: Wilson, Journal of the American Statistical Association 22 (1927). */
function wilson(k, n) {
  const z = 1.96
  const p = k / n
  const middle = p + (z * z) / (2 * n)
  const spread = z * Math.sqrt((p * (1 - p)) / n + (z * z) / (4 * n * n))
  const all = 1 + (z * z) / n
  return [(middle - spread) / all, (middle + spread) / all]
}

/** A small generator (mulberry32), so that a seed draws the same lines everywhere. */
function generator(seed) {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296
  }
}

function shuffled(all) {
  const copy = [...all]
  for (let i = copy.length - 1; i > 0; i -= 1) {
    const j = Math.floor(random() * (i + 1))
    ;[copy[i], copy[j]] = [copy[j], copy[i]]
  }
  return copy
}
