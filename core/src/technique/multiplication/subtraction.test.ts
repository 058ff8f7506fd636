import { describeTechnique } from '../../kit/describe.js'
import { multiplySubtraction } from './subtraction.js'

describeTechnique(multiplySubtraction, {
  examples: [
    ['89*7', '90 630 1 623'],
    ['48*23', '50 1150 2 46 1104'],
    ['4998*3', '5000 15000 2 6 14994'],
    ['76*43', '80 3440 4 172 3268'],
    ['4998*3+6', '5000 15000 2 6 14994 15000'],
  ],
  slips: [['89*7', '623', '637', 'given-wrong-way']],
})
