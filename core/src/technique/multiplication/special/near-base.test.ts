import { describeTechnique } from '../../../kit/describe.js'
import { multiplyNearBase } from './near-base.js'

describeTechnique(multiplyNearBase, {
  examples: [
    ['96*93', '4 7 89 28'],
    ['104*107', '4 7 111 28'],
    ['97*105', '3 5 102 15 10185'],
  ],
  refuses: [
    ['97*1003', 'the bases differ'],
    ['47*98', '47 is not near a power of ten'],
  ],
  slips: [['97*105', '10185', '10285', 'borrow-missed']],
})
