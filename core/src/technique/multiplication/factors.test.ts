import { describeTechnique } from '../../kit/describe.js'
import { multiplyFactors } from './factors.js'

describeTechnique(multiplyFactors, {
  examples: [['38*35', '5 190 1330']],
  refuses: [
    ['26*34', 'no factor breaks into one-digit factors'],
    // 11 × 2 has a factor that is no digit; 7 is one digit already.
    ['22*7', 'no factor breaks into one-digit factors'],
  ],
  slips: [['38*35', '1330', '266', 'middle-lost']],
})
