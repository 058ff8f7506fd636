/** Words of the ways of multiplying. */
import { placeName } from '../number/places.js'
import { said } from '../number/whole.js'
import { count, listed, plural } from './english.js'
import type { TechniqueWords } from './lesson.js'

const places = (width: number) => count(width, 'place')

export const FRONT_BACK = {
  ask: 'Put front and back together: what is the answer?',
  whyPadded: (width: number, back: bigint) =>
    `The back has ${places(width)}, so the ${said(back)} needs ${plural(width - String(back).length, 'a zero', 'zeros')} before it.`,
  whyExcess: (width: number, back: bigint, carried: bigint, kept: bigint) =>
    `The back has ${places(width)}: of ${said(back)} write ${String(kept).padStart(width, '0')} and carry ${said(carried)} to the front.`,
  whyTaken: (front: bigint, back: bigint, base: bigint) =>
    `One number is below and one is above, so ${said(back)} is taken away: ${said(front * base)} − ${said(back)} = ${said(front * base - back)}.`,
  borrow: (front: bigint) =>
    `You forgot to borrow: the front becomes ${said(front)} − 1 = ${said(front - 1n)}.`,
  added: (back: bigint) => `One number is below and one is above: take the ${said(back)} away.`,
  excess: (width: number, back: bigint, carried: bigint) =>
    `The back has only ${places(width)}: carry the ${said(carried)} of ${said(back)} to the front.`,
  lost: (carried: bigint) => `You forgot to carry ${said(carried)} to the front.`,
  pad: (width: number, back: bigint) =>
    `The back has ${places(width)}: put ${plural(width - String(back).length, 'a zero', 'zeros')} before the ${said(back)}.`,
  over: (front: string, less: boolean) =>
    less
      ? `The front is ${front}. How much is left once the back has borrowed from it?`
      : `The front is ${front}. How much is it with what comes over from the back?`,
  whyOver: 'What does not fit into the back goes into the front.',
  into: (right: string) => `What comes over from the back changes the front: ${right}.`,
  rest: 'Back: which digits stand behind the front?',
  whyRest: (width: number) => `Only ${places(width)} of the back are left for it.`,
  padBehind: (back: bigint) => `The zero goes before the ${said(back)}, not behind it.`,
} as const

/** How the point is put in the end. */
export const POINT = {
  ask: (rule: string) => `${rule} Put the point: what is the answer?`,
  why: 'Leaving the point out made the number larger; putting it back makes it right again.',
  count: (scale: number) => `Count ${places(scale)} from the right.`,
  forgotten: (scale: number) => `The point is missing. Count ${places(scale)} from the right.`,
  factors: 'The answer has as many decimals as both factors together.',
  square: 'The square has twice as many decimals as the number.',
} as const

export const GAP = {
  ask: (n: string) => `How far is ${n} from the round number near it?`,
  why: (n: string, base: string, gap: string, below: boolean) =>
    `${base} ${below ? '−' : '+'} ${gap} = ${n}.`,
} as const

/** Words of fronts and backs made of gaps. */
export const FROM_GAPS = {
  front: (a: string, b: string) => `Front: change ${a} by the gap of ${b}. How much?`,
  frontSame: (a: string) => `Front: change ${a} by its own gap once more, the same way. How much?`,
  whyFront: (base: string) => `The front counts how many times ${base} there is.`,
  wrongWay: (b: string, base: string, below: boolean, right: string) =>
    `${b} is ${below ? 'below' : 'above'} ${base}: ${right}.`,
  twice: (right: string) => `The gap counts only once: ${right}.`,
  own: (b: string, right: string) => `Take the gap of ${b}: ${right}.`,
  multiply: (right: string) => `Multiply the gaps: ${right}.`,
  back: (d: string, e: string) => `Back: multiply the two gaps, ${d} × ${e}. How much?`,
  backSame: (d: string) => `Back: the gap times itself, ${d} × ${d}. How much?`,
  whyBack: (taken: boolean) =>
    taken
      ? 'The front counted one gap too much, so this much is taken away again.'
      : 'The front left out this much, so it is put back.',
} as const

export const NEAR_BASE: TechniqueWords = {
  name: 'Near a base',
  about: 'Both numbers are near 10, 100 or 1000: work with how far they are from it.',
  lesson: {
    example: '96*93',
    when: 'Both numbers are near the same 10, 100 or 1000, on either side.',
    whenNot: 'The gaps are long numbers themselves: 62 × 57 is as quick crosswise.',
    because: [
      '96 is 4 short of 100, and 93 is 7 short.',
      'Front: 96 − 7 = 89, or 93 − 4 = 89. So there are 89 hundreds.',
      'Back: 4 × 7 = 28. Together 8928.',
    ],
  },
}

export const HEAD = {
  after: (head: string) => `Which number comes after ${head}?`,
  whyAfter: (head: string, next: string) => `${head} + 1 = ${next}.`,
  same: 'One of the two heads goes up by one.',
  front: (head: string, next: string) => `Front: ${head} × ${next}. How much?`,
  why: 'The two products in the middle make one head more, so one head goes up by one.',
  squared: (right: string) => `One of the heads goes up by one: ${right}.`,
  both: (right: string) => `Only one of the heads goes up: ${right}.`,
  lowered: (right: string) => `Up by one, not down: ${right}.`,
} as const

export const SAME_HEAD = {
  name: 'Same head',
  about: 'The same head, and last digits that make 10: head times the next number, then the last digits.',
  lesson: {
    example: '63*67',
    when: 'Both numbers begin alike and their last digits make 10.',
    whenNot: 'The last digits make anything but 10: go crosswise.',
    because: [
      '63 × 67: the heads are both 6, and 3 + 7 = 10.',
      'Front: 6 × 7 = 42, a head times the next number.',
      'Back: 3 × 7 = 21, always in two places. Together 4221.',
    ],
  },
  back: (u: string, v: string) => `Back: ${u} × ${v}. How much?`,
  whyBack: 'The last digits multiplied fill the last two places.',
  added: (u: string, v: string, product: string) => `Multiply the last digits: ${u} × ${v} = ${product}.`,
  short: 'each factor needs a head and a last digit: two digits at least',
  heads: (a: string, b: string) => `the heads differ: ${a} and ${b}`,
  long: 'the factors have more than 7 digits',
  units: (sum: string) => `the units sum to ${sum}, not 10`,
} as const

export const REPDIGIT = {
  name: 'Ten pair times twins',
  about: 'One number has digits that make 10, the other two equal digits: front and back come at once.',
  lesson: {
    example: '64*33',
    when: 'Digits that make 10 (64) meet two equal digits (33).',
    whenNot: 'Only one of the two is so.',
    because: [
      '64 × 33: 6 + 4 = 10, and both digits of 33 are 3.',
      'Front: one more than 6, times 3: 7 × 3 = 21.',
      'Back: 4 × 3 = 12, always in two places. Together 2112.',
    ],
  },
  front: (tens: string, digit: string) => `Front: one more than ${tens}, times ${digit}. How much?`,
  whyFront: (tens: string, units: string, digit: string) =>
    `In the middle ${tens} and ${units} make ten, so there is one ${digit} more in front.`,
  oneMore: (right: string) => `First one more: ${right}.`,
  wrongDigit: (tens: string, right: string) => `The front takes the ${tens}: ${right}.`,
  back: (units: string, digit: string) => `Back: ${units} × ${digit}. How much?`,
  whyBack: 'The last digits multiplied fill the last two places.',
  tensBehind: (units: string, right: string) => `The back takes the ${units}: ${right}.`,
  noTwins: 'no factor has two equal digits',
  notTwo: (n: string) => `${n} does not have two digits`,
  sum: (n: string, sum: number) => `the digits of ${n} sum to ${sum}, not 10`,
  oneMoreBehind: (right: string) => `One more belongs to the front only: ${right}.`,
} as const

/** Words of products written column by column. */
export const COLUMNS = {
  column: (work: string) => `${work}. How much is that?`,
  mended: (raw: string, before: string) =>
    `${raw} comes next to the ${before}: what stands there together now?`,
  whyMended: (unit: string, tens: string) => `Write the ${unit}; the ${tens} goes to the left.`,
  raise: (before: string, tens: string, after: string) =>
    `You forgot to carry: ${before} + ${tens} = ${after}.`,
  onceOnly: (carry: string) => `Carry the ${carry} only once.`,
  oneDigit: (unit: string, tens: string) => `Write only the ${unit} and carry the ${tens}.`,
  throughNine: 'A nine that goes up becomes 0, and the digit before it goes up too.',
  write: (total: string, carry: number, last: boolean) =>
    `${total}${carry > 0 ? ` and ${carry} carried` : ''}: ${last ? 'what do you write in front?' : 'which digit do you write?'}`,
  whyWrite: (last: boolean) =>
    last
      ? 'Nothing comes after the last column, so all of it is written.'
      : 'One column has room for one digit; the rest is carried.',
  carryLost: (carry: string, right: string) => `You forgot to carry ${carry}: ${right}.`,
  carryTwice: (carry: string, right: string) => `You carried ${carry} twice: ${right}.`,
  otherCarry: (carry: string, right: string) => `The ${carry} belongs to the column before: ${right}.`,
  settle: (sum: string, carry: number, last: boolean) =>
    `${sum}${carry > 0 ? ` and ${carry}` : ''}: what do you write?${last ? ' All that is left.' : ''}`,
  whySettle: 'Column by column from the right: write one digit, carry the rest.',
} as const

export const CROSSWISE = {
  name: 'Crosswise',
  about: 'Any length by any length: one answer digit a column, each the sum of its cross products.',
  lesson: {
    example: '36*52',
    when: 'Any two numbers, when the answer is written digit by digit.',
    whenNot: 'The numbers fit a short cut: near a base, the same head, equal digits.',
    because: [
      'Units: 6 × 2 = 12. Write 2, carry 1.',
      'Tens: 3 × 2 + 6 × 5 = 36, for tens times units make tens. With the 1 carried 37: write 7, carry 3.',
      'Hundreds: 3 × 5 = 15, with the 3 carried 18. Together 1872.',
    ],
  },
  why: (place: number) =>
    place === 0
      ? 'Only units times units make units.'
      : `All products of two digits that count ${placeName(place)} go together.`,
  leftOut: (product: string, n: number) =>
    `${product} belongs here too: ${count(n, 'product')} in this column.`,
  straight: (p: string, q: string) => `Cross them: ${p} and ${q}.`,
  sum: (right: string) => `The products are right, but not their sum: ${right}.`,
  offColumn: (product: string) => `${product} went one column too far to the left.`,
} as const

export const REPUNIT = {
  name: 'Sliding window',
  about: 'Times 11, 111, 1111: slide a window of that many digits along the number and add what it shows.',
  lesson: {
    example: '724*111',
    when: 'One number is made of ones: 11, 111, 1111.',
    whenNot: 'It has any other digit: go crosswise.',
    because: [
      '724 × 111: write 0 0 7 2 4 0 0 and slide a window of three digits along it from the right.',
      'The windows show 4, then 2 + 4 = 6, then 7 + 2 + 4 = 13, then 7 + 2 = 9, then 7.',
      'One digit a column, the rest carried: 80364.',
    ],
  },
  window: (shown: string) => `The window shows ${shown}. How much is that?`,
  edge: (digit: string) => `The end of the number: ${digit} alone. What do you write down?`,
  why: (width: number) => `The window is ${count(width, 'digit')} wide, one for each 1.`,
  noOnes: 'no factor is made of ones, like 11 or 111',
  notYet: (width: number, digit: string) =>
    `The window is ${count(width, 'digit')} wide: the ${digit} is not in it yet.`,
  gone: (width: number, digit: string) =>
    `The window is ${count(width, 'digit')} wide: the ${digit} has left it.`,
  still: (digit: string, right: string) => `The ${digit} is still in the window: ${right}.`,
  already: (digit: string, right: string) => `The ${digit} is in the window already: ${right}.`,
} as const

export const SPLIT_ADD = {
  name: 'Split and add',
  about: 'Take one number apart by places, multiply part by part from the left, and keep a running total.',
  lesson: {
    example: '67*8',
    when: 'One number is short: one digit, or two small digits.',
    whenNot: 'A number just below a round one: round it up. Two long numbers: go crosswise.',
    because: [
      '67 is 60 + 7.',
      '60 × 8 = 480 and 7 × 8 = 56.',
      '480 + 56 = 536. The largest part comes first, so you are near the answer at once.',
    ],
  },
  why: (part: string, factor: string) => `${part} is one part of ${factor}.`,
  total: (before: string, product: string) => `${before} and ${product}: what is the total?`,
  whyTotal: 'All parts together make the whole product.',
  table: 'both factors have one digit: the table gives the answer',
  carry: (carry: string) => `You forgot to carry ${carry}.`,
  leftOut: (product: string, before: string) => `Add the ${product} to the ${before}.`,
  block: (place: string, block: string, factor: string, carry: number) =>
    `${block} × ${factor}${carry > 0 ? ` and ${carry} carried` : ''}: how much, from the ${place} on?`,
  whyBlock: 'Two digits at a time: write two, carry the rest.',
} as const

export const ROUNDING = {
  ask: 'Which round number is just above one of them?',
  askOf: (n: string) => `Which round number is just above ${n}?`,
  why: (number: string, over: string, round: string) => `${number} + ${over} = ${round}.`,
  down: (round: string) => `Round up here: to ${round}.`,
} as const

export const ROUND_BACK = {
  name: 'Round up and take back',
  about: 'Round one number up, multiply, and take back what was too much.',
  lesson: {
    example: '89*7',
    when: 'A number is a little below a round one: 89, 48, 76, 4998.',
    whenNot: 'It is far below, like 74 or 52: then split it.',
    because: ['89 is 90 − 1.', '90 × 7 = 630, which is one 7 too many.', '630 − 7 = 623.'],
  },
  whyProduct: 'A round number is easy to multiply.',
  gap: (factor: string) => `How much above ${factor} is your round number?`,
  whyGap: (round: string, factor: string, over: string) => `${round} − ${factor} = ${over}.`,
  surplus: (over: string, whole: string) => `${over} × ${whole}: how much was too much?`,
  whySurplus: (over: string, whole: string) => `You took ${over} too many, and each counts ${whole}.`,
  once: (right: string) => `Each one counts: ${right}.`,
  back: (product: string) => `Take back from ${product} what was too much: what is left?`,
  whyBack: (product: string, surplus: string, rest: string) => `${product} − ${surplus} = ${rest}.`,
  addedOn: (right: string) => `You rounded up, so take it away: ${right}.`,
  kept: (right: string) => `It is still to be taken back: ${right}.`,
  more: (total: string, term: string, plus: boolean) =>
    `${total} ${plus ? 'and' : 'less'} ${term}: what is the answer?`,
  noneNear: 'no factor is a little below a round number',
  below: 'the answer would be below zero',
  moreLeft: (right: string) => `The last number is still missing: ${right}.`,
  moreSign: (right: string) => `Plus and minus are mixed up: ${right}.`,
  whyMore: 'The last number of the problem is still to come.',
} as const

export const FACTORS = {
  name: 'One factor after another',
  about: 'Break one number into one-digit factors and multiply by them one after the other.',
  lesson: {
    example: '38*35',
    when: 'A number is a product of one-digit numbers: 35 = 5 × 7, 48 = 6 × 8.',
    whenNot: 'It has a prime factor above 7, like 26 or 34.',
    because: [
      '35 is 5 × 7.',
      '38 × 5 = 190.',
      '190 × 7 = 1330. Two short products instead of a product and a sum.',
    ],
  },
  decide: (composed: string) => `Break ${composed} into one-digit factors. Which one do you take first?`,
  whyDecide: (apart: readonly string[], composed: string) => `${apart.join(' × ')} = ${composed}.`,
  notFactor: (composed: string) => `That does not go into ${composed} so that one-digit numbers are left.`,
  ask: (before: string, factor: string, middle: boolean) =>
    `${before} × ${factor}: how much?${middle ? ' Say it twice to keep it.' : ''}`,
  askRest: (before: string) => `${before} times the factor that is left: how much?`,
  why: (composed: string) => `Times one factor and then the other is times ${composed}.`,
  leftOut: (composed: string) => `${composed} has one more factor: multiply by it too.`,
  prime: 'no factor breaks into one-digit factors',
  multiply: 'Multiply here, do not add',
  middle: (before: string) => `Multiply the ${before} that you kept: say it twice next time.`,
} as const

export const DOUBLE_HALVE = {
  name: 'Double and halve',
  about: 'Double one number and halve the other for as long as that makes it rounder.',
  lesson: {
    example: '35*18',
    when: 'One number ends in 5 and the other is even; or a number is 5, 25, 50, 125.',
    whenNot: 'Doubling makes no zero: 34 × 18 does not get rounder.',
    because: [
      'Twice 35 is 70, half of 18 is 9.',
      'One doubled and the other halved: the product stays the same.',
      '70 × 9 = 630.',
    ],
  },
  double: (n: string) => `Double ${n}: how much?`,
  whyDouble: 'One number doubled and the other halved leave the product as it is.',
  halve: (n: string) => `Half of ${n}: how much?`,
  whyHalve: (n: string) => `${n} is even, so it has a whole half.`,
  product: (x: string, y: string) => `${x} × ${y}: how much?`,
  whyProduct: 'The rounder number leaves less to multiply.',
  noRounder: 'doubling makes neither factor rounder while the other can be halved',
  halveProduct: (n: string, times: string) => `You doubled ${times} too often. Half of ${n}: how much?`,
  whyLater: 'Each time you doubled only one number, the product became twice too large.',
} as const

export const COMMON_FACTOR = {
  name: 'Common factor',
  about: 'Two products share a number and the other two make a round one: multiply once.',
  lesson: {
    example: '16*23+16*27',
    when: 'The same number is multiplied twice, and the others make a round number together.',
    whenNot: 'They share no number: work each product and add.',
    because: [
      'Both products count sixteens: 23 of them and 27 of them.',
      '23 + 27 = 50, so there are 50 sixteens.',
      '16 × 50 = 800: one round product instead of two and a sum.',
    ],
  },
  decide: 'Which number is in both products?',
  whyDecide: (factor: string) => `${factor} is in the first product and in the second.`,
  sum: (plus: boolean) =>
    plus ? 'The other two together: how much?' : 'The difference of the other two: how much?',
  whySum: (total: string, factor: string) => `There are ${total} times ${factor}.`,
  onlyPairs: 'it works two products joined by + or −',
  notRound: 'with a factor in common, the others do not make a round number',
  nothingShared: 'the two products have no factor in common',
  notShared: (n: string) => `${n} is in one product only.`,
  minus: (right: string) => `The second product is taken away: ${right}.`,
  product: 'One round product instead of two.',
  twice: (right: string) => `The common number counts once: ${right}.`,
} as const

export const MISFIT = {
  product: 'it works a product of two factors, and this is none',
  zero: 'a factor is 0, so the product is 0',
  long: (digits: number) => `a factor has more than ${count(digits, 'digit')}`,
  whole: 'the factors must be whole numbers',
  one: 'a factor is 1',
  near: (n: string) => `${n} is not near a power of ten`,
  bases: (a: string, base: string, b: string, other: string) =>
    `${a} is near ${base}, ${b} near ${other}: the bases differ`,
  zeros: (most: number) => `the base has more than ${count(most, 'zero')}`,
  factors: (words: readonly string[]) => listed(words),
} as const

export const NINES = {
  name: 'By nines',
  about: 'Times 9, 99, 999: take one away for the front, and what is missing to a round number is the back.',
  lesson: {
    example: '64*99',
    when: 'One number is made of nines: 9, 99, 999.',
    whenNot: 'It has any other digit, like 98: round it up instead.',
    because: [
      '99 is 100 − 1, so 64 × 99 is 6400 − 64.',
      'Front: 64 − 1 = 63.',
      'Back: what is missing from 64 to 100, 100 − 64 = 36. Together 6336.',
    ],
  },
  front: (n: string) => `Front: one less than ${n}. How much?`,
  frontLong: (n: string, head: string) => `Front: take one more than ${head} away from ${n}. How much?`,
  whyFront: (n: string, less: string) => `One ${n} of the round number is not there: ${less}.`,
  notLess: (right: string) => `Take the one away first: ${right}.`,
  back: (tail: string, base: string) => `Back: how much is missing from ${tail} to ${base}?`,
  whyBack: 'What was taken too much comes back here.',
  same: (right: string) => `The back is what is missing: ${right}.`,
  noNines: 'no factor is made of nines, like 9 or 99',
  zeros: 'a factor ends in as many zeros as there are nines: just multiply',
} as const
