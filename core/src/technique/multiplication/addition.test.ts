import { describeTechnique } from '../../kit/describe.js'
import { multiplyAddition } from './addition.js'

describeTechnique(multiplyAddition, {
  examples: [
    ['67*8', '480 56 536'],
    ['34*27', '810 108 918'],
  ],
})
