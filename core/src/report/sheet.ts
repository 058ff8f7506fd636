/** A progress sheet: what a learner, a parent or a coach wants to see on one page. */

import type { LevelMove } from '../curriculum/levels.js'
import type { Mastery } from '../curriculum/mastery.js'
import type { LearnerSettings } from '../learner/settings.js'
import { byTime, dayAfter } from '../number/days.js'
import { techniqueById } from '../registry/techniques.js'
import { SUPPORT_NAMES } from '../session/support.js'
import { seconds } from '../words/english.js'
import { extraTimeWords, levelReasonWords, MASTERY_NAMES } from '../words/levels.js'
import { SHEET } from '../words/report.js'
import { slipName } from '../words/slips.js'

/** One of its tables. */
export interface SheetTable {
  /** What stands over it. */
  readonly title: string
  /** What stands over each column. */
  readonly columns: readonly string[]
  /** Its rows, cell by cell. */
  readonly rows: readonly (readonly string[])[]
}

/** The progress sheet of a learner, as it is printed. */
export interface Sheet {
  /** Whose it is, and of when. */
  readonly title: string
  /** The learner's own day it was made on (ISO date). */
  readonly day: string
  /** Its sentences, in order. */
  readonly lines: readonly string[]
  /** Its tables, in order. */
  readonly tables: readonly SheetTable[]
}

export interface SheetInput {
  readonly name: string
  /** The learner's own day. */
  readonly day: string
  readonly settings: LearnerSettings
  readonly moves: readonly LevelMove[]
  readonly mastery: readonly Mastery[]
  readonly days: readonly { readonly day: string; readonly ms: number; readonly attempts: number }[]
  readonly facts: readonly { readonly latestRight: boolean }[]
  readonly slips: readonly { readonly slip: string; readonly count: number; readonly week: string }[]
}

/** The span the sheet looks back on. */
const DAYS_BACK = 28
const MOST_ROWS = 8

type Practised = SheetInput['mastery'][number] & {
  readonly worked: NonNullable<SheetInput['mastery'][number]['worked']>
}

/** Where a technique stands, as a row of the sheet. */
function standingRow({ technique, state, worked }: Practised): string[] {
  const { level, alone, aimMs } = worked
  // A target is for work without steps: only such times stand beside it.
  const [support, reading] = alone ? (['answer', alone] as const) : [worked.support, worked.latest]
  return [
    technique.name,
    MASTERY_NAMES[state],
    String(level),
    SUPPORT_NAMES[support].toLowerCase(),
    reading.answers === 0 ? SHEET.nothing : SHEET.rightOf(reading.right, reading.answers),
    reading.medianMs === null ? SHEET.nothing : seconds(reading.medianMs),
    alone && aimMs !== undefined ? seconds(aimMs) : SHEET.nothing,
  ]
}

/** Makes the progress sheet of a learner of the last four weeks. */
export function sheetOf(input: SheetInput): Sheet {
  const { name, day, settings, moves, facts } = input
  const since = dayAfter(day, -DAYS_BACK + 1)
  const days = input.days.filter((d) => d.day >= since)
  const minutes = Math.round(days.reduce((sum, d) => sum + d.ms, 0) / 60_000)
  const problems = days.reduce((sum, d) => sum + d.attempts, 0)
  const sure = facts.filter((f) => f.latestRight).length
  const practised = input.mastery
    .flatMap(({ worked, ...m }) => (worked ? [{ ...m, worked }] : []))
    .toSorted((a, b) => byTime(b.worked.lastAt, a.worked.lastAt))
  const recent = moves.filter((m) => m.at.slice(0, 10) >= since)
  const slips = new Map<string, number>()
  for (const s of input.slips)
    if (s.week >= dayAfter(since, -6)) slips.set(s.slip, (slips.get(s.slip) ?? 0) + s.count)
  return {
    title: SHEET.title(name, day),
    day,
    lines: [
      SHEET.practice(DAYS_BACK, days.length, minutes, problems),
      SHEET.facts(facts.length, sure),
      ...(settings.extraTime === 1 ? [] : [extraTimeWords(settings.extraTime)]),
    ],
    tables: [
      {
        ...SHEET.techniques,
        rows: practised.map(standingRow),
      },
      {
        title: SHEET.levels.title(DAYS_BACK),
        columns: SHEET.levels.columns,
        rows: recent
          .slice(0, MOST_ROWS)
          .map((m) => [
            m.at.slice(0, 10),
            techniqueById(m.technique).name,
            SHEET.fromTo(m.from, m.to),
            levelReasonWords(m.reason),
          ]),
      },
      {
        ...SHEET.slips,
        rows: [...slips]
          .sort((a, b) => b[1] - a[1])
          .slice(0, MOST_ROWS)
          .map(([slip, count]) => [slipName(slip), String(count)]),
      },
    ].filter((t) => t.rows.length > 0),
  }
}
