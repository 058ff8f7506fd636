import { describeTechnique } from '../kit/describe.js'
import { flashSum } from './sum.js'

describeTechnique(flashSum, {
  examples: [['7+8-4+9', '15 11 20']],
})
