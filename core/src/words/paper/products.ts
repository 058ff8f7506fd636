/** Words of the paper kinds about products, squares and powers. */
import { REMARK } from '../steps.js'

export const BY_FIVES = {
  name: 'Times and by 5, 25, 50, 125',
  about: 'Each is a part of 10, 100 or 1000: divide by the part and put zeros, or the other way round.',
  lesson: {
    example: '48*25',
    when: 'A factor or a divisor is 5, 25, 50 or 125.',
    whenNot: 'The other factor cannot be halved that often.',
    because: ['25 is 100 ÷ 4.', '48 ÷ 4 = 12.', '12 hundreds are 1200.'],
  },
  none: 'it works products with 5, 25, 50 or 125 and quotients by them',
  uneven: (n: string, part: string) => `${n} cannot be divided by ${part} without a remainder`,
  askPart: 'What is the other factor divided by, to make hundreds or tens of it? Do it: how much?',
  whyPart: (right: string, by: string) => `${by}: ${right}.`,
  isPart: (by: string, round: string, part: string) => `${by} is ${round} ÷ ${part}`,
  askTimes: 'What do you multiply by first? Do it: how much?',
  whyZeros: (count: number) =>
    `Put ${count === 1 ? 'one zero' : count === 2 ? 'two zeros' : 'three zeros'} behind it.`,
  whyTaken: (round: string) => `Divide by ${round}: move the point.`,
  otherPart: (right: string) => `Another part is needed: ${right}.`,
  zeros: REMARK.zeroMissing,
  notParted: (right: string) => `Divide first: ${right}.`,
  notTimes: (right: string) => `Multiply first: ${right}.`,
} as const

export const BY_SEVENTY_FIVE = {
  name: 'Times 75',
  about: '75 is three quarters of 100: take a quarter of the other factor, three times, as hundreds.',
  lesson: {
    example: '28*75',
    when: 'One factor is 75 and the other can be divided by 4.',
    whenNot: 'The other factor cannot be divided by 4.',
    because: ['75 is three quarters of 100.', '28 ÷ 4 = 7, and 7 × 3 = 21.', '21 hundreds are 2100.'],
  },
  none: 'it works products with 75',
  uneven: (n: string) => `${n} cannot be divided by 4 without a remainder`,
  askQuarter: 'What is the other factor divided by, to make hundreds of it? Do it: how much?',
  whyQuarter: (right: string) => `75 is three quarters of 100, so take a quarter: ${right}.`,
  askThree: 'How many hundreds are that in all?',
  whyThree: (right: string) => `Three such quarters: ${right}.`,
  whyHundreds: 'They are hundreds: put two zeros behind them.',
  half: (right: string) => `A quarter is needed, not a half: ${right}.`,
  notParted: (right: string) => `Divide first: ${right}.`,
  once: (right: string) => `That is one quarter, and three are needed: ${right}.`,
} as const

export const BY_TWELVE = {
  name: 'Times 12, 15 and 101',
  about: 'Ten times the number, or a hundred times, and the small rest of it.',
  lesson: {
    example: '34*15',
    when: 'A factor is 12, 15 or 101.',
    whenNot: 'The other factor is round: then multiply straight.',
    because: ['15 is 10 and half of 10.', '34 × 10 = 340, and half of it is 170.', '340 + 170 = 510.'],
  },
  none: 'it works products with 12, 15 or 101',
  ask: 'First the round part: how much?',
  whyRound: (by: string, round: string) => `${by} is ${round} and a little more.`,
  askRest: 'Now the rest: how much?',
  whyRest: { 12: '2 more of it.', 15: 'Half as much again.', 101: 'Once more.' },
  whySum: 'Put both together.',
  once: (right: string) => `The rest is more than once the number: ${right}.`,
  missing: (right: string) => `The rest is missing: ${right}.`,
  half: (right: string) => `Half of the round part is added: ${right}.`,
} as const

export const SAME_DISTANCE = {
  name: 'Same distance from a round number',
  about: 'The round number in the middle squared, less the distance squared.',
  lesson: {
    example: '47*53',
    when: 'One factor is as far below a round number as the other is above it.',
    whenNot: 'The number in the middle is not easy to square.',
    because: ['47 and 53 are both 3 from 50.', '50 × 50 = 2500 and 3 × 3 = 9.', '2500 − 9 = 2491.'],
  },
  none: 'the two factors are not the same distance from a round number',
  askMiddle: 'Which round number lies in the middle?',
  whyMiddle: (middle: string, distance: string) => `Both are ${distance} away from ${middle}.`,
  askSquare: 'The middle squared: how much?',
  whySquare: 'That is the product if both were in the middle.',
  askDistance: 'The distance squared: how much?',
  whyDistance: (distance: string) => `Each is ${distance} away from the middle.`,
  whyLess: 'The product is smaller than the square by just that.',
  added: (right: string) => `Take it away, do not add it: ${right}.`,
  doubled: (right: string) => `Square the distance: ${right}.`,
  missing: (right: string) => `Take the distance squared away: ${right}.`,
} as const

export const NEAR_FIFTY = {
  name: 'Square near 50',
  about: '25 and the gap in front, the gap squared behind.',
  lesson: {
    example: '54^2',
    when: 'The number is up to 15 away from 50.',
    whenNot: 'It ends in 5: then the way for fives is shorter.',
    because: [
      '50 squared is 25 hundreds.',
      '54 is 4 more: 25 + 4 = 29 hundreds.',
      'Behind it 4 × 4 = 16: 2916.',
    ],
  },
  far: (n: string) => `${n} is not near 50`,
  askGap: 'How far is it from 50?',
  whyGap: (right: string) => `${right}.`,
  askFront: 'How many hundreds in front?',
  whyFront: (above: boolean) => `25 ${above ? 'and' : 'less'} the gap.`,
  askBack: 'The gap squared: how much?',
  whyBack: 'It takes the last two places.',
  whyJoin: 'That many hundreds, and the gap squared.',
  wrongWay: (right: string) => `The gap goes the other way: ${right}.`,
  fifty: (right: string) => `Start from 25 hundreds, not from 50: ${right}.`,
  twice: (right: string) => `The gap counts once: ${right}.`,
} as const

export const BY_HEART = {
  squares: {
    name: 'Squares by heart',
    about: 'Squares to 25, known at once.',
    lesson: {
      example: '17^2',
      when: 'The number is at most 25.',
      whenNot: 'The number is larger: then work it from a round neighbour.',
      because: [
        '10 squared is 100, and 20 squared is 400.',
        '15 squared is 225.',
        'The others are learnt one by one.',
      ],
    },
    range: 'squares are known by heart from 1 to 25',
    why: 'It is learnt by heart, like the table.',
    neighbour: (right: string) => `That is a neighbour’s square: ${right}.`,
  },
  cubes: {
    name: 'Cubes',
    about: 'The square first, then once more times the number.',
    lesson: {
      example: '12^3',
      when: 'A number to 12 is cubed.',
      whenNot: 'It is squared only.',
      because: ['12 squared is 144.', '144 × 12 = 1728.', 'Cubes to 12 are soon known by heart.'],
    },
    range: 'cubes are asked from 2 to 15',
    ask: 'The square first: how much?',
    why: 'The cube is the square, once more times the number.',
    whyCube: 'Once more times the number.',
    tripled: (right: string) => `Times itself three times, not times 3: ${right}.`,
    squareOnly: (right: string) => `Once more times the number: ${right}.`,
    doubled: (right: string) => `Squared is times itself: ${right}.`,
  },
} as const

export const SQUARE_DIFFERENCE = {
  name: 'Difference of two squares',
  about: 'The sum of the two numbers times their difference.',
  lesson: {
    example: '54^2-46^2',
    when: 'One square is taken from another.',
    whenNot: 'The squares are added.',
    because: ['54 + 46 = 100.', '54 − 46 = 8.', '100 × 8 = 800.'],
  },
  none: 'it works the difference of two squares',
  askSum: 'The two numbers added: how much?',
  askDifference: 'The first less the second: how much?',
  why: 'The sum times how far they are apart.',
  squared: (right: string) => `The difference times the sum, not squared: ${right}.`,
  sumOnly: (right: string) => `Times how far they are apart: ${right}.`,
  wrongSign: (right: string) => `The second is the smaller one: ${right}.`,
} as const

export const POWERS = {
  name: 'Powers and their laws',
  about: 'Add the exponents of a product, take them apart in a quotient, and square what is known.',
  lesson: {
    example: '3^7/3^5',
    when: 'One number is raised to a power, or two powers of it are multiplied or divided.',
    whenNot: 'The two powers have different numbers below.',
    because: ['7 threes over 5 threes.', '7 − 5 = 2 threes are left.', '3 × 3 = 9.'],
  },
  none: 'it works powers of one number',
  large: 'the power is too large to be worked in the head',
  askExponent: 'How many times is the number a factor in all?',
  whyProduct: 'In a product the exponents are added.',
  whyQuotient: 'In a quotient the second exponent is taken from the first.',
  multiplied: (right: string) => `The exponents are not multiplied: ${right}.`,
  added: (right: string) => `Take it away: ${right}.`,
  taken: (right: string) => `Add them: ${right}.`,
  askHalf: (exponent: string) => `With exponent ${exponent} first: how much?`,
  whyHalf: (exponent: string) => `Half of the factors, ${exponent} of them.`,
  why: 'The two parts multiplied.',
  whyOne: 'The number once is the number.',
  times: (right: string) => `Times itself so often, not times the exponent: ${right}.`,
  halfOnly: (right: string) => `That is half of the factors only: ${right}.`,
  onceMore: (right: string) => `One factor too few: ${right}.`,
} as const

export const SUBSETS = {
  name: 'Subsets of a set',
  about: 'Each member is in or out: 2 times itself as often as there are members.',
  lesson: {
    example: 'subsets(6)',
    when: 'It is asked how many subsets a set has, the empty one and the whole one too.',
    whenNot: 'Only subsets of one size are asked.',
    because: [
      'Every member is in or out: two ways each.',
      '3 members make 2 × 2 × 2 = 8.',
      '6 members make 8 × 8 = 64.',
    ],
  },
  none: 'it counts the subsets of a set of 2 to 12',
  ask: (n: string) => `Subsets of ${n} of the members: how many?`,
  whyHalf: 'Two ways for each member.',
  why: 'Each choice of the first goes with each of the others.',
  doubled: (right: string) => `Two ways for each member are multiplied: ${right}.`,
  squared: (right: string) => `2 is multiplied by itself, not the number of members: ${right}.`,
  empty: (right: string) => `The empty set counts too: ${right}.`,
  once: (right: string) => `One member too few or too many: ${right}.`,
} as const
