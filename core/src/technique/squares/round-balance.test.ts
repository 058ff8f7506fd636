import { describeTechnique } from '../../kit/describe.js'
import { squareRoundBalance } from './round-balance.js'

describeTechnique(squareRoundBalance, {
  examples: [['47^2', '50 44 2200 2209']],
  refuses: [['40^2', 'round already']],
  slips: [['47^2', '2209', '2206', 'doubled-not-squared']],
})
