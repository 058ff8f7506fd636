import { describeTechnique } from '../../kit/describe.js'
import { subtractRoundUp } from './round-up.js'

describeTechnique(subtractRoundUp, {
  examples: [['4600-273', '300 4300 27 4327']],
  refuses: [['180-168', 'more than there is to take it from']],
  slips: [
    ['4600-273', '4327', '4273', 'given-wrong-way'],
    ['4600-273', '27', '37', 'complement-tens'],
  ],
})
