import { describeTechnique } from '../../kit/describe.js'
import { rootDuplex } from './duplex.js'

describeTechnique(rootDuplex, {
  examples: [
    ['sqrt(2704)', '5 2 10 2'],
    ['sqrt(54756)', '2 1 4 3 2 9 18 4'],
  ],
  slips: [
    ['sqrt(70)', '111', '120', 'duplex-forgotten'],
    ['sqrt(70)', '6', '7', 'not-lowered'],
  ],
})
