import { describeTechnique } from '../../kit/describe.js'
import { multiplyCommonFactor } from './common-factor.js'

describeTechnique(multiplyCommonFactor, {
  examples: [['16*23+16*27', '16 50 800']],
  refuses: [
    ['16*23+17*27', 'no factor in common'],
    ['16*23+16*26', 'round number'],
  ],
  slips: [['16*23+16*27', '800', '1600', 'doubled']],
})
