/** A progress sheet: what a learner, a parent or a coach wants to see on one page. */

import type { LevelMove } from '../curriculum/levels.js'
import type { Readiness, Result } from '../curriculum/readiness.js'
import { standsOf } from '../curriculum/stands.js'
import { aimOf, type LearnerSettings } from '../learner/settings.js'
import { dayAfter } from '../number/days.js'
import { techniqueById } from '../registry/techniques.js'
import { SUPPORT_NAMES } from '../session/support.js'
import { slipName } from '../words/slips.js'

export interface SheetTable {
  readonly title: string
  readonly columns: readonly string[]
  readonly rows: readonly (readonly string[])[]
}

export interface Sheet {
  readonly title: string
  readonly lines: readonly string[]
  readonly tables: readonly SheetTable[]
}

export interface SheetInput {
  readonly name: string
  /** The learner's own day. */
  readonly day: string
  readonly settings: LearnerSettings
  readonly results: readonly Result[]
  readonly moves: readonly LevelMove[]
  readonly readiness: readonly Readiness[]
  readonly days: readonly { readonly day: string; readonly ms: number; readonly attempts: number }[]
  readonly facts: readonly { readonly latestRight: boolean }[]
  readonly slips: readonly { readonly slip: string; readonly count: number; readonly week: string }[]
}

/** The span the sheet looks back on. */
const DAYS_BACK = 28
const MOST_ROWS = 8

const NAMES = { known: 'known', practised: 'in practice', ready: 'ready', 'not-yet': 'not yet' } as const

export function sheetOf(input: SheetInput): Sheet {
  const { name, day, settings, results, moves, readiness, facts } = input
  const since = dayAfter(day, -DAYS_BACK + 1)
  const days = input.days.filter((d) => d.day >= since)
  const minutes = Math.round(days.reduce((sum, d) => sum + d.ms, 0) / 60_000)
  const problems = days.reduce((sum, d) => sum + d.attempts, 0)
  const sure = facts.filter((f) => f.latestRight).length
  const latest = new Map<string, LevelMove>()
  for (const m of [...moves].sort((a, b) => a.at.localeCompare(b.at))) latest.set(m.technique, m)
  const stands = standsOf(results, [...latest.values()]).sort((a, b) => b.lastAt.localeCompare(a.lastAt))
  const recent = moves.filter((m) => m.at.slice(0, 10) >= since)
  const slips = new Map<string, number>()
  for (const s of input.slips)
    if (s.week >= dayAfter(since, -6)) slips.set(s.slip, (slips.get(s.slip) ?? 0) + s.count)
  return {
    title: `Progress of ${name}, ${day}`,
    lines: [
      `The last ${DAYS_BACK} days: practice on ${days.length} of them, ${minutes} minutes together, ${problems} problems.`,
      `Facts met: ${facts.length}; surely recalled lately: ${sure}.`,
    ],
    tables: [
      {
        title: 'Techniques, the latest first',
        columns: ['Technique', 'Standing', 'Level', 'Support', 'Right', 'Pace', 'Target'],
        rows: stands.map((s) => [
          techniqueById(s.technique).name,
          NAMES[readiness.find((r) => r.technique.id === s.technique)?.standing ?? 'practised'],
          String(s.level),
          s.support === null ? '-' : SUPPORT_NAMES[s.support].toLowerCase(),
          s.latest.problems === 0 ? '-' : `${s.latest.right} of ${s.latest.problems}`,
          s.latest.medianMs === null ? '-' : inSeconds(s.latest.medianMs),
          inSeconds(aimOf(settings, s.technique, s.level) ?? 0),
        ]),
      },
      {
        title: `Levels in the last ${DAYS_BACK} days`,
        columns: ['Day', 'Technique', 'Level', 'Why'],
        rows: recent
          .slice(0, MOST_ROWS)
          .map((m) => [
            m.at.slice(0, 10),
            techniqueById(m.technique).name,
            `${m.from} to ${m.to}`,
            m.because,
          ]),
      },
      {
        title: 'Slips to look at',
        columns: ['Slip', 'How often'],
        rows: [...slips]
          .sort((a, b) => b[1] - a[1])
          .slice(0, MOST_ROWS)
          .map(([slip, count]) => [slipName(slip), String(count)]),
      },
    ].filter((t) => t.rows.length > 0),
  }
}

const inSeconds = (ms: number) => `${(ms / 1000).toFixed(1)} s`
