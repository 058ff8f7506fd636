/** An elementary fact as an item of a set, with its deck: "tables: 7x8". */
import { factById } from '../facts/decks.js'
import { InputError } from '../problem/error.js'
import type { DrillItem } from './drill.js'

/** @param id of a fact. @throws InputError where there is none */
export function factText(id: string): string {
  return `${knownFact(id).deck.id}: ${id}`
}

/** @throws InputError for a text that names no fact, or not its deck */
export function readFact(text: string): DrillItem {
  const { card } = knownFact(text.split(': ')[1] ?? '')
  if (factText(card.id) !== text) throw new InputError(`"${text.slice(0, 40)}" is no fact of its deck.`)
  return { questions: [card], inOrder: true, says: card.ask }
}

function knownFact(id: string) {
  const found = factById(id)
  if (!found) throw new InputError(`There is no fact "${id.slice(0, 40)}".`)
  return found
}
