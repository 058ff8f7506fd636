import type { Mastery } from '@tachymetra/core/curriculum'
import { seeded } from '@tachymetra/core/number'
import { draw, printProblem } from '@tachymetra/core/problem'
import { COURSE, levelOf, techniqueById } from '@tachymetra/core/registry'
import { inTwoWays } from '@tachymetra/core/report'
import { plainRecipe, type Recipe } from '@tachymetra/core/set'
import { isAbacus } from '@tachymetra/core/soroban'
import { Select } from 'antd'
import { useMemo, useState } from 'react'
import { freshSeed } from '../data/fresh.js'
import { DrillChoice } from './DrillChoice.js'

/** Problems that are worked in both ways. */
const PROBLEMS = 6
/** Problems looked at of a level until enough fit both. */
const MOST_LOOKED_AT = 200

/** What comes to the answer itself, in the head. */
const WAYS = COURSE.filter((t) => !isAbacus(t) && t.id !== 'flash-sum' && t.id !== 'root-estimate')

/** The same problems by two ways: the times say which suits better. */
export function TwoWays(props: {
  readonly mastery: readonly Mastery[]
  readonly onBegin: (recipe: Recipe) => void
}) {
  const { mastery, onBegin } = props
  const [first, setFirst] = useState('multiply-crosswise')
  const [second, setSecond] = useState('multiply-addition')
  const rivals = useMemo(
    () => WAYS.filter((t) => t.id !== first && shared(first, t.id, 1).length > 0),
    [first],
  )
  const other = rivals.some((t) => t.id === second) ? second : (rivals[0]?.id ?? '')
  const level = (id: string) => mastery.find((m) => m.technique.id === id)?.worked?.level ?? 1
  const start = () => {
    const seed = freshSeed()
    // Where too few problems of the own levels fit both, the first levels fill them up.
    const own = shared(first, other, seed, level(first), level(other))
    const problems = [...new Set([...own, ...shared(first, other, seed)])].slice(0, PROBLEMS)
    onBegin(plainRecipe([{ kind: 'listed', problems: inTwoWays(problems, [first, other]) }], 'answer'))
  }
  return (
    <DrillChoice
      name="Two ways compared"
      about={`The same ${PROBLEMS} problems by both ways. Afterwards your times say which suits you better.`}
      why={other ? undefined : 'No other way works the same problems.'}
      onStart={start}
    >
      {(
        [
          ['One way', first, WAYS, setFirst],
          ['The other way', other, rivals, setSecond],
        ] as const
      ).map(([label, value, ways, choose]) => (
        <Select
          key={label}
          aria-label={label}
          value={value}
          options={ways.map((t) => ({ value: t.id, label: t.name }))}
          onChange={choose}
          className="wide-select"
        />
      ))}
    </DrillChoice>
  )
}

/** Problems that both ways fit, as many as are worked, drawn at random from a level of either. */
function shared(first: string, second: string, seed: number, ...levels: readonly number[]): string[] {
  const found = new Set<string>()
  const both = [techniqueById(first), techniqueById(second)] as const
  // Of the narrower way more problems fit both: it may be the second.
  for (const which of [1, 0] as const) {
    const [from, to] = [both[which], both[1 - which]!]
    const level = levelOf(from, Math.min(levels[which] ?? 1, from.levels.length))
    const problems = draw(level.problems(), seeded(seed))
    for (let i = 0; i < MOST_LOOKED_AT && found.size < PROBLEMS; i += 1) {
      const problem = problems.next().value
      if (problem && to.fits(problem).fits) found.add(printProblem(problem))
    }
  }
  return [...found]
}
