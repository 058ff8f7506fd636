export { type AnyQuestion, isFull, meets } from './question.js'
