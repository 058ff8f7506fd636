/** The command line over the core, without the process around it: arguments in, text and exit code out. */

import { diagnose } from '../diagnose/diagnose.js'
import { highestPlace, lowestPlace, readDecimal, toText } from '../number/decimal.js'
import { placeName } from '../number/places.js'
import { seeded } from '../number/random.js'
import { InputError } from '../problem/error.js'
import { printProblem, readProblem, solvedWords } from '../problem/expression.js'
import { answerOf, type Problem } from '../problem/problem.js'
import { draw } from '../problem/space.js'
import { levelOf, techniqueById } from '../registry/techniques.js'
import { compareWays } from '../report/compare.js'
import { beginTask, type EntryVerdict, happen, openQuestion } from '../session/reduce.js'
import { WORKED_SUPPORTS } from '../session/support.js'
import { causesOf, figuresOf } from '../session/verdict.js'
import { beadWorkOf } from '../soroban/step.js'
import { parameterValuesOf } from '../technique/boards.js'
import type { ParameterValues, Step, Technique, Variant } from '../technique/contract.js'
import { trace, variantOf } from '../technique/driver.js'
import { effortWords } from '../technique/effort.js'
import { lineText } from '../technique/line.js'

export interface CommandResult {
  readonly code: 0 | 2
  readonly out: string
  readonly err: string
}

const USAGE: Record<string, string> = {
  work: 'work "364+278" [--by TECHNIQUE [--variant KEY=VALUE] [--entries "564; 642" [--support SUPPORT]]] [--json]',
  diagnose: 'diagnose "364+278" --by TECHNIQUE --answer NUMBER [--variant KEY=VALUE] [--json]',
  problems:
    'problems --technique TECHNIQUE [--level N | --parameter KEY=VALUE ...] [--count N] [--seed N] [--json]',
}

/** Runs one command. Never throws on bad input: that is exit code 2 and one line of explanation. */
export function runCommand(name: string, args: readonly string[]): CommandResult {
  try {
    const run = { work, diagnose: diagnoseCommand, problems }[name]
    if (!run) throw new InputError(`There is no command "${name}". Known: ${Object.keys(USAGE).join(', ')}.`)
    return { code: 0, out: `${run(new Arguments(name, args))}\n`, err: '' }
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    return { code: 2, out: '', err: `${error.message}\n` }
  }
}

function work(args: Arguments): string {
  const given = args.take({ values: ['by', 'variant', 'entries', 'support'], flags: ['json'], words: 1 })
  for (const name of ['variant', 'entries', 'support'])
    if (given.named.includes(name) && !given.values.by) throw args.usage(`--${name} needs --by`)
  if (given.values.support !== undefined && given.values.entries === undefined)
    throw args.usage('--support needs --entries')
  const problem = readProblem(given.words[0]!)
  const answer = toText(answerOf(problem))
  if (!given.values.by) {
    const { ways, advice } = compareWays(problem)
    const techniques = ways.map(({ technique: t, effort }) => ({
      id: t.id,
      name: t.name,
      effort: effort.total,
      because: effortWords(effort),
    }))
    if (given.flags.json) return JSON.stringify({ problem: printProblem(problem), answer, techniques })
    const lines = techniques.map((t) => `  ${t.id.padEnd(24)} effort ${t.effort}: ${t.because}`)
    return [solvedWords(problem, answerOf(problem)), ...lines, advice].join('\n')
  }
  const technique = techniqueById(given.values.by)
  const variant = variantOf(technique, given.pairs.variant)
  if (given.values.entries !== undefined) {
    const played = playEntries(technique, variant, problem, given.values.entries, given.values.support)
    return given.flags.json ? JSON.stringify(played) : playedText(played)
  }
  const done = trace(technique, problem, variant)
  const cells = done.steps.flatMap((s) => s.writes.cells.map((c) => c.place))
  const highest = Math.max(highestPlace(done.answer), ...cells)
  const lowest = Math.min(lowestPlace(done.answer), ...cells)
  const steps = done.steps.map((s, i) => ({
    n: i + 1,
    action: s.action,
    place: s.place,
    ask: s.ask,
    expect: toText(s.expect),
    writes: lineText(s.writes, highest, lowest),
    holds: s.holds.map((h) => ({ what: h.what, value: toText(h.value) })),
    facts: s.facts,
    ...beadsOf(s),
  }))
  if (given.flags.json)
    return JSON.stringify({
      problem: printProblem(problem),
      technique: technique.id,
      answer: toText(done.answer),
      steps,
    })
  const lines = steps.map((s) => `${String(s.n).padStart(3)}  ${s.writes}  ${s.ask}  ${s.expect}`)
  return [`${printProblem(problem)}: ${technique.name}`, ...lines, `     = ${toText(done.answer)}`].join('\n')
}

function beadsOf(step: Step) {
  const beads = beadWorkOf(step)
  if (!beads) return {}
  const moves = beads.moves.map(({ place, bead, by }) => ({ rod: place + 1, bead, by }))
  return { rod: step.place + 1, kind: beads.kind, moves }
}

interface Played {
  readonly entries: readonly {
    readonly entry: string
    readonly verdict: Exclude<EntryVerdict, 'given'>
    /** The step that was open, from 1; 0 where only the answer is asked. */
    readonly step: number
    readonly slip: string | null
  }[]
  readonly done: boolean
  readonly right: boolean
}

/** Types values one after another, as a learner would; what is not taken leaves the step open. */
function playEntries(
  technique: Technique,
  variant: Variant,
  problem: Problem,
  entries: string,
  asked = 'guided',
): Played {
  const support = WORKED_SUPPORTS.find((s) => s === asked)
  if (!support)
    throw new InputError(`--support is one of ${WORKED_SUPPORTS.join(', ')}, not "${asked.slice(0, 40)}".`)
  const exercise = { technique, variant, level: 0, support, problem }
  let progress = beginTask(exercise)
  const typed: Played['entries'][number][] = []
  let wrong = 0
  for (const text of entries.split(';').map((t) => t.trim())) {
    const kind = openQuestion(progress)?.kind
    if (!kind) throw new InputError(`"${text.slice(0, 60)}" comes after the end.`)
    const value = kind.read(text)
    if (value === undefined)
      throw new InputError(`"${text.slice(0, 60)}" is no answer of the kind that is asked.`)
    progress = happen(progress, { kind: 'entered', at: 0, text: kind.print(value) })
    const last = progress.entries.at(-1)!
    let slip = last.slips[0]?.id ?? null
    if (last.step === 0 && last.verdict === 'wrong') {
      slip = causesOf(exercise, last.text, wrong)[0]?.slips[0].id ?? null
      wrong += 1
    }
    const verdict =
      last.verdict === 'wrong' && slip ? 'slip' : (last.verdict as Played['entries'][number]['verdict'])
    typed.push({ entry: text, verdict, step: last.step, slip })
  }
  const done = progress.outcome === 'done'
  return { entries: typed, done, right: done && figuresOf(progress).right }
}

function playedText({ entries, done, right }: Played): string {
  const lines = entries.map((e) => `${e.entry.padEnd(14)} ${e.verdict}${e.slip ? `: ${e.slip}` : ''}`)
  return [
    ...lines,
    done ? (right ? 'Done, right.' : 'Done, not right at the first try.') : 'Not done yet.',
  ].join('\n')
}

function diagnoseCommand(args: Arguments): string {
  const given = args.take({
    values: ['by', 'answer', 'variant'],
    flags: ['json'],
    words: 1,
    need: ['by', 'answer'],
  })
  const problem = readProblem(given.words[0]!)
  const technique = techniqueById(given.values.by!)
  const answer = readDecimal(given.values.answer!)
  if (!answer)
    throw new InputError(
      `The answer "${given.values.answer!.slice(0, 60)}" is not a number of at most 40 digits.`,
    )
  const variant: Variant = variantOf(technique, given.pairs.variant)
  const { right, causes, complete } = diagnose(technique, problem, variant, answer)
  // A cause of two slips is listed at its first one, with the other beside it.
  const slips = causes.map(({ slips: [first, ...others] }) =>
    others.length ? { ...first, with: others } : first,
  )
  if (given.flags.json) return JSON.stringify({ right, slips, ...(!complete && { complete }) })
  if (right) return 'Right.'
  const lines = causes.map((c) =>
    c.slips.map((s) => `step ${s.step}, ${placeName(s.place)}: ${s.id}. ${s.remark}`).join('  and  '),
  )
  if (lines.length) return lines.join('\n')
  return complete
    ? 'Wrong, and no known slip leads there.'
    : 'Wrong; no slip was found before the search ended: not everything was tried.'
}

function problems(args: Arguments): string {
  const given = args.take({
    values: ['technique', 'level', 'parameter', 'count', 'seed'],
    flags: ['json'],
    words: 0,
    need: ['technique'],
  })
  const technique: Technique = techniqueById(given.values.technique!)
  const parametrised = Object.keys(given.pairs.parameter).length > 0
  if (parametrised && given.values.level) throw new InputError('Give a level or parameters, not both.')
  const level = wholeNumber(given.values.level ?? '1', '--level', 1, technique.levels.length)
  const count = wholeNumber(given.values.count ?? '10', '--count', 1, 100_000)
  const seed = wholeNumber(given.values.seed ?? '1', '--seed', 0, 2 ** 31 - 1)
  const space = parametrised
    ? technique.parameters.problems(parameterValues(technique, given.pairs.parameter))
    : levelOf(technique, level).problems()
  if (space.size === 0n)
    throw new InputError('No problem is like that: these parameters contradict each other.')
  const source = draw(space, seeded(seed))
  const list = Array.from({ length: count }, () => printProblem(source.next().value!))
  if (!given.flags.json) return list.join('\n')
  return JSON.stringify({
    technique: technique.id,
    ...(!parametrised && { level }),
    seed,
    possible: String(space.size),
    problems: list,
  })
}

function parameterValues(technique: Technique, given: Readonly<Record<string, string>>): ParameterValues {
  const values = Object.entries(given).map(([key, text]) => [
    key,
    /^\d{1,9}$/.test(text) ? Number(text) : Number.NaN,
  ])
  return parameterValuesOf(technique.parameters, Object.fromEntries(values))
}

function wholeNumber(text: string, name: string, least: number, most: number): number {
  const n = /^\d{1,10}$/.test(text) ? Number(text) : Number.NaN
  if (!(n >= least && n <= most))
    throw new InputError(`${name} is a whole number from ${least} to ${most}, not "${text.slice(0, 40)}".`)
  return n
}

class Arguments {
  constructor(
    private readonly command: string,
    private readonly args: readonly string[],
  ) {}

  /** Sorts the arguments into words, --name value pairs and --flags; anything unknown or missing is refused. */
  take(shape: {
    values: readonly string[]
    flags: readonly string[]
    words: number
    need?: readonly string[]
  }) {
    const words: string[] = []
    const values: Record<string, string | undefined> = {}
    const flags: Record<string, boolean | undefined> = {}
    const pairs: Record<'variant' | 'parameter', Record<string, string>> = { variant: {}, parameter: {} }
    const named: string[] = []
    for (let i = 0; i < this.args.length; i += 1) {
      const arg = this.args[i]!
      const name = arg.startsWith('--') ? arg.slice(2) : undefined
      if (name === undefined) words.push(arg)
      else if (shape.flags.includes(name)) flags[name] = true
      else if (shape.values.includes(name)) {
        i += 1
        const value = this.args[i]
        named.push(name)
        if (value === undefined) throw this.usage(`--${name} needs a value`)
        if (name === 'variant' || name === 'parameter') {
          const [key, choice] = value.split('=')
          if (!key || !choice) throw this.usage(`--${name} is written key=value`)
          pairs[name][key] = choice
        } else values[name] = value
      } else throw this.usage(`"${arg.slice(0, 40)}" is not known here`)
    }
    if (words.length !== shape.words)
      throw this.usage(shape.words ? 'give one problem in quotes' : 'too many words')
    for (const name of shape.need ?? [])
      if (values[name] === undefined) throw this.usage(`--${name} is missing`)
    return { words, values, flags, pairs, named }
  }

  usage(what: string): InputError {
    return new InputError(`${what.charAt(0).toUpperCase()}${what.slice(1)}. Usage: ${USAGE[this.command]}`)
  }
}
