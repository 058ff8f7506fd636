import { describeTechnique } from '../../kit/describe.js'
import { divideShort } from './short.js'

describeTechnique(divideShort, {
  examples: [
    ['2184/6', '3 3 6 2 4'],
    ['17/5', '3 2 4', { rest: 'decimals' }],
  ],
  refuses: [
    ['84/13', 'the divisor must be 2 to 12'],
    ['84/1.5', 'the divisor must be whole'],
  ],
  slips: [
    ['6018/3', '0', '1', 'too-many'],
    ['2184/6', '3', '2', 'too-few'],
  ],
})
