/** What the parts of a lesson are called. */

import { typedByHand } from '@tachymetra/core/number'
import { problemWords, readProblem } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import type { BoardPart } from '@tachymetra/core/set'
import { count, targetWords } from '@tachymetra/core/words'
import { levelWords } from '../words/words.js'

/** "Crosswise, level 4: 4 problems, 10 s each" */
export function partWords(part: BoardPart): string {
  switch (part.kind) {
    case 'technique':
      return `${techniqueById(part.technique).name}, ${levelWords(part.level)}: ${count(part.count, 'problem')}${clockWords(part.clock)}`
    case 'problems':
      return `${typedByHand(part.name)}: ${count(part.problems.length, 'problem')}${clockWords(part.clock)}`
    case 'ways':
      return `${problemWords(readProblem(part.expression))} in two ways: ${part.ways.map((id) => techniqueById(id).name).join(' and ')}`
    case 'facts':
      return `${typedByHand(part.name)}: ${count(part.facts.length, 'fact')}, the answer after ${targetWords(part.waitMs)}`
    case 'flash':
      return `${part.way === 'flash' ? 'Flash' : 'Tape'}: ${part.numbers} numbers of ${count(part.digits, 'digit')}`
    case 'frame':
      return 'The soroban, moved by hand'
    case 'pattern':
      return `The pattern of ${part.first} by ${part.second} digits`
  }
}

const clockWords = ({ ms, round }: { readonly ms: number; readonly round: boolean }) =>
  ms === 0 ? '' : `, ${targetWords(ms)} each${round ? ', then the answer' : ''}`
