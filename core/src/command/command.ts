/** The command line over the core, without the process around it: arguments in, text and exit code out. */

import { diagnose } from '../diagnose/diagnose.js'
import { highestPlace, lowestPlace, ZERO } from '../number/decimal.js'
import { unmarked } from '../number/marks.js'
import { placeName } from '../number/places.js'
import { present } from '../number/present.js'
import { seeded } from '../number/random.js'
import { InputError } from '../problem/error.js'
import { answerText, printProblem, readProblem, solvedWords } from '../problem/expression.js'
import { answerOf, type Problem } from '../problem/problem.js'
import { draw } from '../problem/space.js'
import { asDecimal, sameValue, type Value, valueText } from '../question/value.js'
import { levelOf, techniqueById } from '../registry/techniques.js'
import { compareWays } from '../report/compare.js'
import type { EntryVerdict, Progress } from '../session/progress.js'
import { beginTask, happen } from '../session/reduce.js'
import { WORKED_SUPPORTS } from '../session/support.js'
import { enteredText } from '../session/typing.js'
import { causesOf, figuresOf } from '../session/verdict.js'
import { beadWorkOf } from '../soroban/step.js'
import type { ParameterValues, Step, Technique, Variant } from '../technique/contract.js'
import { readAnswerOf, trace, variantOf } from '../technique/driver.js'
import { lineText } from '../technique/line.js'
import { parameterValuesOf } from '../technique/quantities/boards.js'
import { effortWords } from '../words/report.js'

export interface CommandResult {
  readonly code: 0 | 2
  readonly out: string
  readonly err: string
}

/** An option as the process around it reads it off its arguments (the shape of Node's `parseArgs`). */
type Option = { readonly type: 'string'; readonly multiple?: true } | { readonly type: 'boolean' }

interface Command {
  readonly usage: string
  readonly options: Readonly<Record<string, Option>>
  /** Is one problem given beside the options? */
  readonly problem: boolean
  readonly needs: readonly string[]
  readonly run: (given: Given) => string
}

/** Arguments as they were read: the words beside the options, and the options. */
export interface ParsedArguments {
  readonly positionals: readonly string[]
  readonly values: Readonly<Record<string, string | boolean | readonly (string | boolean)[] | undefined>>
}

const TEXT = { type: 'string' } as const
const PAIRS = { type: 'string', multiple: true } as const
const JSON_FLAG = { type: 'boolean' } as const

/** Every command. `--school` picks a variant. */
const COMMANDS: Readonly<Record<string, Command>> = {
  work: {
    usage:
      'work "364+278" [--by TECHNIQUE [--school KEY=VALUE] [--entries "564; 642" [--support SUPPORT]]] [--json]',
    options: { by: TEXT, school: PAIRS, entries: TEXT, support: TEXT, json: JSON_FLAG },
    problem: true,
    needs: [],
    run: work,
  },
  diagnose: {
    usage: 'diagnose "364+278" --by TECHNIQUE --answer NUMBER [--school KEY=VALUE] [--json]',
    options: { by: TEXT, answer: TEXT, school: PAIRS, json: JSON_FLAG },
    problem: true,
    needs: ['by', 'answer'],
    run: diagnoseCommand,
  },
  problems: {
    usage:
      'problems --technique TECHNIQUE [--level N | --parameter KEY=VALUE ...] [--count N] [--seed N] [--json]',
    options: {
      technique: TEXT,
      level: TEXT,
      parameter: PAIRS,
      count: TEXT,
      seed: TEXT,
      json: JSON_FLAG,
    },
    problem: false,
    needs: ['technique'],
    run: problems,
  },
}

/** A command by its name. @throws InputError when there is none of that name */
function commandOf(name: string): Command {
  const command = Object.hasOwn(COMMANDS, name) ? COMMANDS[name] : undefined
  if (!command)
    throw new InputError(`There is no command "${name}". Known: ${Object.keys(COMMANDS).join(', ')}.`)
  return command
}

/**
 * Runs one command. Never throws on bad input: that is exit code 2 and one line of explanation.
 * @param parse reads the arguments by the command's options; whatever it throws about them is bad input
 */
export function runCommand(
  name: string,
  parse: (options: Command['options']) => ParsedArguments,
): CommandResult {
  try {
    const command = commandOf(name)
    return { code: 0, out: `${unmarked(command.run(new Given(command, parsed(command, parse))))}\n`, err: '' }
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    return { code: 2, out: '', err: `${unmarked(error.message)}\n` }
  }
}

function parsed(command: Command, parse: (options: Command['options']) => ParsedArguments): ParsedArguments {
  try {
    return parse(command.options)
  } catch (error) {
    const [line] = (error as Error).message.split('\n')
    throw new InputError(`${line} Usage: ${command.usage}`)
  }
}

/** Arguments in which a value that begins with a minus is joined to its option: it would be taken for another option. */
export function withSigns(args: readonly string[]): string[] {
  return args.flatMap((arg, i) => {
    const signed = (text: string | undefined) => text !== undefined && /^-[\d.]/.test(text)
    if (signed(arg) && args[i - 1]?.startsWith('--')) return []
    return signed(args[i + 1]) && /^--[a-z]+$/.test(arg) ? [`${arg}=${args[i + 1]}`] : [arg]
  })
}

/** What a command was given. */
class Given {
  constructor(
    private readonly command: Command,
    private readonly args: ParsedArguments,
  ) {
    const words = args.positionals.length
    if (words !== (command.problem ? 1 : 0))
      throw this.usage(command.problem ? 'Give one problem in quotes' : 'Too many words')
    for (const name of command.needs) if (!this.has(name)) throw this.usage(`--${name} is missing`)
  }

  get problem(): string {
    return present(this.args.positionals[0])
  }

  get json(): boolean {
    return this.has('json')
  }

  has(name: string): boolean {
    return this.args.values[name] !== undefined
  }

  text(name: string): string | undefined {
    return this.args.values[name] as string | undefined
  }

  /** Options written key=value. @throws InputError for another form */
  pairs(name: string): Record<string, string> {
    const given = (this.args.values[name] ?? []) as readonly string[]
    return Object.fromEntries(
      given.map((text) => {
        const [key, choice] = text.split('=')
        if (!key || !choice) throw this.usage(`--${name} is written key=value`)
        return [key, choice]
      }),
    )
  }

  usage(what: string): InputError {
    return new InputError(`${what}. Usage: ${this.command.usage}`)
  }
}

function work(given: Given): string {
  const [by, entries] = [given.text('by'), given.text('entries')]
  for (const name of ['school', 'entries', 'support'])
    if (given.has(name) && !by) throw given.usage(`--${name} needs --by`)
  if (given.has('support') && entries === undefined) throw given.usage('--support needs --entries')
  const problem = readProblem(given.problem)
  const answer = answerText(problem)
  if (!by) {
    const { ways, advice } = compareWays(problem)
    const techniques = ways.map(({ technique: t, effort }) => ({
      id: t.id,
      name: t.name,
      effort: effort.total,
      because: effortWords(effort),
    }))
    if (given.json) return JSON.stringify({ problem: printProblem(problem), answer, techniques })
    const lines = techniques.map((t) => `  ${t.id.padEnd(24)} effort ${t.effort}: ${t.because}`)
    return [solvedWords(problem, answerOf(problem)), ...lines, advice].join('\n')
  }
  const technique = techniqueById(by)
  const variant = variantOf(technique, given.pairs('school'))
  if (entries !== undefined) {
    const played = playEntries(technique, variant, problem, entries, given.text('support'))
    return given.json ? JSON.stringify(played) : playedText(played)
  }
  const done = trace(technique, problem, variant)
  const cells = done.steps.flatMap((s) => s.writes.cells.map((c) => c.place))
  const number = asDecimal(done.answer) ?? ZERO
  const highest = Math.max(highestPlace(number), ...cells)
  const lowest = Math.min(lowestPlace(number), ...cells)
  const steps = done.steps.map((s, i) => ({
    n: i + 1,
    action: s.action,
    place: s.place,
    ask: s.ask,
    expect: s.kind.print(s.expect),
    writes: lineText(s.writes, highest, lowest),
    holds: s.holds.map((h) => ({ what: h.what, value: valueText(h.value) })),
    facts: s.facts,
    ...beadsOf(s),
  }))
  if (given.json)
    return JSON.stringify({
      problem: printProblem(problem),
      technique: technique.id,
      answer: valueText(done.answer),
      steps,
    })
  const lines = steps.map((s) => `${String(s.n).padStart(3)}  ${s.writes}  ${s.ask}  ${s.expect}`)
  return [`${printProblem(problem)}: ${technique.name}`, ...lines, `     = ${valueText(done.answer)}`].join(
    '\n',
  )
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
    const answer = progress.walks[0]?.answer
    if (progress.outcome !== undefined) {
      // The answer read out once more is passed over.
      if (answer === undefined || !readsAs(progress, text, answer))
        throw new InputError(`"${text.slice(0, 60)}" comes after the end.`)
      typed.push({ entry: text, verdict: 'so-far', step: 0, slip: null })
      continue
    }
    const entry = enteredText(progress, text)
    if (entry === undefined)
      throw new InputError(`"${text.slice(0, 60)}" is no answer of the kind that is asked.`)
    progress = happen(progress, { kind: 'entered', at: 0, text: entry })
    const last = present(progress.entries.at(-1))
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

/** Is a text the answer a problem came to? */
function readsAs({ walks }: Progress, text: string, answer: Value): boolean {
  const value = present(walks[0]).whole().kind.read(text)
  return value !== undefined && sameValue(value, answer)
}

function playedText({ entries, done, right }: Played): string {
  const lines = entries.map((e) => `${e.entry.padEnd(14)} ${e.verdict}${e.slip ? `: ${e.slip}` : ''}`)
  return [
    ...lines,
    done ? (right ? 'Done, right.' : 'Done, not right at the first try.') : 'Not done yet.',
  ].join('\n')
}

function diagnoseCommand(given: Given): string {
  const problem = readProblem(given.problem)
  const technique = techniqueById(present(given.text('by')))
  const typed = present(given.text('answer'))
  const variant = variantOf(technique, given.pairs('school'))
  const answer = readAnswerOf(technique, problem, variant, typed)
  if (answer === undefined)
    throw new InputError(`The answer "${typed.slice(0, 60)}" is not a number of at most 40 digits.`)
  const { right, causes, complete } = diagnose(technique, problem, variant, answer)
  // A cause of two slips is listed at its first one, with the other beside it.
  const slips = causes.map(({ slips: [first, ...others] }) =>
    others.length ? { ...first, with: others } : first,
  )
  if (given.json) return JSON.stringify({ right, slips, ...(!complete && { complete }) })
  if (right) return 'Right.'
  const lines = causes.map((c) =>
    c.slips.map((s) => `step ${s.step}, ${placeName(s.place)}: ${s.id}. ${s.remark}`).join('  and  '),
  )
  if (lines.length) return lines.join('\n')
  return complete
    ? 'Wrong, and no known slip leads there.'
    : 'Wrong; no slip was found before the search ended: not everything was tried.'
}

function problems(given: Given): string {
  const technique = techniqueById(present(given.text('technique')))
  const pairs = given.pairs('parameter')
  const parametrised = Object.keys(pairs).length > 0
  if (parametrised && given.has('level')) throw new InputError('Give a level or parameters, not both.')
  const level = wholeNumber(given.text('level') ?? '1', '--level', 1, technique.levels.length)
  const count = wholeNumber(given.text('count') ?? '10', '--count', 1, 100_000)
  const seed = wholeNumber(given.text('seed') ?? '1', '--seed', 0, 2 ** 31 - 1)
  const space = parametrised
    ? technique.parameters.problems(parameterValues(technique, pairs))
    : levelOf(technique, level).problems()
  if (space.size === 0n)
    throw new InputError('No problem is like that: these parameters contradict each other.')
  const source = draw(space, seeded(seed))
  const list = Array.from({ length: count }, () => printProblem(present(source.next().value)))
  if (!given.json) return list.join('\n')
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
