import { describeTechnique } from '../describe.js'
import { multiplyDoubleHalve } from './double-halve.js'

describeTechnique(multiplyDoubleHalve, {
  examples: [['35*18', '70 9 630']],
})
