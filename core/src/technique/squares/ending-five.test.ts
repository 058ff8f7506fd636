import { describeTechnique } from '../../kit/describe.js'
import { squareEndingFive } from './ending-five.js'

describeTechnique(squareEndingFive, {
  examples: [['7.5^2', '8 56 5625 56.25']],
  refuses: [['47^2', 'ends in 7, not 5']],
  slips: [['75^2', '5625', '56', 'back-left-out']],
})
