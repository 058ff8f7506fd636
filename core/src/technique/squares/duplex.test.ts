import { describeTechnique } from '../../kit/describe.js'
import { squareDuplex } from './duplex.js'

describeTechnique(squareDuplex, {
  examples: [['34^2', '16 6 24 5 9 11']],
  slips: [['34^2', '24', '12', 'not-doubled']],
})
