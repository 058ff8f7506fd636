import { describeTechnique } from '../kit/describe.js'
import { sorobanRead, sorobanSet } from './drills.js'

describeTechnique(sorobanRead, {
  examples: [['4096', '4096']],
})

describeTechnique(sorobanSet, {
  examples: [['4096', '4096']],
})
