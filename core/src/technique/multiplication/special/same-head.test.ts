import { describeTechnique } from '../../../kit/describe.js'
import { multiplySameHead } from './same-head.js'

describeTechnique(multiplySameHead, {
  examples: [
    ['63*67', '7 42 21'],
    ['71*79', '8 56 9 5609'],
  ],
  refuses: [
    ['63*68', 'the units sum to 11, not 10'],
    ['63*77', 'the heads differ: 6 and 7'],
  ],
  slips: [['63*67', '42', '36', 'one-more-forgotten']],
})
