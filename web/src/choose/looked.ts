/** What a drill looks at, as the page shows it. */
import {
  type CheckItem,
  checkRemark,
  type DrillId,
  type FitItem,
  fitRemark,
  readChecking,
  readFit,
  readWays,
  type WayItem,
  wayRemark,
} from '@tachymetra/core/drill'
import type { Decimal } from '@tachymetra/core/number'
import type { Problem } from '@tachymetra/core/problem'

interface Common {
  readonly problem: Problem
  /** The answer that stands beneath it, to be checked. */
  readonly claimed?: Decimal
  /** What is said to a wrong answer; undefined where nothing but that it is not right. @param chosen the id of a choice */
  readonly remark: (chosen: string | undefined) => string | undefined
  /** What there is to say at the end. */
  readonly truth: string
}

export type Looked = Common &
  (
    | { readonly drill: 'fits'; readonly item: FitItem }
    | { readonly drill: 'ways'; readonly item: WayItem }
    | { readonly drill: 'checking'; readonly item: CheckItem }
  )

/** @throws InputError for a text that is no item of the drill. */
export function lookedAt(drill: DrillId, text: string): Looked {
  switch (drill) {
    case 'fits': {
      const item = readFit(text)
      const { problem, trick, missed } = item
      const truth = missed
        ? `${trick.name} does not fit here${missed.no.replace(/^no/, '')}.`
        : `${trick.name} fits here.`
      return { drill, item, problem, truth, remark: (chosen = '') => fitRemark(item, chosen) }
    }
    case 'ways': {
      const item = readWays(text)
      const truth = 'What each way takes:'
      return { drill, item, problem: item.problem, truth, remark: (chosen = '') => wayRemark(item, chosen) }
    }
    case 'checking': {
      const item = readChecking(text)
      const remark = (chosen: string | undefined) => (chosen === undefined ? checkRemark(item) : undefined)
      return { drill, item, problem: item.problem, claimed: item.claimed, truth: item.truth, remark }
    }
    case 'fact':
    case 'grid':
      throw new RangeError('It has a page of its own.')
  }
}
