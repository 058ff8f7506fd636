import { describeTechnique } from '../../kit/describe.js'
import { addBlocks } from './blocks.js'

// docs/method.md, Addition.
describeTechnique(addBlocks, {
  examples: [
    ['4738+2685', '123 74'],
    ['17.08+342.6', '68 59 3'],
    ['6007+3993+48', '148 100'],
  ],
  refuses: [
    ['4738-2685', 'added'],
    ['38+94', 'one block'],
  ],
  slips: [
    ['4738+2685', '74', '73', 'carry-lost'],
    ['4738+2685', '123', '113', 'ten-off'],
    ['4738+2685', '123', '85', 'part-left-out'],
  ],
})
