import { describeTechnique } from '../../kit/describe.js'
import { multiplyCrosswise } from './crosswise.js'

describeTechnique(multiplyCrosswise, {
  examples: [
    ['36*52', '12 2 36 7 15 18'],
    ['36*52', '12 36 15 2 7 18', { order: 'right-raw' }],
    ['347*26', '42 38 26 6 2 2 0 9', { order: 'right-raw' }],
    ['36*52', '15 36 186 12 1872', { order: 'left-mend' }],
    ['36*52', '15 12 36 2 7 18', { order: 'ends-first' }],
  ],
  refuses: [
    ['123456789*2', 'more than 8 digits'],
    ['0*34', '0'],
    ['34*0', '0'],
  ],
  slips: [
    ['36*52', '36', '30', 'product-left-out'],
    ['36*52', '36', '27', 'straight-not-cross'],
    ['36*52', '7', '6', 'carry-lost'],
    ['36*52', '7', '8', 'carry-doubled'],
    ['36*52', '36', '306', 'wrong-place'],
    ['36*52', '15', '18', 'fact'],
    ['36*52', '186', '156', 'carry-lost', { order: 'left-mend' }],
    ['36*52', '7', '6', 'carry-lost', { order: 'ends-first' }],
  ],
})
