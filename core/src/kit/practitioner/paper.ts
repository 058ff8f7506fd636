/** What is said of a paper item: its answer, at once, in every dress it has. */
import { printProblem } from '../../problem/expression.js'
import { oracle } from '../oracle.js'
import type { Speaker } from './numbers.js'

export const item: Speaker = (problem) => [
  { way: 'at once', said: [oracle(printProblem(problem))], over: true },
]
