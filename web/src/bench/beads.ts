/** The frame at the bench: what stands on it, what keys and fingers do, and when it is judged. */
import { type Decimal, digitAt, placeName, readDecimal, toText } from '@tachymetra/core/number'
import { asDecimal, meets } from '@tachymetra/core/question'
import {
  applyMove,
  type BeadMove,
  beadWorkOf,
  type Frame,
  fingerOf,
  frameValue,
  keepsOrder,
  lowestRod,
  movesBetween,
  moveWords,
  nextMove,
  setNumber,
} from '@tachymetra/core/soroban'
import type { Step } from '@tachymetra/core/technique'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { chooseRod, digitKey, earthKey, type Hand, heavenKey, numberKeys } from '../beads/rodKeys.js'

/** A right frame that has stood still for so long is taken as settled; for a wrong one the learner sets the rest. */
const SETTLED_RIGHT_MS = 700
/** How long a wrong frame is shown against the right one before it is taken back. */
const SHOWN_WRONG_MS = 1800

export interface Beads {
  readonly frame: Frame
  readonly chosen: number
  readonly choose: (place: number) => void
  readonly change: (frame: Frame) => void
  /** Where the beads should have been, while a wrong frame is shown. */
  readonly right: Frame | undefined
  /** Does the frame show anything but what the step began with? */
  readonly moved: boolean
  /** What strict judging said of the last bead. */
  readonly said: string | undefined
  readonly keys: Readonly<Record<string, () => void>>
  readonly digit: (key: string) => void
  /** Takes back the last digit typed, or everything moved since the step began. */
  readonly erase: () => void
  /** What the frame shows now. */
  readonly value: () => Decimal
}

/** What is being typed on a frame: on which it began, on which rod where one was chosen, and where the hand was. */
interface FrameTyping {
  readonly text: string
  readonly on: Frame
  readonly rod: number | undefined
  readonly from?: number
}

/**
 * The frame with what was typed on it. Where only the answer is asked and no rod was chosen, a number takes the whole frame.
 * At a step what is right is taken; else a number as long as what stands is the whole total, a product is added to the rods
 * it lands on, and digits set one rod after another.
 * @param at the rod the hand was on
 */
function typedOn({ on, rod }: FrameTyping, text: string, step: Step | undefined, at: number): Hand {
  const start = { frame: on, chosen: rod ?? at }
  const whole = numberKeys(start, text)
  if (!step) return rod === undefined ? whole : overRods(start, text, 'set')
  const lands = step.typedAs !== undefined && text.length <= step.typedAs.length
  const added = lands ? overRods({ ...start, chosen: rod ?? step.place }, text, 'add') : undefined
  const set = overRods(start, text, 'set')
  const readings = [...(added ? [added] : []), set, ...(rod === undefined ? [whole] : [])]
  const right = readings.find((h) => h.notice === undefined && meets(step, frameValue(h.frame)))
  if (right) return right
  const isWhole = rod === undefined && !lands && text.length > 1
  if (isWhole && text.length >= String(frameValue(on).units).length) return whole
  // A rod set to the digit that stands there in the end is worked rod by rod.
  const expect = asDecimal(step.expect)
  const ends = text.length === 1 && expect && digitAt(expect, start.chosen) === Number(text)
  return added && !ends ? added : set
}

const overRods = (hand: Hand, text: string, means: 'set' | 'add'): Hand =>
  [...text].reduce((h, key) => {
    const next = digitKey(h, Number(key), means)
    return means === 'add' ? { ...chooseRod(next, -1), ...(next.notice && { notice: next.notice }) } : next
  }, hand)

interface Given {
  readonly start: Frame
  /** The rod the hand goes to; undefined where that is the learner's to find. */
  readonly at: number | undefined
  /** The open step; undefined when only the answer is asked or nothing is. */
  readonly step: Step | undefined
  /** What should stand on the frame before the step. */
  readonly standing: Decimal
  readonly active: boolean
  readonly strict: boolean
  /** How long a frame that is not right may stand still before it is judged, in milliseconds; undefined: as long as it likes. */
  readonly restMs: number | undefined
  /** The last entry, when it was wrong and its question is still open. */
  readonly wrong: object | undefined
  /** Called whenever beads move. */
  readonly onMove: () => void
  /** Called with what the frame shows when it is to be judged. */
  readonly commit: (value: Decimal) => void
}

/** What has been moved and typed since the step began. */
interface State {
  readonly hand: Hand
  readonly made: readonly BeadMove[]
  readonly said: string | undefined
  readonly typing: FrameTyping
  /** Where the beads should have been, while a wrong frame is shown. */
  readonly right: Frame | undefined
}

const fresh = (hand: Hand): State => ({
  hand,
  made: [],
  said: undefined,
  typing: { text: '', on: hand.frame, rod: undefined },
  right: undefined,
})

/** The frame at a step, as it stands before it and as it has been moved since. */
function useFrameAt({ start, at, step, standing }: Given) {
  // By its text, since an equal number may be another object.
  const standingText = toText(standing)
  const before = useMemo(() => setNumber(start, readDecimal(standingText)!), [start, standingText])
  const [state, setState] = useState<State>(() => fresh({ frame: before, chosen: at ?? lowestRod(start) }))
  // A new step: whatever was tried before, what was accepted stands on the frame. Set as it is drawn, not after it, so that
  // the question and the frame it is about come together.
  const [begun, setBegun] = useState({ before, step, at })
  if (begun.before !== before || begun.step !== step || begun.at !== at) {
    setBegun({ before, step, at })
    setState(({ hand }) => fresh({ frame: before, chosen: at ?? hand.chosen }))
  }
  const change = useCallback((some: Partial<State>) => setState((s) => ({ ...s, ...some })), [])
  return { before, state, change }
}

/** What comes about by itself: a wrong frame is taken back, a frame that stands still is judged. */
function useRest(given: Given, { before, state, change }: ReturnType<typeof useFrameAt>): void {
  const { start, step, active, strict, restMs, wrong, commit } = given
  const { hand, right } = state
  const latest = useRef({ commit, chosen: hand.chosen })
  latest.current = { commit, chosen: hand.chosen }
  // A wrong frame is shown against the right one, then taken back.
  useEffect(() => {
    // Off the frame a value may be one that no frame can hold. Strict judging has taken the wrong bead back already.
    if (!active || !wrong || !step || strict) return
    const expect = asDecimal(step.expect)
    if (expect) change({ right: setNumber(start, expect) })
    const timer = setTimeout(
      () => change({ right: undefined, hand: { frame: before, chosen: latest.current.chosen }, made: [] }),
      SHOWN_WRONG_MS,
    )
    return () => clearTimeout(timer)
  }, [active, wrong, step, strict, start, before, change])
  // Free judging: once the learner settles.
  useEffect(() => {
    if (!active || !step || right || strict || hand.frame === before) return
    const value = frameValue(hand.frame)
    const rest = meets(step, value) ? SETTLED_RIGHT_MS : restMs
    if (rest === undefined) return
    const timer = setTimeout(() => latest.current.commit(value), rest)
    return () => clearTimeout(timer)
  }, [hand.frame, active, step, right, strict, restMs, before])
}

/** What strict judging makes of moved beads: those in order stand, another is told of. */
function judged(state: State, next: Hand, moves: readonly BeadMove[]): Partial<State> {
  const { hand, made } = state
  const all = [...made, ...movesBetween(hand.frame, next.frame)]
  if (keepsOrder(all, moves)) return { said: undefined, right: undefined, made: all, hand: next }
  const asked = nextMove(made, moves)
  return {
    right: asked && applyMove(hand.frame, asked),
    said: asked
      ? `First ${placeName(asked.place)} rod: ${moveWords(asked)}, with the ${fingerOf(asked)}.`
      : 'All beads of this step are moved already.',
  }
}

export function useBeads(given: Given): Beads {
  const { step, at, active, strict, onMove, commit } = given
  const frame = useFrameAt(given)
  const { before, state, change } = frame
  const { hand, typing, right } = state
  useRest(given, frame)
  /** Everything of this step is taken back; no judgement is passed on that. */
  const startAgain = () => change(fresh({ ...hand, frame: before }))
  /** @param more what else comes of it */
  const move = (next: Hand, more: Partial<State> = {}) => {
    if (!active) return
    onMove()
    const kept = typing.text ? { typing: { text: '', on: next.frame, rod: undefined } } : {}
    // Touching the beads again ends the showing of the wrong ones.
    if (right && !strict) return change({ ...fresh({ ...hand, frame: before }), ...more })
    const work = step && beadWorkOf(step)
    if (!strict || !work || next.frame === hand.frame) return change({ ...kept, hand: next, ...more })
    const after = judged(state, next, work.moves)
    change({ ...kept, ...after, ...(more.typing && { typing: more.typing }) })
    const { made } = after
    if (!made || !nextMove(made, work.moves)) commit(frameValue(next.frame))
  }
  const write = (text: string) => {
    const from = typing.from ?? at ?? hand.chosen
    const next = typedOn(typing, text, step, from)
    move(next, { said: next.notice, ...(!next.notice && { typing: { ...typing, text, from } }) })
  }
  const choose = (chosen: number) =>
    change({ typing: { text: '', on: hand.frame, rod: chosen }, hand: { frame: hand.frame, chosen } })
  const erase = () => active && (typing.text ? write(typing.text.slice(0, -1)) : startAgain())
  return {
    frame: hand.frame,
    chosen: hand.chosen,
    choose,
    change: (frame) => move({ frame, chosen: hand.chosen }),
    right,
    moved: hand.frame !== before,
    said: state.said,
    value: () => frameValue(hand.frame),
    keys: {
      ArrowLeft: () => choose(chooseRod(hand, 1).chosen),
      ArrowRight: () => choose(chooseRod(hand, -1).chosen),
      ArrowUp: () => move(earthKey(hand, 1)),
      ArrowDown: () => move(earthKey(hand, -1)),
      ' ': () => move(heavenKey(hand)),
      Backspace: erase,
    },
    erase,
    digit: (key) => {
      const ofNumber = typing.rod === undefined && !step
      if (ofNumber || /\d/.test(key)) write(typing.text + key)
    },
  }
}
