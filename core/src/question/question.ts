/** A question as data: what is asked, what kind of answer it has, and which answers are right. */
import type { Decimal } from '../number/decimal.js'
import type { AnswerKind } from './kind.js'
import type { Value } from './value.js'

/**
 * A function of an entry. Compared as methods are, so that a question whose values are numbers is a question of any value:
 * only what its own kind has read ever comes in.
 */
export type OnEntry<V, R> = { of(value: V): R }['of']

export interface Question<V = Decimal> {
  /** The question in words. */
  readonly ask: string
  readonly kind: AnswerKind<V>
  /** The value of the worked example. */
  readonly expect: V
  /** Other values that are as right: another valid order, another rounding, another form. */
  readonly also?: OnEntry<V, boolean> | undefined
  /** Another way of saying a value: the value it stands for; undefined where it stands for nothing else. */
  readonly meant?: OnEntry<V, V | undefined> | undefined
  /** Where an estimate is asked: how far from the exact value it may lie, as a share of it. */
  readonly within?: Decimal | undefined
}

/** A question of any kind. */
export type AnyQuestion = Question<Value>

/**
 * The value to go on with when this one is entered: itself where it is right, what it stands for where that is; undefined
 * for a wrong one. The one place where an entry is compared with what was expected.
 */
export function meaning<V>(question: Question<V>, value: V): V | undefined {
  if (isRight(question, value)) return value
  const meant = question.meant?.(value)
  return meant !== undefined && isRight(question, meant) ? meant : undefined
}

/** Is this the value itself, and not only another way of saying it? */
export function isRight<V>({ kind, expect, also, within }: Question<V>, value: V): boolean {
  if (kind.same(expect, value) || (also?.(value) ?? false)) return true
  return within !== undefined && (kind.near?.(value, expect, within) ?? false)
}

/** Is this value right, or another way of saying one that is? */
export function meets<V>(question: Question<V>, value: V): boolean {
  return meaning(question, value) !== undefined
}

/** Is what was typed right? Text that stands for no value is not. */
export function meetsText<V>(question: Question<V>, text: string): boolean {
  const value = question.kind.read(text)
  return value !== undefined && meets(question, value)
}

/** Has as much been typed as the expected answer takes? Then it can be taken without Enter. */
export function isFull<V>({ kind, expect }: Question<V>, text: string): boolean {
  // A letter is a whole answer; what is typed in its place may still go on.
  if (kind.choices) return kind.choices.some((c) => c.key === text.toLowerCase())
  return text.length >= kind.length(expect)
}
