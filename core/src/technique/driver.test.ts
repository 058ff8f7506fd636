import { expect, test } from 'vitest'
import { readProblem } from '../problem/expression.js'
import { levelOf, techniqueById } from '../registry/techniques.js'
import { SUM_MISFIT } from '../words/addition.js'
import { variantOf, variantsOf, wayWords } from './driver.js'
import { beginWalks } from './listening/walks.js'

test('a variant is what is given, else as the level is worked, else the default', () => {
  const windows = techniqueById('multiply-repunit')
  const [first, second] = [levelOf(windows, 1), levelOf(windows, 2)]
  expect(variantOf(windows)).toEqual({ ends: 'plain' })
  expect(variantOf(windows, {}, first)).toEqual({ ends: 'zeros' })
  expect(variantOf(windows, { ends: 'plain' }, first)).toEqual({ ends: 'plain' })
  expect(variantOf(windows, {}, second)).toEqual({ ends: 'plain' })
  expect(() => variantOf(windows, { ends: 'none' })).toThrow('ends')
  expect(() => variantOf(windows, { start: 'plain' })).toThrow('start')
  expect(variantsOf(windows)).toEqual([{ ends: 'plain' }, { ends: 'zeros' }])
})

test('another way of working is told by what is different about it, offered or not', () => {
  const split = techniqueById('multiply-addition')
  const set = variantOf(split)
  expect(wayWords(split, set, set)).toBeUndefined()
  expect(wayWords(split, set, { ...set, parts: 'right' })).toBe('the parts from the right')
  expect(wayWords(split, { ...set, parts: 'right' }, { ...set, parts: 'right' })).toBeUndefined()
  expect(wayWords(split, set, { ...set, split: 'second', parts: 'blocks' })).toBe(
    'always the second and two digits at a time from the right',
  )
})

test('a technique is not begun on a problem it does not fit', () => {
  const technique = techniqueById('add-running-total')
  expect(() => beginWalks(technique, readProblem('34*27'), variantOf(technique), true)).toThrow(
    SUM_MISFIT.sums,
  )
})
