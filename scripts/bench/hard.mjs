/** The problems that take longest to look into: long ones by hand, and every technique with its own settings at their most. */
import { printProblem as print, readProblem } from '../../core/dist/problem/index.js'
import { OWN_LEVEL, TECHNIQUES, techniqueById } from '../../core/dist/registry/index.js'
import { JUDGE } from '../../core/dist/session/index.js'
import { GENERATOR, plainRecipe } from '../../core/dist/set/index.js'

const digits = (n, k = 0) => '7384659281746352918273645546372819'.repeat(2).slice(k, k + n)
const terms = (count, n) => Array.from({ length: count }, (_, i) => digits(n, i)).join('+')

/** Long problems by hand: what the longest lines and the longest factors lead to. */
const CASES = [
  ['multiply-addition', `${digits(10)}*${digits(20)}`],
  ['multiply-subtraction', `${digits(10)}*${digits(20)}`],
  ['multiply-crosswise', `${digits(8)}*${digits(8, 9)}`],
  ['add-pairs', terms(15, 20)],
  ['add-running-total', terms(12, 20)],
  ['add-running-total', terms(30, 30)],
  ['add-place-sweep', terms(15, 20)],
  ['add-columns-left', terms(15, 20)],
  ['add-column-totals', terms(15, 20)],
  ['soroban-add', terms(15, 12)],
  ['soroban-multiply', `${digits(8)}*${digits(8, 9)}`],
  ['subtract-hold-drop', `${'9'.repeat(30)}-${'38'.repeat(15)}`],
  ['subtract-blocks', `${'9'.repeat(30)}-${'38'.repeat(15)}`],
  ['square-duplex', `${digits(8)}^2`],
  ['divide-short', `${digits(20)}/7`],
  ['flash-sum', terms(15, 9)],
]

/** Each as the id of its technique and the problem. */
export const hardProblems = () =>
  [...CASES, ...ownSettings()]
    .filter(([id, expression]) => fits(id, expression))
    .map(([id, expression]) => [id, print(readProblem(expression))])

const startedAt = '2026-03-01T10:00:00.000Z'

/** An attempt with as many wrong answers as are looked into, the first value off by many slips. */
export const hardAttempt = (technique, expression, id, sessionId) => ({
  id,
  sessionId,
  n: 1,
  technique,
  variant: {},
  level: OWN_LEVEL,
  support: 'answer',
  expression,
  startedAt,
  judge: JUDGE,
  events: [
    ...Array.from({ length: 20 }, (_, i) => ({ kind: 'entered', at: 1000 * i, text: `${13579 + i}` })),
    { kind: 'skipped', at: 30_000 },
  ],
})

/** A session of one problem. */
export const sessionOf = (technique, expression) => ({
  startedAt,
  recipe: plainRecipe(
    [{ kind: 'listed', problems: [{ technique, level: OWN_LEVEL, expression }] }],
    'answer',
  ),
  seed: 0,
  generator: GENERATOR,
})

function fits(id, expression) {
  return techniqueById(id).fits(readProblem(expression)).fits
}

/** Every technique with its own settings at their most. */
function ownSettings() {
  return TECHNIQUES.flatMap(({ id, parameters }) => {
    const most = Object.fromEntries(
      parameters.parameters.filter((d) => d.usual !== undefined).map((d) => [d.key, d.most]),
    )
    for (const values of [most, {}]) {
      try {
        const space = parameters.problems(values)
        if (space.size > 0n) return [[id, print(space.at(space.size - 1n))]]
      } catch {
        // Too many to be counted, or none: the settings as they are usual, then.
      }
    }
    return []
  })
}
