import { describeTechnique } from '../../kit/describe.js'
import { addColumnTotals } from './column-totals.js'

describeTechnique(addColumnTotals, {
  examples: [['4268+1907+3355+2840', '10 10000 22 12200 15 12350 20 12370']],
  slips: [
    ['4268+1907+3355+2840', '22', '2', 'carry-lost'],
    ['4268+1907+3355+2840', '12200', '10200', 'carry-lost'],
  ],
})
