export { FACT_DECKS, type FactCard, type FactDeck, factById } from './decks.js'
