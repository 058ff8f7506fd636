/** Where practitioners differ. The first value of each option is the default. */
import type { VariantOption } from './contract.js'

export const CARRY: VariantOption = {
  key: 'carry',
  name: 'Carries and borrows',
  values: ['mend', 'glance'],
  words: {
    mend: 'write the digit, then change it when the next column asks for it',
    glance: 'look right first and write the final digit at once',
  },
}

export const ORDER: VariantOption = {
  key: 'order',
  name: 'Order of the columns',
  values: ['right-carry', 'right-raw', 'left-mend', 'ends-first'],
  words: {
    'right-carry': 'from the right, carrying as you go',
    'right-raw': 'from the right, every sum written raw, carries settled at the end',
    'left-mend': 'from the left, mending what is written',
    'ends-first': 'first and last products, then the middle',
  },
}

export const START: VariantOption = {
  key: 'start',
  name: 'The first number',
  values: ['parts', 'first-whole'],
  words: { parts: 'said by parts as well', 'first-whole': 'kept whole' },
}

export const ENDS: VariantOption = {
  key: 'ends',
  name: 'Both ends of the number',
  values: ['plain', 'zeros'],
  words: {
    plain: 'the window grows in and shrinks out',
    zeros: 'zeros are written there, and every window is full',
  },
}

export const SPLIT: VariantOption = {
  key: 'split',
  name: 'Which factor is taken apart',
  values: ['auto', 'first', 'second'],
  words: { auto: 'whichever is less work', first: 'always the first', second: 'always the second' },
}

export const SQUARE: VariantOption = {
  key: 'square',
  name: 'Square to start from',
  values: ['below', 'nearest'],
  words: { below: 'the largest one not above', nearest: 'the nearest, above or below' },
}

export const TENS: VariantOption = {
  key: 'tens',
  name: 'Making a ten',
  values: ['complement-first', 'ten-first'],
  words: {
    'complement-first': 'the rod first, then the one on its left',
    'ten-first': 'the rod on the left first, then the rod itself',
  },
}

export const OUTER: VariantOption = {
  key: 'outer',
  name: 'Order of the products',
  values: ['first', 'second'],
  words: {
    first: 'each digit of the first factor through the whole second',
    second: 'each digit of the second factor through the whole first',
  },
}

export const SIDE: VariantOption = {
  key: 'side',
  name: 'Worked from',
  values: ['left', 'right'],
  words: { left: 'the left, highest place first', right: 'the right, units first' },
}

export const REST: VariantOption = {
  key: 'rest',
  name: 'What is left over',
  values: ['remainder', 'decimals'],
  words: { remainder: 'stated as the remainder', decimals: 'carried on as decimals, six at most' },
}

export const DECIMALS: VariantOption = {
  key: 'decimals',
  name: 'Decimals of the root',
  values: ['3', '0', '1', '2', '4', '5', '6'],
  words: { '0': 'none', '1': 'one', '2': 'two', '3': 'three', '4': 'four', '5': 'five', '6': 'six' },
}
