import { describeTechnique } from '../../kit/describe.js'
import { addCompensation } from './compensation.js'

describeTechnique(addCompensation, {
  examples: [
    ['398+257', '400 657 2 655'],
    // Not 2638 to 2640, though that is nearer: 5000 is the lighter to add.
    ['4997+2638', '5000 7638 3 7635'],
  ],
  refuses: [
    ['340+250', 'no number is a little below a round one'],
    ['398+0', ''],
  ],
  slips: [['398+257', '655', '659', 'given-wrong-way']],
})
