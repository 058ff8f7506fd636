import { describeTechnique } from '../../../kit/describe.js'
import { multiplyByNines } from './nines.js'

describeTechnique(multiplyByNines, {
  examples: [
    ['64*99', '63 36'],
    ['64*999', '63 936'],
    ['234*99', '231 66'],
    ['99*64', '63 36'],
    ['97*99', '96 3 9603'],
  ],
  refuses: [['64*98', 'no factor is made of nines']],
  slips: [['64*99', '36', '64', 'complement-left-out']],
})
