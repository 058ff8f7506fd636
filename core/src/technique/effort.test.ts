import { expect, test } from 'vitest'
import { readProblem } from '../problem/expression.js'
import { techniqueById } from '../registry/techniques.js'
import { trace, variantOf } from './driver.js'
import { effortOf } from './effort.js'

// Counted by hand on docs/method.md, Effort.
test.each([
  // Four columns taken and three looks at the next one, three columns lend, four digits stand at the end.
  ['8341-3675', 'subtract-hold-drop', { facts: 7, carries: 3, held: 4, total: 14 }, 11],
  // 4 + 2, 400 − 398, 7 − 2; 657 and 2 are kept. Nothing is written before the answer.
  ['398+257', 'add-compensation', { facts: 3, carries: 0, held: 4, total: 7 }, 7],
  // 2 × 6; 3 × 2, 5 × 6 and 6 + 30, where a digit stands, 1 is carried, and 6 and 30 are kept; 3 × 5, 15 + 3.
  ['36*52', 'multiply-crosswise', { facts: 5, carries: 2, held: 4, total: 11 }, 10],
])('%s by %s', (expression, id, head, paper) => {
  const technique = techniqueById(id)
  const work = trace(technique, readProblem(expression), variantOf(technique))
  expect(effortOf(work)).toEqual(head)
  expect(effortOf(work, 'paper').total).toBe(paper)
})
