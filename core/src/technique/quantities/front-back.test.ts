import { expect, test } from 'vitest'
import { readProblem } from '../../problem/expression.js'
import { techniqueById } from '../../registry/techniques.js'
import { FRONT_BACK } from '../../words/multiplication.js'
import { trace, variantOf } from '../driver.js'

test('why front and back are joined as they are: padded, with what is over, or taken away', () => {
  const why = (id: string, expression: string) => {
    const technique = techniqueById(id)
    return trace(technique, readProblem(expression), variantOf(technique)).steps.at(-1)!.why
  }
  expect(why('multiply-same-head', '71*79')).toBe(FRONT_BACK.whyPadded(2, 9n))
  expect(why('multiply-near-base', '112*113')).toBe(FRONT_BACK.whyExcess(2, 156n, 1n, 56n))
  expect(why('multiply-near-base', '97*105')).toBe(FRONT_BACK.whyTaken(102n, 15n, 100n))
})
