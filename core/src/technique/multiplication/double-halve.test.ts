import { describeTechnique } from '../../kit/describe.js'
import { multiplyDoubleHalve } from './double-halve.js'

describeTechnique(multiplyDoubleHalve, {
  examples: [
    ['35*18', '70 9 630'],
    ['14*25', '50 7 350'],
    ['34*125', '250 17 4250'],
  ],
  slips: [
    ['35*18', '9', '18', 'not-halved'],
    ['35*18', '9', '8', 'fact'],
    ['35*48', '24', '29', 'fact'],
  ],
})
