import { describeTechnique } from '../../kit/describe.js'
import { addCompensation } from './compensation.js'

describeTechnique(addCompensation, {
  examples: [['398+257', '400 657 2 655']],
  refuses: [
    ['340+250', 'no number is a little below a round one'],
    ['398+0', ''],
  ],
  slips: [['398+257', '655', '659', 'given-wrong-way']],
})
