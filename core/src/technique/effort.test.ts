import { expect, test } from 'vitest'
import { readProblem } from '../problem/expression.js'
import { techniqueById } from '../registry/techniques.js'
import { trace, variantOf } from './driver.js'
import { effortOf } from './effort.js'

test('effort counts facts, carries and the most digits held', () => {
  const technique = techniqueById('subtract-hold-drop')
  const work = trace(technique, readProblem('8341-3675'), variantOf(technique))
  expect(effortOf(work)).toEqual({ facts: 4, carries: 3, held: 4, total: 11 })
})
