/** How the code is laid out: what may use what, and how long a file may be. */
import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { expect, test } from 'vitest'

const ROOT = join(import.meta.dirname, '..')

/** The areas of the core, from the ground up: each uses those before it. */
const AREAS = [
  'pages',
  'number',
  'words',
  'question',
  'problem',
  'technique',
  'written',
  'soroban',
  'flash',
  'paper',
  'registry',
  'examiners',
  'check',
  'diagnose',
  'facts',
  'drill',
  'session',
  'set',
  'curriculum',
  'learner',
  'plan',
  'report',
  'simulate',
  'wire',
  'exchange',
  'command',
  'kit',
]

const sources = (root: string, kind: RegExp) =>
  readdirSync(join(ROOT, root), { recursive: true, encoding: 'utf8' }).filter(
    (file) => kind.test(file) && !file.includes('node_modules'),
  )
const textOf = (root: string, file: string) => readFileSync(join(ROOT, root, file), 'utf8')
/** Files a file imports, seen from the root of its workspace. */
const imports = (root: string, file: string) =>
  [...textOf(root, file).matchAll(/(?:from|import) '(\.{1,2}\/[^']+)'/g)].map(([, path]) =>
    join(dirname(file), path!),
  )
const folder = (path: string) => path.split('/')[0]!

test('the core: every folder is known, and nothing leads upward', () => {
  const files = sources('core/src', /(?<!\.test)\.ts$/)
  expect([...new Set(files.map(folder))].sort()).toEqual([...AREAS].sort())
  const upward = files.flatMap((file) =>
    imports('core/src', file)
      .filter((used) => AREAS.indexOf(folder(used)) > AREAS.indexOf(folder(file)))
      .map((used) => `${file} uses ${used}`),
  )
  expect(upward).toEqual([])
})

test('the core: what others may use of an area is named one by one', () => {
  for (const file of sources('core/src', /\.ts$/))
    expect(textOf('core/src', file), file).not.toMatch(/export \*/)
  for (const root of ['web/src', 'server/src', 'e2e'])
    for (const file of sources(root, /\.tsx?$/))
      for (const [, area] of textOf(root, file).matchAll(/'@tachymetra\/core(?:\/([^']*))?'/g))
        expect(AREAS, `${file} uses ${area}`).toContain(area)
})

/** The rooms of the browser that several screens use, from the ground up: each uses those before it. */
const ROOMS = [
  'wire',
  'kept',
  'data',
  'written',
  'words',
  'sound',
  'entry',
  'frame',
  'beads',
  'working',
  'charts',
  'print',
  'player',
  'forms',
  'practice',
]

test('the browser: a screen uses its own folder and the rooms for all, no other screen; among these nothing leads upward', () => {
  const wrong = sources('web/src', /\.tsx?$/)
    .filter((file) => file.includes('/'))
    .flatMap((file) => {
      const mine = ROOMS.indexOf(folder(file))
      return imports('web/src', file)
        .filter((used) => used.includes('/') && folder(used) !== folder(file))
        .filter((used) => !ROOMS.includes(folder(used)) || (mine >= 0 && ROOMS.indexOf(folder(used)) > mine))
        .map((used) => `${file} uses ${used}`)
    })
  expect(wrong).toEqual([])
})

/** More than this in one folder and nobody knows what belongs there. */
const MOST_FILES = 25

test(`no folder of sources holds more than ${MOST_FILES} files`, () => {
  const counts = new Map<string, number>()
  for (const root of ['core/src', 'server/src', 'web/src', 'e2e', 'scripts'])
    for (const file of sources(root, /\.(ts|tsx|css|mjs)$/)) {
      const at = join(root, dirname(file))
      counts.set(at, (counts.get(at) ?? 0) + 1)
    }
  expect([...counts].filter(([, files]) => files > MOST_FILES)).toEqual([])
})

test('a class with a rule of its own in the stylesheet of a screen is in no other: all of them come to hold on every page', () => {
  // Those that are there from the beginning, and set in which light and size a class is shown.
  const always = /^(base|page|palette|seeing)\.css$/
  const sheets = sources('web/src', /\.css$/).map((file) => {
    const text = textOf('web/src', file).replaceAll(/\/\*.*?\*\//gs, '')
    const selectors = [...text.matchAll(/([^{}]+)\{/g)].flatMap(([, list]) => list!.split(','))
    return { file, selectors: selectors.map((selector) => selector.trim()) }
  })
  const alone = (file: string) =>
    sheets.find((s) => s.file === file)!.selectors.filter((s) => /^\.[\w-]+$/.test(s))
  const faults: string[] = []
  for (const { file } of sheets.filter((s) => !always.test(s.file)))
    for (const name of new Set(alone(file)))
      for (const other of sheets.filter((s) => s.file !== file)) {
        const named = other.selectors.some((s) => s.split(/(?=[.\s:>+~[])/).includes(name))
        const also =
          ROOMS.includes(folder(file)) || always.test(other.file) ? alone(other.file).includes(name) : named
        if (also) faults.push(`${name}: ${file} and ${other.file}`)
      }
  expect(faults).toEqual([])
})

const FUNCTION = /^( *)(?:export )?(?:default )?(?:async )?function\*? (\w+)/
const METHOD = /^( +)(?!if|for|while|switch|return|else|technique)(?:async )?\*?(\w+)\(.*\{$/

/** The functions and methods of a source, each with its lines; those that draw begin with a capital. */
function functionsIn(text: string): { readonly name: string; readonly at: number; readonly lines: number }[] {
  const lines = text.split('\n')
  return lines.flatMap((line, i) => {
    const [, indent, name] = FUNCTION.exec(line) ?? METHOD.exec(line) ?? []
    if (indent === undefined || name === undefined) return []
    // Parameters taken apart end with a bracket of their own.
    const end = lines.findIndex((other, k) => k > i && new RegExp(`^${indent}\\}(?!: )`).test(other))
    return end < 0 ? [] : [{ name, at: i + 1, lines: end - i + 1 }]
  })
}

test('no source is longer than 400 lines, no component longer than 150, no other function longer than 60', () => {
  const long: string[] = []
  for (const root of ['core/src', 'server/src', 'web/src', 'scripts'])
    for (const file of sources(root, /(?<!\.test)\.(ts|tsx|mjs|css)$/)) {
      const text = textOf(root, file)
      if (text.split('\n').length > 401) long.push(`${file}: ${text.split('\n').length}`)
      // A bench is a script from top to bottom.
      if (root === 'scripts') continue
      for (const { name, at, lines } of functionsIn(text))
        if (lines > (/^[A-Z]/.test(name) && file.endsWith('x') ? 150 : 60))
          long.push(`${file}:${at}: ${name} ${lines}`)
    }
  expect(long).toEqual([])
})

/** What an area shows others, by name. */
function shown(): Set<string> {
  const indexes = sources('core/src', /^[^/]+\/index\.ts$/).filter((file) => !file.startsWith('kit'))
  const names = indexes.flatMap((file) =>
    [...textOf('core/src', file).matchAll(/\b(?:type )?(\w+)(?: as \w+)?(?=,|\s*\})/g)].map(
      ([, name]) => name!,
    ),
  )
  return new Set(names)
}

test('the core: everything an area shows is explained, and so is every member of its types', () => {
  const names = shown()
  const bare: string[] = []
  for (const file of sources('core/src', /(?<!\.test|index)\.ts$/)) {
    let inside = ''
    const lines = textOf('core/src', file).split('\n')
    const told = (i: number) => /\*\/$|^\s*\/\/|^export (?:async )?function/.test(lines[i - 1] ?? '')
    for (const [i, line] of lines.entries()) {
      const [, kind, name] =
        /^export (?:abstract )?(function\*?|const|interface|type|class) (\w+)/.exec(line) ?? []
      if (name) inside = kind === 'interface' && names.has(name) ? name : ''
      if (name && names.has(name) && !told(i)) bare.push(`${file}:${i + 1}: ${name}`)
      else if (/^[^\s{]/.test(line)) inside = ''
      if (inside && /^ {2}(?:readonly )?\w+(?:<[^>]*>)?\??[:(]/.test(line) && !told(i))
        bare.push(`${file}:${i + 1}: ${inside}.${line.trim()}`)
    }
  }
  expect(bare).toEqual([])
})
