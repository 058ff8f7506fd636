/** Paper kind: cube roots of perfect cubes. */

import { decimal } from '../number/decimal.js'
import { present } from '../number/present.js'
import { cubeRoot } from '../number/root.js'
import { said } from '../number/whole.js'
import { itemOf } from '../problem/items/forms.js'
import { between, kept, mapped, type ProblemSpace, type Space } from '../problem/space.js'
import { WHOLE } from '../question/kind.js'
import { type Misfit, misfit } from '../technique/make.js'
import { CUBE_ROOT } from '../words/paper/measures.js'
import { answered, isMisfit, itemOfForm, Mind, paperKind } from './kind.js'

const cubesOf = (roots: Space<bigint>): ProblemSpace =>
  mapped(
    kept(roots, (n) => n % 10n !== 0n),
    (n) => itemOf('cube-root', { numbers: [decimal(n ** 3n)], signs: [] }),
  )

export const cubeRoots = paperKind({
  id: 'paper-cube-root',
  words: CUBE_ROOT,
  needs: ['paper-cubes'],
  levels: [
    ['Roots to 30', () => cubesOf(between(11, 30))],
    ['Roots to 60', () => cubesOf(between(21, 60))],
    ['Roots to 99', () => cubesOf(between(41, 99))],
  ],
  read(problem): { readonly n: bigint } | Misfit {
    const item = itemOfForm(problem, CUBE_ROOT.none, 'cube-root')
    if (isMisfit(item)) return item
    const n = present(item.numbers[0]).units
    return n >= 1000n && n < 1_000_000n ? { n } : misfit(CUBE_ROOT.none)
  },
  *work({ n }) {
    const mind = new Mind()
    const root = cubeRoot(n)
    const [last, head] = [root % 10n, root / 10n]
    const front = n / 1000n
    const digit = yield* mind.seeNumber(last, {
      what: 'last digit',
      ask: CUBE_ROOT.askLast,
      why: CUBE_ROOT.whyLast(said(last), said(last ** 3n % 10n)),
      slips(slip) {
        slip('fact', decimal(n % 10n), 5, CUBE_ROOT.same)
        for (const other of [10n - last, last + 1n])
          slip('fact', decimal(other % 10n), 3, CUBE_ROOT.whyLast(said(last), said(last ** 3n % 10n)))
      },
    })
    const right = CUBE_ROOT.whyHead(said(head), said(head ** 3n), said(front))
    const first = yield* mind.seeNumber(head, {
      what: 'head',
      ask: CUBE_ROOT.askHead,
      why: right,
      slips(slip) {
        slip('too-many', decimal(head + 1n), 4, CUBE_ROOT.tooLarge(right))
        if (head > 1n) slip('too-few', decimal(head - 1n), 3, CUBE_ROOT.tooSmall(right))
      },
    })
    return yield* answered(decimal(10n * first + digit), {
      kind: WHOLE,
      why: CUBE_ROOT.why,
      slips: (slip) => slip('wrong-way', decimal(10n * digit + first), 3, CUBE_ROOT.turned),
    })
  },
})
