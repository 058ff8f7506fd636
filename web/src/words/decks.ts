import { FACT_DECKS } from '@tachymetra/core/facts'
import { written } from '../written/written.js'

/** The decks of facts, to choose one by its name. */
export const deckOptions = () => FACT_DECKS.map(({ id, name }) => ({ value: id, label: written(name) }))
