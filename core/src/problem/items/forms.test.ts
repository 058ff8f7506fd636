import { expect, test } from 'vitest'
import { marked } from '../../number/marks.js'
import { answerText, printProblem, problemWords, readProblem, solvedWords } from '../expression.js'
import { answerOf } from '../problem.js'

test.each([
  ['7/8 as %', '87.5', '7/8 as a percentage: 87.5'],
  ['0.875 as fraction', '7/8', '0.875 as a fraction: 7/8'],
  ['66 2/3% as fraction', '2/3', '66 2/3 % as a fraction: 2/3'],
  ['12 1/2% of 72', '9', '12 1/2 % of 72 = 9'],
  ['18 is 15% of', '120', '18 is 15 % of what number: 120'],
  ['18 is what % of 120', '15', '18 is what percent of 120: 15'],
  ['36/9+7*5-2', '37', '36 ÷ 9 + 7 × 5 − 2 = 37'],
  ['47218 mod 9', '4', 'Remainder of 47\u2009218 ÷ 9: 4'],
  ['3000/7 r', '428r4', '3\u2009000 ÷ 7, with remainder: 428 r 4'],
  ['lcm(36,48)', '144', 'Least common multiple of 36, 48: 144'],
  ['gcf(36,48)', '12', 'Greatest common factor of 36, 48: 12'],
  ['mean(43,38,51,44)', '44', 'Mean of 43, 38, 51, 44: 44'],
  ['primes(72)', '2', 'How many different primes divide 72: 2'],
  ['divisors(72)', '12', 'How many divisors 72 has: 12'],
  ['divisorsum(72)', '195', 'The sum of all divisors of 72: 195'],
  ['MCDXLVI', '1446', 'MCDXLVI = 1\u2009446'],
  ['roman(1446)', 'MCDXLVI', '1\u2009446 as a Roman numeral: MCDXLVI'],
  ['47 in base 6', '115', '47 in base 6: 115'],
  ['255 in base 16', 'FF', '255 in base 16: FF'],
  ['115 from base 6', '47', '115 (base 6) in base 10: 47'],
  ['5/8 ? 7/11', 'second', 'Which is larger: 5/8 or 7/11? 7/11'],
  ['order 1/2, 3/5, 4/7', '021', 'In order, smallest first: 1/2, 3/5, 4/7: 1/2 < 4/7 < 3/5'],
  ['8:12 = x:21', '14', '8 : 12 = x : 21: x = 14'],
  ['36:48 as ratio', '3:4', '36 : 48 in lowest terms: 3 : 4'],
  ['next 3, 7, 11, 15', '19', 'Next: 3, 7, 11, 15, …: 19'],
  ['missing 3, 7, _, 15', '11', 'Missing: 3, 7, _, 15: 11'],
  ['1+3+5+...+27', '196', '1 + 3 + 5 + … + 27 = 196'],
  ['3x-7=20', '9', '3x − 7 = 20: x = 9'],
  ['3/4+5/6', '19/12', '3/4 + 5/6 = 19/12'],
  ['3/4 ÷ 5/6', '9/10', '3/4 ÷ 5/6 = 9/10'],
  ['6 1/3*6 2/3', '42_2/9', '6 1/3 × 6 2/3 = 42 2/9'],
  ['cbrt(17576)', '26', '∛17\u2009576 = 26'],
  ['54^2-46^2', '800', '54² − 46² = 800'],
  ['2^10', '1024', '2¹⁰ = 1\u2009024'],
  ['3^7/3^5', '9', '3⁷ ÷ 3⁵ = 9'],
  ['subsets(5)', '32', 'How many subsets a set of 5 has: 32'],
  ['2 h 35 min in min', '155', '2 h 35 min in min: 155'],
  ['3.4 km in m', '3400', '3.4 km in m: 3\u2009400'],
  ['perimeter(7,4)', '22', 'Perimeter of a rectangle 7 by 4: 22'],
  ['volume(5)', '125', 'Volume of a cube with side 5: 125'],
  ['surface(2,3,4)', '52', 'Surface of a block 2 by 3 by 4: 52'],
  ['x+4=9', '5', 'x + 4 = 9: x = 5'],
  ['x/3+2=5', '9', 'x ÷ 3 + 2 = 5: x = 9'],
  ['2x/3-1=5', '9', '2x ÷ 3 − 1 = 5: x = 9'],
  ['~39*51*11', '21879', 'About 39 × 51 × 11 ≈ 21\u2009879'],
  ['~sqrt(8150)', '90.27735', 'About √8\u2009150 ≈ 90.27735'],
])('"%s" is %s', (text, answer, solved) => {
  const item = readProblem(text)
  expect([answerText(item), solvedWords(item, answerOf(item))]).toEqual([answer, marked(solved)])
  expect(readProblem(printProblem(item))).toEqual(item)
  expect(marked(solved).startsWith(problemWords(item))).toBe(true)
})

test('what stands on the rule is read as before, however it might be read otherwise', () => {
  for (const [text, kind] of [
    ['36:48', 'quotient'],
    ['3x4', 'product'],
    ['4998*3+6', 'product-sum'],
    ['54^2', 'square'],
    ['7/8', 'quotient'],
  ] as const)
    expect(readProblem(text).kind, text).toBe(kind)
})
