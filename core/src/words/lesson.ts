/** What a learner is taught of a technique before the first problem. */

export interface Lesson {
  /** A problem that shows the technique well. */
  readonly example: string
  readonly when: string
  readonly whenNot: string
  /** Why it works: about three lines, algebra or place values. */
  readonly because: readonly string[]
}

/** What a technique is called and how it is taught. */
export interface TechniqueWords {
  readonly name: string
  readonly about: string
  readonly lesson: Lesson
}
