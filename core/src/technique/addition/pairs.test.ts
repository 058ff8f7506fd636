import { describeTechnique } from '../describe.js'
import { addPairs } from './pairs.js'

describeTechnique(addPairs, {
  examples: [['47+63+28+52', '100 120 170 180 190']],
  refuses: [['34*3', 'works sums']],
  slips: [
    ['47+63+38+52', '100', '0', 'part-left-out'],
    ['47+55', '40', '100', 'no-ten'],
  ],
})
