/**
 * How an entry is read on the walks that are alive: taken, stepped over to, right elsewhere, or wrong. What people may say
 * beside the value asked is read here, for every technique.
 */

import { atPlace, decimal, equal, isZero, readDecimal } from '../../number/decimal.js'
import { firstOf, present } from '../../number/present.js'
import { type AnyQuestion, isRight, meaning, meets } from '../../question/question.js'
import { asDecimal, sameValue, type Value } from '../../question/value.js'
import type { SlipId } from '../../words/slips.js'
import { AT_PLACE, type Slip, type Step } from '../contract.js'
import { settled } from '../line.js'
import { once } from '../make.js'
import { productsAt, type SoFar, soFarAt } from './so-far.js'
import { beginWalks, MOST_WALKS, pastDecisions, type Walk } from './walks.js'

/**
 * How an entry was taken. `right`: the open step of a walk takes it; `ahead`: it contains everything worked so far, so
 * that the steps between were done in the head; `so-far`: on the way to what is asked, or said again; `elsewhere`: true,
 * but not asked here; `slip`: wrong, the cause is known; `wrong`. Only the first two move on, only the last two count.
 */
export type Reading =
  | {
      readonly verdict: 'right' | 'ahead'
      readonly walks: readonly Walk[]
      /** Where the entry may also have led to: the next one may go on from there. */
      readonly spare?: () => readonly Walk[]
    }
  | {
      readonly verdict: 'so-far'
      /** It is also what comes of this mistake: evidence, where a later entry at the step is not right. */
      readonly possible: SlipId | undefined
      readonly spare: () => readonly Walk[]
    }
  | { readonly verdict: 'elsewhere'; readonly place: number; readonly as: ElsewhereAs }
  | { readonly verdict: 'slip'; readonly slip: Slip }
  | { readonly verdict: 'wrong' }

/** Why a true value was not taken: it comes later, it is asked in another form, or the rest was to be cut off. */
export type ElsewhereAs = 'later' | 'form' | 'rounded'

/** What was passed over as so far since the last entry that moved on. */
export interface SaidSoFar {
  /** So many in all. */
  readonly count: number
  /** So often this very value, one after another. */
  readonly running: number
  readonly last: Value | undefined
}

const NOTHING_SAID: SaidSoFar = { count: 0, running: 0, last: undefined }
const NO_WALKS = () => []
/** After all that can be said so far and this many more, it is meant as the answer. */
const SPARE_SAYINGS = 2

/**
 * Reads an entry made where steps are asked. The first reading that fits stands: what is asked, in another form too; a value
 * that goes against the very decision of the step; so far; stepped over to; another known mistake; another column's; wrong.
 * All other right ones stay live for the next entry.
 * @param walks those alive, all with an open step
 * @param spare where the entry before may also have led to
 * @param said what was passed over as so far at this step
 * @returns undefined for a text that is no value
 */
export function readStep(
  walks: readonly Walk[],
  text: string,
  spare: () => readonly Walk[] = NO_WALKS,
  said: SaidSoFar = NOTHING_SAID,
): Reading | undefined {
  const first = present(walks[0])
  const step = present(first.next)
  const value = step.kind.read(text)
  // A zero in front is said of a block first of all.
  const zero = /^0\d/.test(text)
  const open = once(() => spare().filter((w) => w.next))
  const so = once(() => soFarAt(first, said.last))
  const isSayable = (at: SoFar) => value !== undefined && at.times(value) > said.running
  const sayable = (): Move[] => (isSayable(so()) ? [{ walk: first, far: 0 }] : [])
  const over = once(() => steppingOver(walks, text, !zero && value !== undefined && so().isEcho(value)))
  if (zero && over().length > 0) return moving(over(), () => rightHere([...walks, ...open()], text))
  const direct = taking(walks, text)
  const here = direct.length > 0 ? direct.map((walk) => ({ walk, far: 1 })) : rightInAnotherDress(walks, text)
  // The raised digit, 10, is so far on the way that is asked, though it may be the 1 of the tens on another.
  const isMeant = () => direct.length > 0 || rightInAnotherDress([first], text).length > 0 || !isSayable(so())
  if (here.length > 0 && isMeant())
    return moving(here, () => [
      ...rightInAnotherDress(walks, text),
      ...finalDigits(walks, text),
      ...sayable(),
      ...over(),
      ...rightHere(open(), text),
    ])
  const untaken = notAskedHere(walks, text, value)
  if (untaken) return untaken
  const final = finalDigits(walks, text)
  if (final.length > 0) return moving(final, () => [...sayable(), ...over(), ...rightHere(open(), text)])
  if (value === undefined) return over().length > 0 ? moving(over()) : answerAhead(walks, text)
  const slip = slipAt(step, value)
  // What is held said again shows what was decided, whatever else the entry before may have been.
  if (slip?.decisive && isSaidAgain(first, value)) return { verdict: 'slip', slip }
  const before = rightHere(open(), text)
  // What only leads to where the work stands already is said again.
  const others = before.filter(({ walk }) => !walks.some((w) => isWhere(w, walk)))
  if (others.length > 0) return moving(others, () => [...sayable(), ...over()])
  if (slip?.decisive) return { verdict: 'slip', slip }
  const patient = said.count < SPARE_SAYINGS || said.count < so().size + SPARE_SAYINGS
  const soFar = {
    verdict: 'so-far',
    possible: slip?.id,
    spare: () => [...here, ...over()].map((m) => m.walk),
  } as const
  if (patient && (isSayable(so()) || (before.length > 0 && said.running === 0))) {
    // The whole answer goes before what only another way of working may come to.
    return so().isByOtherWays(value) && over().some((m) => m.walk.next === undefined) ? moving(over()) : soFar
  }
  const further = [...over(), ...steppingOver(open(), text, false)]
  if (further.length > 0) return moving(further)
  // A fact of the tables that came out wrong is told rather than looked for on other ways.
  if (slip?.id === 'fact') return { verdict: 'slip', slip }
  if (patient && walks.slice(1).some((walk) => isSayable(soFarAt(walk, said.last)))) return soFar
  if (slip) return { verdict: 'slip', slip }
  return laterOrWrong(first, value, text)
}

/** A value that comes later on this way; a digit left as it stands where it had to change; or none of anything. */
function laterOrWrong(walk: Walk, value: Value, text: string): Reading {
  const step = present(walk.next)
  const later = comesLater(walk, value, text)
  // What stands and has to change is left as it is by whoever goes on to the next column.
  const unmended = later && step.action === 'mend' && !step.total && step.slips().find((s) => s.decisive)
  return unmended ? { verdict: 'slip', slip: unmended } : (later ?? { verdict: 'wrong' })
}

/** A position an entry leads to, and how many steps it answers. */
interface Move {
  readonly walk: Walk
  readonly far: number
}

const NO_MOVES = (): readonly Move[] => []

/** A reading that moves on: the nearest positions stand, the others stay live. */
function moving(found: readonly Move[], others: () => readonly Move[] = NO_MOVES): Reading {
  const far = Math.min(...found.map((m) => m.far))
  const walks = found.filter((m) => m.far === far).map((m) => m.walk)
  const further = found.filter((m) => m.far > far)
  return {
    verdict: far <= 1 ? 'right' : 'ahead',
    walks: walks.slice(0, MOST_WALKS),
    spare: once(() => [...further, ...others()].map((m) => m.walk).slice(0, MOST_WALKS)),
  }
}

/** The value that is asked in another form, or rounded where the rest is to be cut off. */
function notAskedHere(walks: readonly Walk[], text: string, value: Value | undefined): Reading | undefined {
  const { place } = present(present(walks[0]).next)
  if (walks.some((w) => isOtherForm(present(w.next), text)))
    return { verdict: 'elsewhere', place, as: 'form' }
  return value !== undefined && present(walks[0]).rounds(value)
    ? { verdict: 'elsewhere', place, as: 'rounded' }
    : undefined
}

const isWhere = (a: Walk, b: Walk) => a.taken === b.taken && a.variant === b.variant

const isSaidAgain = ({ entries, typed }: Walk, value: Value) =>
  [entries.at(-1), typed].some((v) => v !== undefined && sameValue(v, value))

/** As attempts were judged at first: only what the open step of the one walk asks is taken. */
export function readStrictly([walk]: readonly Walk[], text: string): Reading | undefined {
  const step = present(walk!.next)
  const value = step.kind.read(text)
  if (value === undefined) return undefined
  const meant = meaning(step, value)
  if (meant !== undefined) return { verdict: 'right', walks: [walk!.take(meant, value)] }
  const slip = slipAt(step, value)
  return slip ? { verdict: 'slip', slip } : { verdict: 'wrong' }
}

/**
 * Right at an open step: what it asks, with or without its place, or a column's total with what is carried into it. Where
 * some walk takes it as it stands, the others are not asked further.
 */
function rightHere(walks: readonly Walk[], text: string): Move[] {
  const direct = taking(walks, text).map((walk) => ({ walk, far: 1 }))
  return direct.length > 0 ? direct : rightInAnotherDress(walks, text)
}

function rightInAnotherDress(walks: readonly Walk[], text: string): Move[] {
  return walks.flatMap((walk): Move[] => {
    const value = walk.next?.kind.read(text)
    if (value === undefined) return []
    const bare = withoutItsPlace(present(walk.next), value)
    if (bare) return [{ walk: walk.take(bare, value), far: 1 }]
    if (present(walk.next).action !== 'cross-sum') return []
    return carriedTotal(walk, value, text).map((w) => ({ walk: w, far: 2 }))
  })
}

/** The digit of a column said with its place: 7 for the 7000 of 7 thousands. */
function withoutItsPlace({ place, action, total, expect }: Step, value: Value): Value | undefined {
  const [said, asked] = [asDecimal(value), asDecimal(expect)]
  if (!said || !asked || place === 0 || total || !AT_PLACE.includes(action) || isZero(said)) return undefined
  return equal(decimal(said.units, said.scale + place), asked) ? expect : undefined
}

/**
 * The digit that stands in the lit column in the end, however it was found: always right. Another way through the same
 * columns is looked for where no live walk writes just this digit next.
 */
function finalDigits(walks: readonly Walk[], text: string): Move[] {
  const first = present(walks[0])
  const { place, total } = present(first.next)
  // A total is asked as a whole.
  if (total) return []
  const final = first.finalDigits()
  const digit = final.get(place)
  const said = digit === undefined ? undefined : readDecimal(text)
  if (digit === undefined || !said) return []
  const bare = equal(decimal(BigInt(digit)), said)
  const placed = equal(atPlace(BigInt(digit), place), said) && !slipAt(present(first.next), said)
  if (!bare && !placed) return []
  const before = settled(first.line)
  // It stands already, or what stands beside it has to change first.
  if (before.get(place) === digit) return []
  if ([...before].some(([p, d]) => p !== place && final.get(p) !== d)) return []
  const size = before.size + (before.has(place) ? 0 : 1)
  const stands = (walk: Walk) => {
    const now = settled(walk.line)
    return now.size === size && now.has(place) && [...now].every(([p, d]) => final.get(p) === d)
  }
  const reached = (some: readonly Walk[], from: (walk: Walk) => number) =>
    some.flatMap((walk) => {
      const found = walk.onward().find(stands)
      return found ? [{ walk: found, far: Math.max(2, found.taken - from(walk)) }] : []
    })
  const mine = reached(walks, (w) => w.taken)
  if (mine.length > 0) return mine
  const ways = beginWalks(first.technique, first.problem, first.variant, true)
  return reached(ways, () => first.taken)
}

/** Stepped over to: past a decision, a later total, the next digits as a block, or the whole answer. */
function steppingOver(walks: readonly Walk[], text: string, echo: boolean): Move[] {
  return walks.flatMap((from): Move[] => {
    const last = from.onward().at(-1)
    const found = [
      ...beyondDecisions([from], text),
      // An echo of the question is never read as what comes next.
      ...(echo ? [] : [...totalsAhead(from, text), ...blocksAhead(from, text)]),
      ...(last && asRead(from.whole(), text) ? [last] : []),
    ]
    return found.map((walk) => ({ walk, far: Math.max(2, walk.taken - from.taken) }))
  })
}

/** A text that is no value of what is asked, but may be the whole answer, which is of another kind. */
function answerAhead(walks: readonly Walk[], text: string): Reading | undefined {
  const read = readAnswer(walks, text)
  return read?.verdict === 'right' ? { ...read, verdict: 'ahead' } : read
}

/** The walks after an entry that their open steps take. */
function taking(walks: readonly Walk[], text: string): Walk[] {
  return walks.flatMap((walk) => {
    const value = walk.next?.kind.read(text)
    if (value !== undefined && present(walk.next).typedAs === text)
      return [walk.take(present(walk.next).expect, value)]
    const meant = value && !isOtherForm(present(walk.next), text) && meaning(present(walk.next), value)
    return meant ? [walk.take(meant, value)] : []
  })
}

/**
 * The walks that an entry leads to past decisions that were not answered: it shows what was decided. A product that is put
 * on rods shows nothing of them.
 */
function beyondDecisions(walks: readonly Walk[], text: string): Walk[] {
  return walks.flatMap((w) => {
    const past = w.next?.decision ? pastDecisions([w]).filter((p) => p.next?.typedAs !== text) : []
    return rightHere(past, text).map((m) => m.walk)
  })
}

/** A column's total with the carry in it, said where the column alone is asked: it may go in first or last. */
function carriedTotal(walk: Walk, value: Value, text: string): Walk[] {
  const [next] = firstOf(1, walk.onward())
  const { sum, place } = next?.next ?? {}
  return sum && sameValue(sum, value) && place === present(walk.next).place ? taking([next], text) : []
}

/** A later running total: the value itself, since a part of it never stands for the whole. */
function totalsAhead(walk: Walk, text: string): Walk[] {
  const reached = walk.onward().flatMap((position) => {
    const value = position.next?.total ? position.next.kind.read(text) : undefined
    return value && isRight(present(position.next), value) ? [position.take(value)] : []
  })
  return reached.slice(0, 1)
}

/** The next digits of the answer as one block from the place asked, two of them and more. */
function blocksAhead(walk: Walk, text: string): Walk[] {
  if (!/^\d{2,}$/.test(text)) return []
  const place = present(walk.next).place
  const before = settled(walk.line)
  // The next digit alone is no block, but where it is said with a zero in front.
  return walk
    .onward()
    .slice(text.startsWith('0') ? 0 : 1)
    .filter((position) => {
      const written = [...settled(position.line)].filter(([p, digit]) => before.get(p) !== digit)
      const places = written.map(([p]) => p)
      const [low, high] = [Math.min(...places), Math.max(...places)]
      // All the digits at once are not the answer without its point or its minus sign.
      const ends = before.size === 0 && position.next === undefined
      if (ends && (low < 0 || isBelowZero(position.answer))) return false
      if (places.length !== text.length || high - low + 1 !== text.length || place < low || place > high)
        return false
      return (
        written
          .toSorted(([p], [q]) => q - p)
          .map(([, digit]) => digit)
          .join('') === text
      )
    })
    .slice(0, 1)
}

const isBelowZero = (value: Value | undefined) => (asDecimal(value)?.units ?? 0n) < 0n

/** The value a text stands for where it answers a question rightly, in the form asked. */
function asRead(question: AnyQuestion, text: string): boolean {
  const value = question.kind.read(text)
  return value !== undefined && meets(question, value) && !isOtherForm(question, text)
}

/** Is it the right value, but in another form than asked: 14/4 for 3 1/2? */
function isOtherForm(question: AnyQuestion, text: string): boolean {
  const { form, read } = question.kind
  const value = form && read(text)
  return value !== undefined && meets(question, value) && !form!.is(text)
}

/** The known slip behind a wrong value at a step. */
export function slipAt(step: Step, value: Value): Slip | undefined {
  return step.slips().find((s) => sameValue(s.entry, value))
}

/**
 * A later partial result, typed early. A single digit counts only for the step that comes next, since any digit stands
 * somewhere.
 */
function comesLater(walk: Walk, value: Value, text: string): Reading | undefined {
  const steps = walk.onward().flatMap((w) => w.next ?? [])
  const near = isDigit(value) ? steps.slice(0, 1) : steps
  // A product of another column belongs there too.
  const isPart = (step: Step) =>
    step.action === 'cross-sum' && !isDigit(value) && productsAt(step).some((p) => sameValue(p, value))
  const found = near.find((step) => asRead(step, text)) ?? near.find(isPart)
  return found && { verdict: 'elsewhere', place: found.place, as: 'later' }
}

function isDigit(value: Value): boolean {
  const number = asDecimal(value)
  return number !== undefined && number.scale === 0 && number.units < 10n && number.units > -10n
}

/** Reads an entry made where only the answer is asked. @returns undefined for a text that is no value */
export function readAnswer(walks: readonly Walk[], text: string): Reading | undefined {
  const value = present(walks[0]).whole().kind.read(text)
  if (value === undefined) return undefined
  // The first that ends so is enough: there is nothing more to be asked.
  const found = walks.find((walk) => asRead(walk.whole(), text))
  if (!found && isOtherForm(present(walks[0]).whole(), text))
    return { verdict: 'elsewhere', place: 0, as: 'form' }
  if (!found && present(walks[0]).rounds(value)) return { verdict: 'elsewhere', place: 0, as: 'rounded' }
  return found ? { verdict: 'right', walks: [found.onward().at(-1) ?? found] } : { verdict: 'wrong' }
}

/** The walks after the program has shown what was asked: those that go the same way as the first. */
export function showStep(walks: readonly Walk[]): {
  readonly value: Value
  readonly walks: readonly Walk[]
} {
  const value = present(present(walks[0]).next).expect
  return { value, walks: walks.filter((w) => meets(present(w.next), value)).map((w) => w.take(value)) }
}
