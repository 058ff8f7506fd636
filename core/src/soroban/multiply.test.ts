import { describeTechnique } from '../kit/describe.js'
import { sorobanMultiply } from './multiply.js'

describeTechnique(sorobanMultiply, {
  examples: [['36*52', '4 1500 0 1560 3 1860 1872']],
})
