import { describeTechnique } from '../../kit/describe.js'
import { rootEstimate } from './estimate.js'

describeTechnique(rootEstimate, {
  examples: [['sqrt(70)', '8 6 16 2 0.375 8.375']],
  refuses: [['sqrt(2000000)', 'only up to']],
  slips: [['sqrt(70)', '16', '8', 'not-doubled']],
})
