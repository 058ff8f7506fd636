import type { Mastery } from '@tachymetra/core/curriculum'
import { seeded } from '@tachymetra/core/number'
import { draw, printProblem } from '@tachymetra/core/problem'
import { levelOf, TECHNIQUES, techniqueById } from '@tachymetra/core/registry'
import { inTwoWays } from '@tachymetra/core/report'
import { plainRecipe, type Recipe } from '@tachymetra/core/set'
import { isAbacus } from '@tachymetra/core/soroban'
import type { Technique } from '@tachymetra/core/technique'
import { Select } from 'antd'
import { useMemo, useState } from 'react'
import { DrillChoice } from './DrillChoice.js'

/** Problems that are worked in both ways. */
const PROBLEMS = 6
/** Problems looked at until enough fit both. */
const MOST_LOOKED_AT = 2000

/** The same problems by two ways: the times say which suits better. */
export function TwoWays(props: {
  readonly mastery: readonly Mastery[]
  readonly onBegin: (recipe: Recipe) => void
}) {
  const { mastery, onBegin } = props
  const [first, setFirst] = useState('multiply-crosswise')
  const [second, setSecond] = useState('multiply-addition')
  const ways = TECHNIQUES.filter((t) => !isAbacus(t) && t.id !== 'flash-sum' && t.id !== 'root-estimate')
  const rivals = useMemo(
    () => ways.filter((t) => t.id !== first && sharedBy(techniqueById(first), t, 1, 1).length > 0),
    [first, ways],
  )
  const other = rivals.some((t) => t.id === second) ? second : (rivals[0]?.id ?? '')
  const level = (id: string) => mastery.find((m) => m.technique.id === id)?.worked?.level ?? 1
  const start = () => {
    const seed = crypto.getRandomValues(new Int32Array(1))[0]!
    const [a, b] = [techniqueById(first), techniqueById(other)]
    const problems = sharedBy(a, b, PROBLEMS, seed, level(first), level(other))
    onBegin(plainRecipe([{ kind: 'listed', problems: inTwoWays(problems, [first, other]) }], 'answer'))
  }
  const options = (from: readonly Technique[]) => from.map((t) => ({ value: t.id, label: t.name }))
  return (
    <DrillChoice
      name="Two ways compared"
      about={`The same ${PROBLEMS} problems by both ways. Afterwards your times say which suits you better.`}
      why={other ? undefined : 'No other way works the same problems.'}
      onStart={start}
    >
      <Select
        aria-label="One way"
        value={first}
        options={options(ways)}
        onChange={setFirst}
        className="wide-select"
      />
      <Select
        aria-label="The other way"
        value={other}
        options={options(rivals)}
        onChange={setSecond}
        className="wide-select"
      />
    </DrillChoice>
  )
}

/** Problems that both ways fit, drawn at random from the levels of either. */
function sharedBy(
  a: Technique,
  b: Technique,
  count: number,
  seed: number,
  ...levels: readonly number[]
): string[] {
  const found = new Set<string>()
  const [first = 1, second = 1] = levels
  // Of the narrower way more problems fit both.
  for (const [from, to, level] of [
    [b, a, second],
    [a, b, first],
  ] as const) {
    const problems = draw(levelOf(from, Math.min(level, from.levels.length)).problems(), seeded(seed))
    for (let i = 0; i < MOST_LOOKED_AT / 10 && found.size < count; i += 1) {
      const problem = problems.next().value
      if (problem && to.fits(problem).fits) found.add(printProblem(problem))
    }
  }
  return [...found]
}
