/** What is typed and not yet confirmed: pure, time comes in with every key. */
import { present } from '../number/present.js'
import { type AnswerKind, otherReading } from '../question/kind.js'
import { meetsText } from '../question/question.js'
import type { Value } from '../question/value.js'
import { UNFINISHED } from '../words/entry.js'
import { type AttemptEvent, MOST_WRONG } from './events.js'
import { mistaken, type Progress } from './progress.js'
import { happen, openQuestion } from './reduce.js'

/** What is typed and not yet confirmed. */
export interface Typing {
  /** What stands there, not yet confirmed. */
  readonly text: string
  /** Milliseconds since the problem was shown: first and last key, and the longest stretch without one. */
  readonly first: number | undefined
  /** When the last key was pressed, in milliseconds since the showing. */
  readonly last: number
  /** The longest pause between two keys, in milliseconds. */
  readonly pause: number
}

/** Before the first key. */
export const NOTHING_TYPED: Typing = { text: '', first: undefined, last: 0, pause: 0 }

/** Some number pads have a comma where the point should be, some keyboards a true minus. */
const SAME_KEY: Readonly<Record<string, string>> = { ',': '.', '−': '-' }

/** Which digit of a number is typed first: the one on the left, or the units. */
export type TypedFrom = 'left' | 'right'

/** A key pressed: taken where the text may go on with it. From the right each digit stands before those typed. */
export function typeKey(
  typing: Typing,
  kind: AnswerKind<unknown>,
  pressedKey: string,
  at: number,
  from: TypedFrom = 'left',
): Typing {
  const key = writtenBy(kind, pressedKey)
  if (key === undefined) return typing
  const [sign, digits] = signApart(typing.text)
  const text = from === 'right' ? sign + key + digits : typing.text + key
  return { ...pressed(typing, at), ...(kind.begins(text) && { text }) }
}

const signApart = (text: string): readonly [sign: string, digits: string] =>
  text.startsWith('-') ? ['-', text.slice(1)] : ['', text]

/** The key of a kind that a key pressed stands for: letters are taken large or small. */
export function writtenBy(
  kind: Pick<AnswerKind<unknown>, 'keys' | 'alsoTyped'>,
  pressedKey: string,
): string | undefined {
  const key = SAME_KEY[pressedKey] ?? pressedKey
  const keys = [...kind.keys, ...(kind.alsoTyped ?? [])]
  return keys.find((k) => k === key) ?? keys.find((k) => k.toLowerCase() === key.toLowerCase())
}

/** The last key taken back; a sign goes once no digit is left. */
export function eraseKey(typing: Typing, at: number, from: TypedFrom = 'left'): Typing {
  const [sign, digits] = signApart(typing.text)
  const text = from === 'right' ? (digits === '' ? '' : sign + digits.slice(1)) : typing.text.slice(0, -1)
  return { ...pressed(typing, at), text }
}

/** Something moved that is no key, such as a bead: it counts for the times. */
export function touched(typing: Typing, at: number): Typing {
  return pressed(typing, at)
}

function pressed(typing: Typing, at: number): Typing {
  const whole = Math.round(at)
  return {
    ...typing,
    first: typing.first ?? whole,
    last: whole,
    pause: typing.first === undefined ? 0 : Math.max(typing.pause, whole - typing.last),
  }
}

/**
 * Enter: what is typed as an event.
 * @returns a sentence instead when it is no answer yet, or when there were tries enough and this was not it either.
 */
export function confirm(
  progress: Progress,
  typing: Typing,
  at: number,
  of?: number,
): { readonly event: AttemptEvent } | { readonly notice: string } {
  const question = openQuestion(progress, of)
  if (!question) return { notice: '' }
  if (typing.text === '')
    return { notice: question.kind.choices ? question.kind.unfinished : UNFINISHED.nothing }
  const text = enteredText(progress, typing.text, of)
  if (text === undefined) return { notice: question.kind.unfinished }
  const event = entryOf(text, typing, at, of)
  const wrong = progress.entries.filter(mistaken).length
  if (
    wrong >= MOST_WRONG &&
    !meetsText(question, typing.text) &&
    mistaken(present(happen(progress, event).entries.at(-1)))
  )
    return { notice: UNFINISHED.tries }
  return { event }
}

/**
 * What is typed as it is entered: as its kind prints it; in another form than asked, as a fraction or with a zero in front
 * as it was typed, so that it can be told. Where a sign may part decimals or thousands, the one that is right is taken.
 * @returns undefined for a text that is no value
 */
export function enteredText(progress: Progress, typed: string, of?: number): string | undefined {
  const question = openQuestion(progress, of)
  const value = question?.kind.read(typed)
  if (!question || value === undefined) return undefined
  const text = keptText(question.kind, value, typed)
  const other = otherReading(typed)
  const isTaken = (entry: string) =>
    question.kind.read(entry) !== undefined &&
    !mistaken(
      present(
        happen(progress, {
          kind: 'entered',
          at: progress.clock.at,
          text: entry,
          ...(of !== undefined && { of }),
        }).entries.at(-1),
      ),
    )
  return other !== undefined && !isTaken(text) && isTaken(other) ? other : text
}

function keptText(kind: AnswerKind<Value>, value: Value, typed: string): string {
  const plain = typed.trim()
  if (kind.form && !kind.form.is(typed)) return plain.replace(/\s+/g, '_')
  return /^0\d+$/.test(plain) || /^-?\d+\/\d+$/.test(plain) ? plain : kind.print(value)
}

function entryOf(text: string, typing: Typing, at: number, of: number | undefined): AttemptEvent {
  const whole = Math.max(0, Math.round(at))
  const { first = whole, pause } = typing
  const last = typing.first === undefined ? whole : typing.last
  const keys = { first: Math.min(first, whole), last: Math.min(last, whole), pause }
  return { kind: 'entered', at: whole, text, ...keys, ...(of !== undefined && { of }) }
}
