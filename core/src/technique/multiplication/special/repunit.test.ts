import { describeTechnique } from '../../../kit/describe.js'
import { multiplyRepunit } from './repunit.js'

describeTechnique(multiplyRepunit, {
  examples: [['724*111', '4 6 13 3 9 0 7 8']],
  refuses: [['65*33', 'no factor is made of ones']],
  slips: [['724*111', '13', '9', 'window-too-narrow']],
})
