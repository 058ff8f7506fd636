export { answers } from './answers.js'
export { EXAMINEES } from './kinds.js'
