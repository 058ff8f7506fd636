/** What all drills share that look at a problem or an answer rather than work it by a technique. */
import type { AnyQuestion } from '../question/question.js'

/** One item of a drill: what it asks, and how it is told of in a list. */
export interface DrillItem {
  /** What is asked about it, one after another. */
  readonly questions: readonly AnyQuestion[]
  /** Answered one after another, or in any order. */
  readonly inOrder: boolean
  /** What is looked at, in words. */
  readonly says: string
}

export interface Drill {
  /** The item a text stands for. @throws InputError for a text that is none */
  read(text: string): DrillItem
}
