import type { LearnerSettings, Times } from '@tachymetra/core/learner'
import { decimal, seeded, toWords } from '@tachymetra/core/number'
import { draw, type ProblemSpace, problemWords } from '@tachymetra/core/problem'
import { compareWays, quickestFor } from '@tachymetra/core/report'
import type { Technique } from '@tachymetra/core/technique'
import { seconds } from '@tachymetra/core/words'
import { useMemo } from 'react'
import { Words } from '../written/Words.js'

/** A few problems of a space and how many there are of them. */
export function Preview({
  space,
  targetMs,
  technique,
  variants,
  times,
}: {
  readonly space: ProblemSpace
  readonly targetMs: number | undefined
  readonly technique: Technique
  readonly variants: LearnerSettings['variants']
  readonly times: Times | undefined
}) {
  const problems = useMemo(() => {
    const source = draw(space, seeded(1))
    const most = space.size < 3n ? Number(space.size) : 3
    return Array.from({ length: most }, () => source.next().value!)
  }, [space])
  const [first] = problems
  const own = useMemo(() => {
    if (!first || !times) return undefined
    const compared = compareWays(first, variants)
    const found = quickestFor(compared, times)
    const mine = found?.each[compared.ways.findIndex((w) => w.technique === technique)]
    return found && mine ? { quickest: found, mine: mine.ms } : undefined
  }, [first, times, variants, technique])
  const { size } = space
  const many = size < 10n ** 15n ? toWords(decimal(size)) : `about 10^${size.toString().length - 1}`
  return (
    <div>
      <p>
        <strong>Examples:</strong>
      </p>
      <ul className="plain-list mono">
        {problems.map(problemWords).map((text) => (
          <li key={text} style={{ overflowWrap: 'anywhere' }}>
            <Words>{text}</Words>
          </li>
        ))}
      </ul>
      {own && first && (
        <p className="own-time">
          <Words>{problemWords(first)}</Words>: about <Words>{seconds(own.mine)}</Words> for you
          <Words>
            {own.quickest.way.technique === technique
              ? ', and no way you know is quicker.'
              : `; ${own.quickest.way.technique.name} would take ${seconds(own.quickest.ms)}.`}
          </Words>
        </p>
      )}
      <p className="faint" data-testid="possible">
        <Words>{many}</Words> {size === 1n ? 'problem' : 'different problems'}
        <Words>{targetMs ? `; aim for ${seconds(targetMs)} each.` : '.'}</Words>
      </p>
    </div>
  )
}
