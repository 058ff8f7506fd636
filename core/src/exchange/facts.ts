/** Recalls of facts as comma-separated values (RFC 4180): written to be read again without loss of what is counted. */

import { factById } from '../facts/decks.js'
import { checkFactRow, type FactRow, recallLimit } from '../learner/recall.js'
import { present } from '../number/present.js'
import { InputError } from '../problem/error.js'
import { FIRST_JUDGE } from '../session/progress.js'
import { check } from '../wire/check.js'
import { factRowSchema } from '../wire/schemas.js'
import { bodyLines, type Cells, eachRow, headLine, nameCell, needColumns, readTable } from './cells.js'

export const FACTS_HEADER = [
  'learner',
  'recall',
  'fact',
  'question',
  'started',
  'entry',
  'right',
  'total_ms',
  'think_ms',
  'limit_ms',
  'judge',
] as const
const NEEDED = ['fact', 'started', 'right', 'total_ms'] as const

/** The first line of facts.csv, with the mark by which spreadsheets know its encoding. */
export const factsHead = (): string => headLine(FACTS_HEADER)

/** The id of a fact is its sum as it is typed, which a spreadsheet may take for a date. */
const factCell = (fact: string) => fact.replace('-', '\u2212').replace('/', '\u00f7')
const factFrom = (cell: string) => cell.replace('\u2212', '-').replace('\u00f7', '/')

/** In the place of a time where there was none to keep. */
const NO_LIMIT = 'none'

/** Recalls as lines. @param learner the name of whoever recalled them */
export function factsRows(recalls: readonly FactRow[], learner: string): string {
  return bodyLines(
    recalls.map(({ id, fact, at, entry, right, ms, thinkMs, withinMs, judge }) => [
      nameCell(learner),
      id,
      factCell(fact),
      factById(fact)?.card.ask ?? '',
      at,
      entry ?? '',
      right ? 'yes' : 'no',
      ms,
      thinkMs,
      withinMs ?? NO_LIMIT,
      judge,
    ]),
  )
}

/** What became of one line of a file of facts. */
export type ReadFact = { readonly line: number } & ({ readonly fact: FactRow } | { readonly error: string })

/** Is it a file of facts rather than of attempts? */
export const holdsFacts = (text: string): boolean =>
  /(^|,|;|\t)"?fact"?(,|;|\t|\r|\n|$)/.test(text.split('\n', 1)[0] ?? '')

/**
 * Reads a file of facts line by line.
 * @param newId makes ids for rows that bring none
 * @throws InputError when the whole cannot be read: too large, no header, columns missing
 */
export function readFacts(text: string, newId: () => string): ReadFact[] {
  const table = readTable(text)
  needColumns(table, NEEDED)
  return eachRow(table, (cells) => ({ fact: readRow(cells, newId) }))
}

function readRow(cells: Cells, newId: () => string): FactRow {
  const ms = cells.whole('total_ms')
  const fact = factFrom(cells.text('fact'))
  const row: FactRow = {
    id: cells.text('recall') || newId(),
    fact,
    at: cells.instant('started'),
    entry: cells.text('entry') || null,
    right: cells.flag('right'),
    ms,
    thinkMs: cells.whole('think_ms', ms),
    withinMs: limitFrom(cells, fact),
    judge: cells.whole('judge', FIRST_JUDGE),
  }
  const checked = check(factRowSchema, row)
  if ('error' in checked) throw new InputError(checked.error)
  checkFactRow(checked.value)
  return checked.value
}

/** Files of earlier versions, and those made by others, say nothing of limits: the usual ones are meant. */
function limitFrom(cells: Cells, fact: string): number | null {
  if (cells.text('limit_ms') === NO_LIMIT) return null
  const deck = factById(fact)?.deck
  return deck ? cells.whole('limit_ms', present(recallLimit(deck))) : null
}
