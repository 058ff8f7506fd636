/**
 * npm run mutate [-- --mutants 400 --seed 1 --areas session,server/store,web/data]: breaks lines drawn by a seed, one at a
 * time, and says how many of these faults the tests of the areas they stand in notice, with the interval (Wilson 1927) of the
 * share, and which were not. An area is a folder of the core, or of the server or the browser with its name before it.
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
const ALL = readdirSync(join(ROOT, 'core/src'), { withFileTypes: true })
  .filter((entry) => entry.isDirectory() && entry.name !== 'kit')
  .map((entry) => entry.name)
const areas = values.areas === 'core' ? ALL : values.areas.split(',')
/** Where the sources of an area are. */
const sourcesOf = (area) =>
  area.replace(/^(?:(server|web)\/)?/, (_, workspace = 'core') => `${workspace}/src/`)
/** The tests that are about an area: those in its folder; the server has its own at its root. */
const testsOf = (area) => (area.startsWith('server/') ? 'server/src' : sourcesOf(area))
const files = areas
  .flatMap((area) => {
    const folder = sourcesOf(area)
    return readdirSync(join(ROOT, folder), { recursive: true }).map((f) => join(folder, f))
  })
  .filter(
    (f) =>
      /\.tsx?$/.test(f) &&
      !/\.test\.ts$|testing|agree|describe|faults|practitioner|arbitraries|contract|\.d\.ts|worker|process|needed\.ts/.test(
        f,
      ),
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
/** Only tests of areas that a drawn line stands in are run, before anything is broken too. */
const touched = areas.filter((area) => drawn.some((line) => line.startsWith(`${sourcesOf(area)}/`)))
process.env.MUTATED = [...new Set(touched.map(testsOf))].join(',')

/** What the types of a broken file are checked in. */
const COPIED = [
  'tsconfig.base.json',
  ...['core', 'server', 'web'].flatMap((w) => [`${w}/src`, `${w}/package.json`, `${w}/tsconfig.json`]),
]
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
  for (const part of COPIED) cpSync(join(ROOT, part), join(folder, part), { recursive: true })
  symlinkSync(join(ROOT, 'node_modules'), join(folder, 'node_modules'))
  for (const workspace of new Set(drawn.map(workspaceOf)))
    if (!typesHold(workspace)) throw new Error('The types do not hold before anything is broken.')
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
  const broken = !typesHold(workspaceOf(file))
  writeFileSync(join(folder, file), source)
  return broken
}

function workspaceOf(file) {
  return file.split('/')[0]
}

/** Do the types of a workspace of the copy hold? Read from the sources: nothing is built there. */
function typesHold(workspace) {
  const options = [
    '--noEmit',
    '--composite',
    'false',
    '--incremental',
    'false',
    '--customConditions',
    'source',
  ]
  return spawnSync(process.execPath, [bin('tsc'), '-p', join(folder, workspace), ...options]).status === 0
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
