import { describeTechnique } from '../../../kit/describe.js'
import { multiplyComplementRepdigit } from './complement-repdigit.js'

describeTechnique(multiplyComplementRepdigit, {
  examples: [
    ['64*33', '21 12'],
    ['91*22', '20 2 2002'],
  ],
  refuses: [
    ['65*33', 'the digits of 65 sum to 11, not 10'],
    ['64*110', ''],
    ['64*12', ''],
    ['64*1', ''],
  ],
  slips: [
    ['91*22', '2002', '202', 'not-padded'],
    ['64*33', '21', '18', 'one-more-forgotten'],
  ],
})
