/** How a technique stands beside the other ways on problems of its own levels. */
import { present } from '../number/present.js'
import { seeded } from '../number/random.js'
import { draw } from '../problem/space.js'
import { compareWays } from '../report/compare.js'
import type { Technique } from '../technique/contract.js'

/** Efforts so near are not told apart. */
const NEAR = 1

/**
 * Over random problems, as many of each of its levels, how often the technique needs the least effort in the head, or one
 * unit more; as a share.
 */
export function leastEffortShare(technique: Technique, problems: number, seed: number): number {
  const each = Math.ceil(problems / technique.levels.length)
  let [least, all] = [0, 0]
  for (const [i, level] of technique.levels.entries()) {
    const drawn = draw(level.problems(), seeded(seed + i))
    for (let n = 0; n < each; n += 1) {
      // The kinds of a paper are no rivals: most are the same ways for a few numbers only.
      const ways = compareWays(present(drawn.next().value)).ways.filter((w) => w.technique.family !== 'paper')
      const own = present(ways.find((w) => w.technique === technique))
      if (own.effort.total <= present(ways[0]).effort.total + NEAR) least += 1
      all += 1
    }
  }
  return least / all
}
