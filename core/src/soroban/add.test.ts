import { describeTechnique } from '../kit/describe.js'
import { sorobanAdd } from './add.js'

describeTechnique(sorobanAdd, {
  examples: [
    ['364+278', '364 564 634 642'],
    ['42-8', '42 34'],
  ],
})
