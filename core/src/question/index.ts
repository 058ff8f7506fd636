export { type AnyQuestion, isFull, meets } from './question.js'
export { asDecimal, decimals, sameValue, type Value, valueText, valueWords } from './value.js'
