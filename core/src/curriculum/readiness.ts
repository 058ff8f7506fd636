/** What a learner knows, and what may come next: prerequisites first. */

import type { LearnerSettings } from '../learner/settings.js'
import { TECHNIQUES, techniqueById } from '../registry/techniques.js'
import type { Technique } from '../technique/contract.js'
import { STANDING } from '../words/levels.js'
import { LEVEL_RULES, type LevelMove, type LevelRules } from './levels.js'

/** The results of one sitting at one level under one support, the newest of them last. */
export interface Result {
  readonly technique: string
  readonly level: number
  readonly support: string
  readonly attempts: number
  readonly right: number
  readonly medianMs: number | null
  /** ISO 8601. */
  readonly at: string
}

export type Knowing = 'known' | 'practised' | 'ready' | 'not-yet'

export interface Readiness {
  readonly technique: Technique
  readonly standing: Knowing
  /** Why it stands so, in a sentence. */
  readonly because: string
  /** Prerequisites not known yet. */
  readonly missing: readonly Technique[]
}

/** What a standing is judged by. */
export interface Judged {
  /** The learner's own targets in milliseconds, by technique and level. */
  readonly targets?: LearnerSettings['targets']
  /** The latest move of each technique: the rungs below the one in force are known. */
  readonly moves?: readonly Pick<LevelMove, 'technique' | 'to' | 'by'>[]
  /** A rung is known by what would move the learner up from it: so many of the latest answers right, within the target. */
  readonly rules?: LevelRules
}

/** Every technique with where the learner stands, in teaching order. */
export function readiness(
  results: readonly Result[],
  { targets = {}, moves = [], rules = LEVEL_RULES }: Judged = {},
): Readiness[] {
  const known = new Map(
    TECHNIQUES.map((t) => {
      const found = bestRung(t, results, rules, targets[t.id])
      const move = moves.find((m) => m.technique === t.id)
      if (!move || move.to <= (found.rung ?? 1)) return [t.id, found]
      const words = STANDING.moved(move.to, move.by === 'rule')
      return [t.id, { rung: move.to - 1, words }]
    }),
  )
  return TECHNIQUES.map((technique) => {
    const { rung, words } = known.get(technique.id)!
    const missing = technique.needs.filter((id) => known.get(id)!.rung === undefined).map(techniqueById)
    if (rung !== undefined)
      return { technique, standing: 'known', because: STANDING.known(rung, words), missing: [] }
    if (results.some((r) => r.technique === technique.id))
      return { technique, standing: 'practised', because: STANDING.practised(words), missing }
    if (missing.length === 0)
      return {
        technique,
        standing: 'ready',
        because: STANDING.ready(technique.needs.length > 0),
        missing,
      }
    const first = missing.map((m) => STANDING.missing(m.name, known.get(m.id)!.words))
    return { technique, standing: 'not-yet', because: STANDING.first(first), missing }
  })
}

/** The highest rung that is known, and how the latest work stands in words. */
function bestRung(
  technique: Technique,
  results: readonly Result[],
  rules: LevelRules,
  targets: Readonly<Record<string, number>> = {},
): { rung: number | undefined; words: string } {
  const answers = results.filter((r) => r.technique === technique.id && r.support === 'answer' && r.level > 0)
  if (answers.length === 0)
    return {
      rung: undefined,
      words: STANDING.begun(results.some((r) => r.technique === technique.id)),
    }
  let words = ''
  for (let rung = technique.levels.length; rung >= 1; rung -= 1) {
    const latest = latestOf(
      answers.filter((r) => r.level === rung),
      rules.upOf,
    )
    if (latest.answers === 0) continue
    const target = targets[rung] ?? technique.levels[rung - 1]!.targetMs
    const said = STANDING.latest(latest.right, latest.answers, latest.medianMs, target)
    words ||= said
    const share = rules.upRight / rules.upOf
    const right = latest.answers >= rules.upOf && latest.right >= share * latest.answers
    if (right && latest.medianMs !== null && latest.medianMs <= target) return { rung, words: said }
  }
  return { rung: undefined, words }
}

/** The newest sittings that make up the answers wanted, taken together. */
function latestOf(
  results: readonly Result[],
  wanted: number,
): { answers: number; right: number; medianMs: number | null } {
  let [answers, right] = [0, 0]
  const times: number[] = []
  for (const r of [...results].sort((a, b) => b.at.localeCompare(a.at))) {
    if (answers >= wanted) break
    answers += r.attempts
    right += r.right
    if (r.medianMs !== null) times.push(r.medianMs)
  }
  times.sort((a, b) => a - b)
  return { answers, right, medianMs: times[times.length >> 1] ?? null }
}
