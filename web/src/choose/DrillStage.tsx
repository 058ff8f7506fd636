import { lowestPlace } from '@tachymetra/core/number'
import { lowestOf } from '@tachymetra/core/problem'
import { lineOf } from '@tachymetra/core/technique'
import { PlaceRule } from '../working/PlaceRule.js'
import type { Looked } from './looked.js'

const BLANK = { negative: false, cells: [] }

/** The problem on the place rule, with the answer that is to be checked beneath it. */
export function DrillStage({ looked: { problem, claimed } }: { readonly looked: Looked }) {
  const line = claimed ? lineOf(claimed, Math.min(lowestOf(problem), lowestPlace(claimed))) : BLANK
  return (
    <div className="stage">
      <PlaceRule problem={problem} line={line} />
    </div>
  )
}
