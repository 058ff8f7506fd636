/** What a part of a lesson is filled in from. */
import { readOwnLines } from '@tachymetra/core/exchange'
import { FACT_DECKS } from '@tachymetra/core/facts'
import { unmarked } from '@tachymetra/core/number'
import { InputError } from '@tachymetra/core/problem'
import { listedOwn } from '@tachymetra/core/report'
import type { Choosable, Filled, OwnProblem, PartKind, PartSupply } from '@tachymetra/core/set'
import { freshSeed } from '../data/fresh.js'
import { FIRST } from '../forms/firstSet.js'
import { setName } from '../words/setName.js'
import { typedHere } from '../written/written.js'

/** The kinds of parts, as they are offered. */
export const KINDS: readonly { readonly value: PartKind; readonly label: string }[] = [
  { value: 'technique', label: 'A technique, problem after problem' },
  { value: 'typed', label: 'Problems that are typed' },
  { value: 'set', label: 'A set: own problems, a paper, several techniques' },
  { value: 'ways', label: 'One problem in two ways' },
  { value: 'facts', label: 'Facts, called one by one' },
  { value: 'flash', label: 'Flash and tape' },
  { value: 'frame', label: 'The soroban' },
  { value: 'pattern', label: 'The pattern of a product' },
]

/** What stands there at first. */
export const BEGIN: Filled = {
  technique: 'subtract-hold-drop',
  level: 4,
  variant: {},
  count: 4,
  clock: { ms: 10_000, round: false },
  text: '',
  which: { ...FIRST, count: 10 },
  ways: ['multiply-crosswise', 'multiply-addition'],
  deck: FACT_DECKS[0]!.id,
  waitMs: 3000,
  digits: 1,
  numbers: 5,
  minus: false,
  way: 'flash',
  showMs: 1000,
  first: 2,
  second: 2,
}

/** The problems typed, one on each line. @throws InputError that says which line is none */
function typed(text: string): readonly OwnProblem[] {
  return readOwnLines(typedHere(text)).map((line) => {
    if ('error' in line) throw new InputError(`Line ${line.line}: ${line.error}`)
    return line.problem
  })
}

/** What is there to fill a part with. @param kept own sets and papers of the learner */
export const supplyOf = (kept: Choosable): PartSupply => ({
  ...kept,
  typed,
  listed: listedOwn,
  nameOf: (recipe) => unmarked(setName(recipe)),
  seed: freshSeed(),
})
