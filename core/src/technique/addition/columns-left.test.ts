import { describeTechnique } from '../../kit/describe.js'
import { addColumnsLeft } from './columns-left.js'

describeTechnique(addColumnsLeft, {
  examples: [
    ['457+386', '8 4 3', { carry: 'glance' }],
    ['457+386', '7 3 8 3 4'],
  ],
  slips: [
    ['457+386', '8', '7', 'carry-lost', { carry: 'glance' }],
    ['457+346', '8', '7', 'carry-not-through-nine', { carry: 'glance' }],
    ['484+311', '7', '8', 'needless-carry', { carry: 'glance' }],
    ['457+386', '8', '7', 'carry-lost', { carry: 'mend' }],
  ],
})
