/** A file on its way in: of attempts or of facts, line by line, and what became of each. */
import { type AttemptRow, holdsFacts, readCsv, readFacts } from '@tachymetra/core/exchange'
import { factById } from '@tachymetra/core/facts'
import type { FactRow } from '@tachymetra/core/learner'
import { problemWords, readProblem } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import { durationOf } from '@tachymetra/core/session'
import { type BroughtInAnswer, MOST_BROUGHT_IN, MOST_FACTS_IN, MOST_TAKEN_OUT } from '@tachymetra/core/wire'
import { seconds } from '@tachymetra/core/words'
import { levelWords, when } from '../words/words.js'

export interface Line {
  readonly line: number
  /** Why it cannot be stored; else what it holds, and what became of it once it was sent. */
  readonly error?: string
  readonly row?: AttemptRow | FactRow
  readonly id?: string
  /** For people, as the columns of the file have it. */
  readonly cells?: readonly string[]
  readonly outcome?: string
}

export interface Incoming {
  /** Where it is sent to. */
  readonly path: '/attempts' | '/facts'
  readonly one: string
  readonly many: string
  readonly columns: readonly string[]
  /** So many rows are sent at once. */
  readonly atOnce: number
  readonly lines: readonly Line[]
}

/** @param timeZone the learner's. @throws InputError when the whole cannot be read */
export function readIncoming(text: string, timeZone: string): Incoming {
  const newId = () => crypto.randomUUID()
  if (holdsFacts(text))
    return {
      path: '/facts',
      one: 'fact',
      many: 'facts',
      columns: ['Fact', 'Right', 'When', 'Time'],
      atOnce: MOST_FACTS_IN,
      lines: readFacts(text, newId).map((read): Line => {
        if ('error' in read) return read
        const { fact } = read
        const cells = [
          factById(fact.fact)!.card.ask,
          fact.right ? 'right' : 'wrong',
          when(fact.at, timeZone),
          seconds(fact.ms),
        ]
        return { line: read.line, row: fact, id: fact.id, cells }
      }),
    }
  return {
    path: '/attempts',
    one: 'attempt',
    many: 'attempts',
    columns: ['Problem', 'Technique', 'When', 'Time'],
    atOnce: MOST_BROUGHT_IN / 2,
    lines: readCsv(text, newId).map((read): Line => {
      if ('error' in read) return read
      const { technique, level, startedAt, events, id } = read.row.attempt
      const cells = [
        problemWords(readProblem(read.expression)),
        `${techniqueById(technique).name}, ${levelWords(level)}`,
        when(startedAt, timeZone),
        seconds(durationOf(events)),
      ]
      return { line: read.line, row: read.row, id, cells }
    }),
  }
}

type Send = (path: string, body: object) => Promise<BroughtInAnswer>

/** Sends what can be stored, some rows at a time; what has come of it so far is told after each. */
export async function store(
  incoming: Incoming,
  send: Send,
  tell: (after: Incoming, share: number) => void,
): Promise<void> {
  const good = incoming.lines.filter((l) => l.row && !l.outcome)
  const outcomes = new Map<number, string>()
  for (let i = 0; i < good.length; i += incoming.atOnce) {
    const some = good.slice(i, i + incoming.atOnce)
    const answers = await send(incoming.path, { rows: some.map((l) => l.row) })
    for (const [k, answer] of answers.entries())
      outcomes.set(
        some[k]!.line,
        'error' in answer ? answer.error : answer.stored ? 'stored' : 'was there already',
      )
    const lines = incoming.lines.map((l) =>
      outcomes.has(l.line) ? { ...l, outcome: outcomes.get(l.line)! } : l,
    )
    tell({ ...incoming, lines }, Math.min(1, (i + some.length) / good.length))
  }
}

/** Takes out again what was stored of a file. */
export async function takeOut(
  { path, lines }: Incoming,
  send: (path: string, body: object) => Promise<unknown>,
): Promise<void> {
  const ids = lines.flatMap((l) => (l.outcome === 'stored' ? [l.id!] : []))
  for (let i = 0; i < ids.length; i += MOST_TAKEN_OUT)
    await send(path, { ids: ids.slice(i, i + MOST_TAKEN_OUT) })
}
