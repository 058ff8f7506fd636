/** When a fact is to be asked again: FSRS memory states (ts-fsrs), the grade taken from correctness and time. */

import { type Card, createEmptyCard, fsrs, type Grade, Rating } from 'ts-fsrs'
import { type FactCard, type FactDeck, factById } from '../facts/decks.js'
import { byTime } from '../number/days.js'
import { present } from '../number/present.js'
import type { Random } from '../number/random.js'
import { median, quantileOf } from '../number/statistics.js'
import { InputError } from '../problem/error.js'
import { moved, type Progress } from '../session/progress.js'
import type { RecallRecord } from '../session/recall.js'
import { reduceEvents } from '../session/reduce.js'
import type { ExtraTime } from './settings.js'

/** One recall as it was judged. Times in whole milliseconds. */
export interface Recall {
  /** The id of the fact's card. */
  readonly fact: string
  /** Was the first entry right? */
  readonly right: boolean
  /** Shown to last key. */
  readonly ms: number
  /** The same without what keying the answer takes by itself; this is what is judged. */
  readonly thinkMs: number
  /** The time within which it counts as recalled, as it was then; null without a limit. */
  readonly withinMs: number | null
  /** ISO 8601, UTC. */
  readonly at: string
}

/** A recall as it is written into a file and read from one: already judged. */
export interface FactRow extends Recall {
  /** The id of the recall. */
  readonly id: string
  /** What was entered first; null where it was not kept. */
  readonly entry: string | null
  /** The version of the judge, from 1. */
  readonly judge: number
}

/** Looks whether a recall from a file can be true. @throws InputError that says what is not */
export function checkFactRow({ fact, at, entry, right, ms, thinkMs, judge }: FactRow): void {
  if (!factById(fact)) throw new InputError(`There is no fact "${fact.slice(0, 40)}".`)
  if (thinkMs > ms) throw new InputError('The thinking cannot take longer than the whole.')
  if (entry === null) return
  const events = [
    { kind: 'shown', at: 0 },
    { kind: 'entered', at: ms, text: entry },
  ] as const
  if (right && !judgeRecall({ fact, at, judge, keyMs: COMMON_KEY_MS, withinMs: null, events }).right)
    throw new InputError(`It says right, but ${entry} is not the answer.`)
}

/**
 * Judges a recall: only the first entry tells what is remembered.
 * @throws InputError for an unknown fact, or events that do not hang together
 */
export function judgeRecall(record: RecallRecord): Recall & { entry: string } {
  const { fact, at, judge, keyMs, withinMs, events } = record
  const found = factById(fact)
  if (!found) throw new InputError(`There is no fact "${fact.slice(0, 40)}".`)
  return {
    fact,
    at,
    withinMs,
    ...recalled(reduceEvents({ questions: [found.card], inOrder: true }, events, judge), keyMs),
  }
}

/** What the first entry at a fact says. @throws InputError when there is none */
export function recalled(
  { entries, clock }: Progress,
  keyMs: number,
): Pick<Recall, 'right' | 'ms' | 'thinkMs'> & { entry: string } {
  const [first] = entries
  if (!first) throw new InputError('Nothing was entered.')
  const typed = Math.min(first.ms, (clock.lastKeyAt ?? 0) - (clock.firstKeyAt ?? 0))
  const thinkMs = thinking(first.ms, typed, first.text.length, keyMs)
  return { right: moved(first) && first.verdict !== 'given', ms: first.ms, thinkMs, entry: first.text }
}

/** Time to key one more digit where it was not measured (common practice). */
export const COMMON_KEY_MS = 180

/**
 * The thinking in a recall: only as much keying as copying digits takes is taken off, so that thinking between keys
 * still counts.
 * @param keyMs first to last key
 * @param keys digits keyed
 * @param baseline milliseconds to copy one shown digit
 */
export function thinking(ms: number, keyMs: number, keys: number, baseline: number = COMMON_KEY_MS): number {
  return Math.max(0, Math.round(ms - Math.min(keyMs, (keys - 1) * baseline)))
}

/** What is remembered of a fact: the FSRS card, dates as ISO text so that it can be stored. */
export interface FactMemory {
  /** The id of the fact's card. */
  readonly fact: string
  /** When it is to be asked again; ISO 8601, UTC. */
  readonly due: string
  /** The state of the memory model. */
  readonly card: Card
}

/** Faster than this share of the time allowed is easy, slower than this share is hard (defaults, common practice). */
const EASY_SHARE = 0.5
const HARD_SHARE = 0.8

// No fuzz, so that the same recalls give the same dates everywhere.
const scheduler = fsrs({ enable_fuzz: false, enable_short_term: true })

type Judged = Pick<Recall, 'right' | 'thinkMs' | 'withinMs'>

/** Wrong, or slower than allowed, counts as not recalled; without a limit right is good. */
export function gradeOf({ right, thinkMs, withinMs }: Judged): Grade {
  if (withinMs === null) return right ? Rating.Good : Rating.Again
  if (!right || thinkMs > withinMs) return Rating.Again
  if (thinkMs > HARD_SHARE * withinMs) return Rating.Hard
  return thinkMs > EASY_SHARE * withinMs ? Rating.Good : Rating.Easy
}

/** Was a fact recalled: right, and within the time allowed? */
export function isRecalled(recall: Judged): boolean {
  return gradeOf(recall) !== Rating.Again
}

/** What the time for a fact follows from. */
export interface RecallPace {
  /** How many times the usual limits the learner is given; null for none. */
  readonly extraTime?: ExtraTime
  /** How many times the usual limits their own recall needs, as it is found from it. */
  readonly share?: number | undefined
  /** Does the limit follow that? It does unless it is set otherwise. */
  readonly ownPace?: boolean
}

/**
 * The time within which a fact of a deck counts as recalled: what one's own recall and hand need, the usual until that is
 * known, and never less than extra time promises; null for whoever practises without a limit.
 */
export function recallLimit(
  { withinMs }: Pick<FactDeck, 'withinMs'>,
  { extraTime = 1, share, ownPace = true }: RecallPace = {},
): number | null {
  if (extraTime === null) return null
  const own = ownPace ? share : undefined
  const times = extraTime > 1 ? Math.max(extraTime, own ?? 0) : (own ?? 1)
  return Math.round(withinMs * times)
}

/**
 * A right answer is slow when it is among the slowest tenth of one's own, or beyond a multiple of the quickest quarter: what
 * is known comes at once and what is counted out comes later (both found with examinees).
 */
const SLOWEST_FROM = 0.9
const QUICKEST_TO = 0.25
const MOST_ROOM = 3.75
const LATEST_RECALLS = 60
const ENOUGH_RECALLS = 12
/** Bounds on it: a finger has its way to go, and nobody is left without any. */
const SHARES = { least: 0.5, most: 6 } as const

/** What recent recalls say of somebody; undefined while there are too few to tell. */
export interface RecallFigures {
  /**
   * How many times the usual limits their own recall needs, the hand's way to the first key counted in.
   */
  readonly share: number | undefined
  /** What one takes from being shown to the last key, in milliseconds. */
  readonly ms: number | undefined
}

/** @param recalls newest first */
export function recallFigures(recalls: readonly Recall[]): RecallFigures {
  const latest = recalls.slice(0, LATEST_RECALLS)
  const shares = latest.flatMap(({ fact, right, thinkMs }) => (right ? thinkMs / deckOf(fact).withinMs : []))
  if (shares.length < ENOUGH_RECALLS) return { share: undefined, ms: undefined }
  const share = Math.min(quantileOf(shares, SLOWEST_FROM), MOST_ROOM * quantileOf(shares, QUICKEST_TO))
  return { share: Math.max(SHARES.least, Math.min(SHARES.most, share)), ms: median(latest.map((r) => r.ms)) }
}

/** @throws RangeError for a fact that is in no deck. */
function deckOf(fact: string): FactDeck {
  const found = factById(fact)
  if (!found) throw new RangeError(`There is no fact "${fact}".`)
  return found.deck
}

/** The memory after one more recall. @throws RangeError for a fact that is in no deck. */
export function remember(before: FactMemory | undefined, recall: Recall): FactMemory {
  deckOf(recall.fact)
  const at = new Date(recall.at)
  const card = before ? revived(before.card) : createEmptyCard(at)
  const { card: next } = scheduler.next(card, at, gradeOf(recall))
  return { fact: recall.fact, due: next.due.toISOString(), card: next }
}

/** When a fact was last recalled: ISO 8601, UTC; undefined for one that never was. */
export function lastRecalled({ card }: FactMemory): string | undefined {
  return card.last_review && new Date(card.last_review).toISOString()
}

/** A card whose dates were text. */
function revived(card: Card): Card {
  return {
    ...card,
    due: new Date(card.due),
    ...(card.last_review && { last_review: new Date(card.last_review) }),
  }
}

/**
 * Facts in the order they are to be asked now: those due, the longest overdue first; then those found slow in longer
 * work, whatever their date; then new ones of the decks; then, where asked for, those due next.
 * @param also.slow facts found slow, the slowest first
 * @param also.room so many of them are new whatever else waits, as long as there are any
 * @param also.first which of the new ones come first; the others at random
 * @param also.ahead fill up with facts that are not due yet
 */
export function toAsk(
  decks: readonly FactDeck[],
  memories: readonly FactMemory[],
  now: string,
  most: number,
  random: Random,
  also: {
    readonly slow?: readonly string[]
    readonly room?: number
    readonly first?: readonly string[]
    readonly ahead?: boolean
  } = {},
): FactCard[] {
  const cards = new Map(decks.flatMap((d) => d.cards.map((c) => [c.id, c])))
  const known = memories.filter((m) => cards.has(m.fact)).sort((a, b) => byTime(a.due, b.due))
  const due = known.filter((m) => m.due <= now).map((m) => present(cards.get(m.fact)))
  const slow = (also.slow ?? []).flatMap((fact) => cards.get(fact) ?? []).filter((c) => !due.includes(c))
  const met = new Set([...known.map((m) => m.fact), ...slow.map((c) => c.id)])
  const fresh = [...cards.values()].filter((c) => !met.has(c.id))
  const room = Math.min(also.room ?? 0, fresh.length)
  const chosen: FactCard[] = [...due, ...slow].slice(0, Math.max(0, most - room))
  const wished = [...new Set(also.first ?? [])].flatMap((id) => fresh.find((c) => c.id === id) ?? [])
  chosen.push(...wished.slice(0, most - chosen.length))
  const others = fresh.filter((c) => !wished.includes(c))
  while (chosen.length < most && others.length > 0)
    chosen.push(...others.splice(Number(random.below(BigInt(others.length))), 1))
  if (!also.ahead) return chosen
  const later = known.map((m) => present(cards.get(m.fact))).filter((c) => !chosen.includes(c))
  return [...chosen, ...later].slice(0, most)
}
