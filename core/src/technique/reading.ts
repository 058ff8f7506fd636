/**
 * How an entry is read on the walks that are alive: taken, stepped over to, right elsewhere, or wrong. What people may say
 * beside the value asked is read here, for every technique.
 */
import { type AnyQuestion, meaning, meets } from '../question/question.js'
import { asDecimal, sameValue, type Value, valueText } from '../question/value.js'
import type { AnswerLine, Slip, Step } from './contract.js'
import { once } from './make.js'
import { MOST_WALKS, pastDecisions, type Walk } from './walks.js'

/**
 * How an entry was taken. `right`: the open step of a walk takes it; `ahead`: it contains everything worked so far, so
 * that the steps between were done in the head; `elsewhere`: right in itself, but not what was asked; `slip`: wrong, the
 * cause is known; `wrong`. Only the first two move on.
 */
export type Reading =
  | {
      readonly verdict: 'right' | 'ahead'
      readonly walks: readonly Walk[]
      /** Where the entry may also have led to: the next one may go on from there. */
      readonly spare?: () => readonly Walk[]
    }
  | {
      readonly verdict: 'elsewhere'
      readonly place: number
      readonly as: ElsewhereAs
      readonly spare?: () => readonly Walk[]
    }
  | { readonly verdict: 'slip'; readonly slip: Slip }
  | { readonly verdict: 'wrong' }

/**
 * Why a right value was not taken: it stands already, it is on the way to what is asked, it is the bare digit of what is
 * asked, it comes later, or it is asked in another form.
 */
export type ElsewhereAs = 'again' | 'along' | 'bare' | 'later' | 'form'

const NO_WALKS = () => []

/**
 * Reads an entry made where steps are asked.
 * @param walks those alive, all with an open step
 * @param spare where the entry before may also have led to
 * @param insists the same was just said and passed over as a repetition
 * @param strictly take only what the open step of the first walk asks, as attempts were once judged
 * @returns undefined for a text that is no value
 */
export function readStep(
  walks: readonly Walk[],
  text: string,
  spare: () => readonly Walk[] = NO_WALKS,
  insists = false,
  strictly = false,
): Reading | undefined {
  const first = walks[0]!
  const value = first.next!.kind.read(text)
  if (walks.some((w) => isOtherForm(w.next!, text)))
    return { verdict: 'elsewhere', place: first.next!.place, as: 'form' }
  // A zero in front is said only of a block.
  const zeroFirst = /^0\d/.test(text) && !strictly
  const block = zeroFirst
    ? [...walks, ...spare().filter((w) => w.next)].flatMap((walk) => blocksAhead(walk, text))
    : []
  if (block.length > 0) return { verdict: 'ahead', walks: nearestFirst(block) }
  const takers = taking(walks, text)
  if (takers.length > 0) {
    // It may also have been what stands already, said once more.
    const repeated = () => walks.filter((w) => value && saidAgain(w, value, text, undefined))
    const spare = once(() => (strictly ? [] : [...repeated(), ...ahead(walks, text)]))
    return { verdict: 'right', walks: takers, spare }
  }
  if (value === undefined) return strictly ? undefined : answerAhead(walks, text)
  const slip = slipAt(first.next!, value)
  if (strictly) return slip ? { verdict: 'slip', slip } : { verdict: 'wrong' }
  const past = slip ? [] : beyondDecisions(walks, text)
  const others = taking(spare(), text)
  // Going past a decision is nearer than what the entry before may also have led to.
  if (others.length > 0)
    return past.length > 0
      ? { verdict: 'ahead', walks: past, spare: () => others }
      : { verdict: 'right', walks: others }
  const { place } = first.next!
  const again = once(() => ahead(walks, text))
  if (!insists && isDigitOfTotal(first, value))
    return { verdict: 'elsewhere', place, as: 'again', spare: again }
  const both = [...walks, ...spare().filter((w) => w.next)]
  const carried = nearestFirst(both.flatMap((walk) => carriedTotal(walk, value, text)))
  if (carried.length > 0) return { verdict: 'ahead', walks: carried }
  if (!insists && saidAgain(first, value, text, slip))
    return { verdict: 'elsewhere', place, as: 'again', spare: again }
  const later = past.length > 0 ? past : again()
  const ends = walks.flatMap((walk) => {
    const last = walk.onward().at(-1)
    return last && asRead(walk.whole(), text) ? [last] : []
  })
  // What comes to the answer on the way already goes less far than the whole answer.
  if (ends.length > 0)
    return { verdict: 'ahead', walks: slip || !later[0]?.next ? nearestFirst(ends) : later, spare: again }
  if (walks.some((w) => w.next!.along?.(value))) return { verdict: 'elsewhere', place, as: 'along' }
  if (isBareDigit(first.next!, value)) return { verdict: 'elsewhere', place, as: 'bare' }
  if (slip) return { verdict: 'slip', slip }
  if (later.length > 0) return { verdict: 'ahead', walks: later, ...(past.length > 0 && { spare: again }) }
  const otherwise = ahead(
    spare().filter((w) => w.next),
    text,
  )
  if (otherwise.length > 0) return { verdict: 'ahead', walks: otherwise }
  return comesLater(first, value, text) ?? { verdict: 'wrong' }
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
    const meant = value && meaning(walk.next!, value)
    return meant ? [walk.take(meant, value)] : []
  })
}

/** The walks that an entry leads to past decisions that were not answered: it shows what was decided. */
function beyondDecisions(walks: readonly Walk[], text: string): Walk[] {
  return nearestFirst(walks.flatMap((w) => (w.next?.decision ? taking(pastDecisions([w]), text) : [])))
}

/** The walks that an entry leads to by stepping over, those that go less far first. */
function ahead(walks: readonly Walk[], text: string): Walk[] {
  return nearestFirst(
    walks.flatMap((walk) => {
      const value = walk.next?.kind.read(text)
      const carried = value ? carriedTotal(walk, value, text) : []
      return [
        ...beyondDecisions([walk], text),
        ...carried,
        ...totalsAhead(walk, text),
        ...blocksAhead(walk, text),
      ]
    }),
  )
}

function nearestFirst(walks: readonly Walk[]): Walk[] {
  return walks.toSorted((a, b) => a.taken - b.taken).slice(0, MOST_WALKS)
}

/** A column's total with the carry in it, said where the column alone is asked: it may go in first or last. */
function carriedTotal(walk: Walk, value: Value, text: string): Walk[] {
  const [next] = walk.onward()
  const { sum, place } = next?.next ?? {}
  return sum && sameValue(sum, value) && place === walk.next!.place ? taking([next!], text) : []
}

/** A later running total. */
function totalsAhead(walk: Walk, text: string): Walk[] {
  const reached = walk.onward().flatMap((position) => {
    const value = position.next?.total ? position.next.kind.read(text) : undefined
    const meant = value && meaning(position.next!, value)
    return meant ? [position.take(meant, value)] : []
  })
  return reached.slice(0, 1)
}

/** The next digits of the answer as one block from the place asked, two of them and more. */
function blocksAhead(walk: Walk, text: string): Walk[] {
  if (!/^\d{2,}$/.test(text)) return []
  const place = walk.next!.place
  const before = settled(walk.line)
  return walk
    .onward()
    .slice(1)
    .filter((position) => {
      const written = [...settled(position.line)].filter(([p, digit]) => before.get(p) !== digit)
      const places = written.map(([p]) => p)
      const [low, high] = [Math.min(...places), Math.max(...places)]
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

/** The digits that stand for good, by place. */
function settled({ cells }: AnswerLine): Map<number, string> {
  return new Map(cells.filter((c) => !c.draft && c.digits.length === 1).map((c) => [c.place, c.digits]))
}

/** After a column's whole total its written digit is usually said too, or the total once more. */
function isDigitOfTotal({ entries, typed }: Walk, value: Value): boolean {
  const last = entries.at(-1)
  return (
    last !== undefined &&
    typed !== undefined &&
    !sameValue(typed, last) &&
    (sameValue(value, last) || sameValue(value, typed))
  )
}

/** What was said last, or what stands written, said once more. */
function saidAgain(walk: Walk, value: Value, text: string, slip: Slip | undefined): boolean {
  const last = walk.entries.at(-1)
  if (!last) return false
  if (isDigitOfTotal(walk, value)) return true
  // A single digit is the mistake it looks like, but where totals are said.
  if (sameValue(value, last)) return walk.next!.total || !(slip && isDigit(value))
  if (isDigit(value) && !/^0\d$/.test(text)) return false
  if (walk.entries.some((entry) => sameValue(entry, value))) return true
  const stands = [...settled(walk.line)].toSorted(([p], [q]) => q - p).map(([, digit]) => digit)
  // The digits of the last total that were just written.
  if (stands.join('').startsWith(text) && valueText(last).endsWith(text)) return true
  return !slip && stands.join('') === text
}

/** The bare digit 3 where thirty was meant. */
function isBareDigit({ expect }: Step, value: Value): boolean {
  const [digit, asked] = [asDecimal(value), asDecimal(expect)]
  if (!digit || !asked || !isDigit(digit) || digit.units <= 0n) return false
  return new RegExp(`^${digit.units}0+$`).test(asked.units.toString())
}

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
  const found = (isDigit(value) ? steps.slice(0, 1) : steps).find((step) => asRead(step, text))
  return found && { verdict: 'elsewhere', place: found.place, as: 'later' }
}

function isDigit(value: Value): boolean {
  const number = asDecimal(value)
  return number !== undefined && number.scale === 0 && number.units < 10n && number.units > -10n
}

/** Reads an entry made where only the answer is asked. @returns undefined for a text that is no value */
export function readAnswer(walks: readonly Walk[], text: string): Reading | undefined {
  if (walks[0]!.whole().kind.read(text) === undefined) return undefined
  // The first that ends so is enough: there is nothing more to be asked.
  const found = walks.find((walk) => asRead(walk.whole(), text))
  if (!found && isOtherForm(walks[0]!.whole(), text)) return { verdict: 'elsewhere', place: 0, as: 'form' }
  return found ? { verdict: 'right', walks: [found.onward().at(-1) ?? found] } : { verdict: 'wrong' }
}

/** The walks after the program has shown what was asked: those that go the same way as the first. */
export function showStep(walks: readonly Walk[]): {
  readonly value: Value
  readonly walks: readonly Walk[]
} {
  const value = walks[0]!.next!.expect
  return { value, walks: walks.filter((w) => meets(w.next!, value)).map((w) => w.take(value)) }
}
