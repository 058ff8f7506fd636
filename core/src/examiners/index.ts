export { answers } from './answers.js'
