export { type AnyQuestion, isFull, meets } from './question.js'
export { asDecimal, decimals, sameValue, type Value, valueWords } from './value.js'
