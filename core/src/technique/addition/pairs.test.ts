import { describeTechnique } from '../../kit/describe.js'
import { addPairs } from './pairs.js'

describeTechnique(addPairs, {
  examples: [['47+63+28+52', '2 100 0 120 170 2 180 2 190']],
  refuses: [['34*3', 'works sums']],
  slips: [
    ['47+63+38+52', '100', '0', 'part-left-out'],
    ['47+63+28+52', '2', '0', 'ten-missed'],
    ['47+83+55', '0', '2', 'no-ten'],
    ['47+55+83', '40', '100', 'no-ten'],
  ],
})
