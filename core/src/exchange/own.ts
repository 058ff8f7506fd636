/** Problems of one's own: typed or pasted a line each, from a table, or from a file somebody has sent. */
import Joi from 'joi'
import { flashSum } from '../flash/sum.js'
import { InputError } from '../problem/error.js'
import { MAX_EXPRESSION, printProblem, readProblem, solvedWords } from '../problem/expression.js'
import { answerOf, isExact, type Problem } from '../problem/problem.js'
import { SIGNED } from '../question/kind.js'
import { meets } from '../question/question.js'
import { TECHNIQUES, techniqueById } from '../registry/techniques.js'
import { checkOwn, MOST_OWN, type OwnProblem, type OwnSet } from '../set/own.js'
import { MOST_NAME } from '../set/recipe.js'
import { isAbacus } from '../soroban/step.js'
import { variantOf } from '../technique/driver.js'
import { Walk } from '../technique/listening/walks.js'
import { rootEstimate } from '../technique/roots/estimate.js'
import { bodyLines, eachRow, headLine, needColumns, readTable } from './cells.js'

/** A line that was read: its problem, or what is wrong with it. */
export type OwnLine = { readonly line: number; readonly text: string } & (
  | { readonly problem: OwnProblem }
  | { readonly error: string }
)

/** Numbering before a problem, as books have it: "12.", "3)", "(4)". */
const NUMBERING = /^\s*\(?\d{1,4}[.):]\s+/

/**
 * Problems a line each. Empty lines are passed over; numbering before and an answer behind may stand there, and the answer
 * has to be right.
 */
export function readOwnLines(text: string): readonly OwnLine[] {
  const lines = text.split(/\r\n|\r|\n/).map((line, i) => ({ line: i + 1, text: line.trim() }))
  return upToMost(
    lines.filter((l) => l.text !== '').map((l) => readOr(l.line, l.text, () => ownProblem(l.text))),
  )
}

/** Problems of a table with the column `problem`, and on wish `technique`. @throws InputError where there is no such column */
export function readOwnTable(text: string): readonly OwnLine[] {
  const table = readTable(text)
  needColumns(table, ['problem'])
  return upToMost(
    eachRow(table, (cells) => ({ text: cells.text('problem'), technique: cells.text('technique') })).map(
      (row) =>
        'error' in row
          ? { line: row.line, text: '', error: row.error }
          : readOr(row.line, row.text, () => ownProblem(row.text, row.technique || undefined)),
    ),
  )
}

function readOr(line: number, text: string, read: () => OwnProblem): OwnLine {
  try {
    return { line, text, problem: read() }
  } catch (error) {
    if (error instanceof InputError) return { line, text, error: error.message }
    throw error
  }
}

/** What comes after the most there may be is told, not dropped in silence. */
function upToMost(lines: readonly OwnLine[]): readonly OwnLine[] {
  let good = 0
  return lines.map((one) => {
    if ('error' in one) return one
    good += 1
    if (good <= MOST_OWN) return one
    const { line, text } = one
    return { line, text, error: `One set has at most ${MOST_OWN} problems.` }
  })
}

/** @throws InputError that says what is wrong */
function ownProblem(text: string, technique?: string): OwnProblem {
  const problem = readEither(text)
  const own = { expression: printProblem(problem), ...(technique && { technique }) }
  checkOwn(own)
  return own
}

/** A problem as it stands, or with numbering before and an answer behind it. */
function readEither(text: string): Problem {
  const bare = text.replace(NUMBERING, '')
  const tries = [text, bare]
  let first: InputError | undefined
  for (const one of tries)
    try {
      return readProblem(one)
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      first ??= error
    }
  const at = bare.lastIndexOf('=')
  if (at < 0) throw first
  const problem = readProblem(bare.slice(0, at))
  const answer = bare.slice(at + 1).trim()
  if (answer !== '' && !/^[_.…?\s]+$/.test(answer)) checkAnswer(problem, answer)
  return problem
}

/** Where no answer ends, as of most roots, how far a book gives it is the book's choice. */
function checkAnswer(problem: Problem, text: string): void {
  const technique = TECHNIQUES.find(
    (t) => !isAbacus(t) && t !== flashSum && t !== rootEstimate && t.fits(problem).fits,
  )
  if (!technique) return
  const whole = Walk.begin(technique, problem, variantOf(technique)).whole()
  const plain = text.replace(/(\d)[\s\u2009,](?=\d{3}(?!\d))/g, '$1')
  // A book may give a quotient with its decimals where a remainder is asked.
  const number = problem.kind === 'quotient' ? SIGNED.read(plain) : undefined
  const ends = isExact(problem, answerOf(problem))
  if (number && (isExact(problem, number) || (number.scale > 0 && !ends))) return
  const given = whole.kind.read(plain)
  if (given === undefined)
    throw new InputError(`"${text.slice(0, 40)}" behind the = cannot be read as an answer.`)
  if (isExact(problem, whole.expect) && !meets(whole, given))
    throw new InputError(`The answer given is wrong: ${solvedWords(problem, whole.expect)}.`)
}

const FORMAT = 'tachymetra-problems'
const VERSION = 1

/** A set as a small file that can be sent. */
export function writeOwnFile({ name, technique, problems }: OwnSet): string {
  return `${JSON.stringify({ format: FORMAT, version: VERSION, name, technique, problems }, null, 1)}\n`
}

/** The same as a table, for whoever has a spreadsheet. */
export function writeOwnTable({ problems }: OwnSet): string {
  return (
    headLine(['problem', 'technique']) + bodyLines(problems.map((p) => [p.expression, p.technique ?? '']))
  )
}

const file = Joi.object({
  format: Joi.valid(FORMAT).required(),
  version: Joi.valid(VERSION).required(),
  name: Joi.string().trim().min(1).max(MOST_NAME).required(),
  technique: Joi.string().max(60).allow(null).required(),
  problems: Joi.array()
    .items(
      Joi.object({
        expression: Joi.string().max(MAX_EXPRESSION).required(),
        technique: Joi.string().max(60),
      }),
    )
    .required(),
})

/** What a file that was sent holds; every problem is read anew. @throws InputError where it is no such file */
export function readOwnFile(text: string): Omit<OwnSet, 'problems'> & { readonly lines: readonly OwnLine[] } {
  let read: unknown
  try {
    read = JSON.parse(text)
  } catch {
    throw new InputError('This is no file of problems sent from here.')
  }
  const { error, value } = file.validate(read)
  if (error) throw new InputError(`This is no file of problems sent from here: ${error.message}.`)
  const { name, technique, problems } = value as OwnSet
  if (technique !== null) techniqueById(technique)
  const lines = problems.map((p, i) =>
    readOr(i + 1, p.expression, () => ownProblem(p.expression, p.technique)),
  )
  return { name, technique, lines: upToMost(lines) }
}
