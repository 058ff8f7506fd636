import { describeTechnique } from '../../kit/describe.js'
import { subtractBlocks } from './blocks.js'

describeTechnique(subtractBlocks, {
  examples: [['6214-1857', '43 57 43']],
  slips: [
    ['6214-1857', '57', '43', 'smaller-from-larger'],
    ['6254-1817', '44', '43', 'needless-borrow'],
    ['6214-1857', '43', '44', 'fact'],
  ],
})
