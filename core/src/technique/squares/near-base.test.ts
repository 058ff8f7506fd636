import { describeTechnique } from '../../kit/describe.js'
import { squareNearBase } from './near-base.js'

describeTechnique(squareNearBase, {
  examples: [
    ['96^2', '4 92 16'],
    ['88^2', '12 76 144 7744'],
    ['991^2', '9 982 81 982081'],
    ['14^2', '4 18 16 196'],
  ],
  slips: [
    ['99^2', '9801', '981', 'not-padded'],
    ['88^2', '7744', '76144', 'excess-not-carried'],
    ['96^2', '92', '100', 'gap-wrong-way'],
    ['96^2', '92', '88', 'gap-twice'],
  ],
})
