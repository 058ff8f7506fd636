import { describeTechnique } from '../kit/describe.js'
import { bySeventyFive } from './by-seventy-five.js'
import { compared } from './compared.js'
import { conversion } from './conversion.js'
import { cubeRoots } from './cube-root.js'
import { equation } from './equation.js'
import { estimates } from './estimates.js'
import { common, divisors } from './factors.js'
import { figures } from './figures.js'
import { fractions } from './fractions.js'
import { mean } from './mean.js'
import { mixedHead } from './mixed-head.js'
import { bases, roman } from './numerals.js'
import { operations } from './operations.js'
import { percent } from './percent.js'
import { cubes, nearFifty, powers, squareDifference, squaresByHeart, subsets } from './powers.js'
import { byFives, byTwelve, sameDistance } from './products.js'
import { proportion } from './proportion.js'
import { remainders, withRemainder } from './remainders.js'
import { runs } from './runs.js'
import { sequence } from './sequence/sequence.js'
import { units } from './units.js'

describeTechnique(operations, {
  examples: [
    ['36/9+7*5-2', '4 35 37'],
    ['50-6*7', '42 8'],
  ],
  refuses: [
    ['36/9', 'several operations'],
    ['7/2+3*4', 'does not come out even'],
  ],
  slips: [
    ['36/9+7*5-2', '37', '53', 'wrong-question'],
    ['36/9+7*5-2', '35', '11', 'wrong-question'],
    ['36/9+7*5-2', '37', '41', 'wrong-sign'],
  ],
})
describeTechnique(byFives, {
  examples: [
    ['48*25', '12 1200'],
    ['25*48', '12 1200'],
    ['72*125', '9 9000'],
    ['1325/25', '5300 53'],
  ],
  refuses: [
    ['36*125', 'cannot be divided by 8'],
    ['48*24', '5, 25, 50 or 125'],
  ],
  slips: [
    ['48*25', '12', '24', 'wrong-part'],
    ['48*25', '1200', '120', 'zeros-miscounted'],
    ['1325/25', '5300', '2650', 'wrong-part'],
  ],
})
describeTechnique(bySeventyFive, {
  examples: [
    ['28*75', '7 21 2100'],
    ['75*36', '9 27 2700'],
    ['996*75', '249 747 74700'],
  ],
  refuses: [
    ['26*75', 'cannot be divided by 4'],
    ['28*74', 'products with 75'],
  ],
  slips: [
    ['28*75', '7', '14', 'wrong-part'],
    ['28*75', '21', '7', 'factor-left-out'],
    ['28*75', '2100', '210', 'zeros-miscounted'],
  ],
})
describeTechnique(byTwelve, {
  examples: [
    ['34*15', '340 170 510'],
    ['23*12', '230 46 276'],
    ['101*47', '4700 4747'],
  ],
  refuses: [['33*15', '12, 15 or 101']],
  slips: [
    ['34*15', '170', '34', 'factor-left-out'],
    ['34*15', '170', '340', 'not-halved'],
    ['101*47', '4747', '4700', 'part-left-out'],
  ],
})
describeTechnique(sameDistance, {
  examples: [['47*53', '50 2500 9 2491']],
  refuses: [['47*52', 'same distance']],
  slips: [
    ['47*53', '9', '6', 'doubled-not-squared'],
    ['47*53', '2491', '2509', 'added'],
    ['47*53', '2491', '2500', 'part-left-out'],
  ],
})
describeTechnique(squaresByHeart, {
  // Squares to 25 (any published table of squares).
  examples: [
    ['17^2', '289'],
    ['25^2', '625'],
  ],
  refuses: [['26^2', 'by heart']],
  slips: [
    ['17^2', '289', '34', 'doubled-not-squared'],
    ['17^2', '289', '324', 'fact'],
  ],
})
describeTechnique(nearFifty, {
  examples: [
    ['54^2', '4 29 16 2916'],
    ['38^2', '12 13 144 1444'],
  ],
  refuses: [['70^2', 'not near 50']],
  slips: [
    ['54^2', '29', '21', 'gap-wrong-way'],
    ['54^2', '29', '54', 'own-gap'],
    ['54^2', '16', '8', 'doubled-not-squared'],
  ],
})
describeTechnique(squareDifference, {
  examples: [['54^2-46^2', '100 8 800']],
  slips: [
    ['54^2-46^2', '800', '64', 'squared'],
    ['54^2-46^2', '800', '100', 'not-multiplied'],
  ],
})
describeTechnique(cubes, {
  examples: [['12^3', '144 1728']],
  refuses: [['16^3', '2 to 15']],
  slips: [
    ['12^3', '1728', '36', 'doubled-not-squared'],
    ['12^3', '1728', '144', 'not-multiplied'],
    ['12^3', '144', '24', 'doubled-not-squared'],
  ],
})
describeTechnique(cubeRoots, {
  examples: [
    ['cbrt(17576)', '6 2 26'],
    ['cbrt(21952)', '8 2 28'],
  ],
  slips: [
    ['cbrt(21952)', '8', '2', 'fact'],
    ['cbrt(17576)', '2', '3', 'too-many'],
    ['cbrt(17576)', '26', '62', 'wrong-way'],
  ],
})
describeTechnique(powers, {
  examples: [
    ['2^10', '32 1024'],
    ['3^7/3^5', '2 9'],
    ['2^3*2^4', '7 16 128'],
  ],
  refuses: [
    ['2^3*3^4', 'powers of one number'],
    ['9^9', 'too large'],
  ],
  slips: [
    ['2^3*2^4', '7', '12', 'not-multiplied'],
    ['3^7/3^5', '2', '12', 'added'],
    ['2^10', '1024', '20', 'doubled-not-squared'],
  ],
})
describeTechnique(withRemainder, {
  examples: [
    ['3000/7 r', '4 2 2 6 8 4 428r4'],
    ['61/6 r', '1 0 1 10r1'],
  ],
  refuses: [['100/13 r', '2 to 12']],
  slips: [
    ['3000/7 r', '428r4', '428', 'rest-forgotten'],
    ['61/6 r', '10r1', '1r1', 'zero-left-out'],
    ['3000/7 r', '4', '3', 'too-few'],
  ],
})
describeTechnique(remainders, {
  examples: [
    ['47218 mod 9', '22 4'],
    ['47218 mod 3', '22 1'],
    ['47218 mod 11', '6 6'],
    ['47218 mod 4', '18 2'],
    ['47218 mod 8', '218 2'],
    ['47218 mod 6', '22 1 0 4'],
    ['47218 mod 7', '5 3 3 3'],
  ],
  refuses: [['100 mod 13', '2 to 12']],
  slips: [
    ['47218 mod 9', '4', '2', 'wrong-question'],
    ['81 mod 11', '-7', '7', 'wrong-sign'],
    ['47218 mod 4', '18', '8', 'digit-left-out'],
    ['47218 mod 6', '4', '1', 'part-left-out'],
  ],
})
describeTechnique(common, {
  examples: [
    ['gcf(36,48)', '12 12'],
    ['lcm(36,48)', '12 12 3 144'],
  ],
  refuses: [['gcf(12,18,30)', 'two numbers']],
  slips: [
    ['gcf(36,48)', '12', '144', 'wrong-question'],
    ['lcm(36,48)', '144', '12', 'wrong-question'],
    ['lcm(36,48)', '144', '1728', 'not-divided'],
    ['gcf(36,48)', '12', '6', 'too-few'],
  ],
})
describeTechnique(divisors, {
  // 72 = 2^3 × 3^2; numbers and sums of divisors: OEIS A000005, A000203 (from memory).
  examples: [
    ['primes(72)', '3 2 2'],
    ['divisors(72)', '3 2 12'],
    ['divisorsum(72)', '3 2 15 13 195'],
  ],
  refuses: [['divisors(74)', 'too large']],
  slips: [
    ['divisors(72)', '12', '6', 'one-more-forgotten'],
    ['divisors(72)', '12', '7', 'added-not-multiplied'],
    ['primes(72)', '2', '5', 'doubled'],
    ['divisorsum(72)', '195', '28', 'added-not-multiplied'],
  ],
})
describeTechnique(conversion, {
  examples: [
    ['7/8 as %', '12.5 87.5'],
    ['7/8 as decimal', '0.125 0.875'],
    ['0.875 as fraction', '1000 125 8 7/8'],
    ['87.5% as fraction', '1000 125 8 7/8'],
    ['2/3 as %', '33_1/3 66_2/3'],
    ['66 2/3% as fraction', '300 100 3 2/3'],
  ],
  refuses: [['5/13 as %', 'not one of those']],
  slips: [
    ['7/8 as %', '87.5', '12.5', 'not-multiplied'],
    ['7/8 as %', '12.5', '1.25', 'zeros-miscounted'],
    ['0.875 as fraction', '7/8', '8/7', 'divided-upside-down'],
  ],
})
describeTechnique(percent, {
  examples: [
    ['12 1/2% of 72', '8 9 9'],
    ['37 1/2% of 72', '8 9 27'],
    ['18 is 15% of', '20 6 120'],
    ['18 is what % of 120', '20 5 15'],
  ],
  slips: [
    ['37 1/2% of 72', '27', '9', 'not-multiplied'],
    ['18 is what % of 120', '15', '5', 'not-multiplied'],
    ['18 is 15% of', '120', '2.7', 'wrong-question'],
  ],
})
describeTechnique(fractions, {
  examples: [
    ['3/4+5/6', '12 9 10 19 19/12'],
    ['5/6-3/4', '12 10 9 1 1/12'],
    ['3/4*5/6', '15 24 5/8'],
    ['(3/4)/(5/6)', '18 20 9/10'],
    ['3/4+4/3', '1 12 25/12'],
    ['2 1/2+1 3/4', '3 4 2 3 5 4_1/4'],
  ],
  refuses: [['2 1/2*1 3/4', 'added only']],
  slips: [
    ['3/4+5/6', '19/12', '4/5', 'added-not-multiplied'],
    ['(3/4)/(5/6)', '9/10', '5/8', 'straight-not-cross'],
    ['3/4+4/3', '25/12', '1/12', 'part-left-out'],
  ],
})
describeTechnique(mixedHead, {
  examples: [['6 1/3*6 2/3', '42 2 9 42_2/9']],
  refuses: [['6 1/3*7 2/3', 'same head']],
  slips: [
    ['6 1/3*6 2/3', '42', '36', 'one-more-forgotten'],
    ['6 1/3*6 2/3', '42_2/9', '43', 'added-not-multiplied'],
    ['6 1/3*6 2/3', '9', '3', 'not-squared'],
  ],
})
describeTechnique(compared, {
  examples: [
    ['5/8 ? 7/11', '55 56 second'],
    ['order 1/2, 3/5, 4/7', '5 6 21 20 7 8 021'],
  ],
  slips: [
    ['5/8 ? 7/11', 'second', 'first', 'wrong-way'],
    ['5/8 ? 7/11', '55', '35', 'straight-not-cross'],
    ['order 1/2, 3/5, 4/7', '021', '120', 'wrong-way'],
  ],
})
describeTechnique(mean, {
  examples: [['mean(43,38,51,44)', '40 16 4 44']],
  refuses: [['mean(4.5,5.5)', 'whole numbers']],
  slips: [
    ['mean(43,38,51,44)', '16', '20', 'wrong-sign'],
    ['mean(43,38,51,44)', '44', '56', 'not-divided'],
    ['mean(43,38,51,44)', '44', '4', 'part-left-out'],
  ],
})
describeTechnique(sequence, {
  examples: [
    ['next 3, 7, 11, 15', '4 19'],
    ['next 3, 6, 12, 24', '2 48'],
    ['next 9, 16, 25, 36', '7 49'],
    ['next 1, 8, 27, 64', '5 125'],
    ['next 11, 13, 17, 19', '19 23'],
    ['next 2, 5, 7, 12, 19', '19 31'],
    ['missing 3, 7, _, 15', '4 11'],
    ['next 9, 25, 49, 81', '11 121'],
    ['next 6, 10, 15, 21', '7 28'],
    ['next 12, 20, 30, 42', '7 56'],
    ['next 8, 15, 24, 35', '7 48'],
    ['next 5, 7, 10, 14', '5 19'],
    ['missing 4, 10, _, 25', '7 17'],
    ['next 5, 11, 23, 47', '94 95'],
  ],
  slips: [
    ['next 3, 7, 11, 15', '19', '11', 'gap-wrong-way'],
    ['next 9, 16, 25, 36', '49', '47', 'gap-twice'],
    ['next 11, 13, 17, 19', '23', '21', 'fact'],
    ['next 5, 7, 10, 14', '19', '18', 'gap-twice'],
    ['next 5, 11, 23, 47', '95', '94', 'part-left-out'],
  ],
})
describeTechnique(runs, {
  examples: [
    ['1+3+5+...+27', '13 14 28 196'],
    ['1+2+...+40', '39 40 41 820'],
  ],
  slips: [
    ['1+2+...+40', '820', '1640', 'not-halved'],
    ['1+3+5+...+27', '14', '13', 'one-more-forgotten'],
    ['1+2+...+40', '820', '1600', 'squared'],
  ],
})
describeTechnique(proportion, {
  examples: [
    ['8:12 = x:21', '168 14'],
    ['x:12 = 8:16', '96 6'],
    ['36:48 as ratio', '12 3 3:4'],
  ],
  slips: [
    ['8:12 = x:21', '168', '252', 'wrong-question'],
    ['8:12 = x:21', '14', '17', 'added-not-multiplied'],
    ['36:48 as ratio', '3:4', '4:3', 'divided-upside-down'],
  ],
})
describeTechnique(equation, {
  examples: [
    ['3x-7=20', '27 9'],
    ['x/4+3=8', '5 20'],
  ],
  refuses: [['3x-7=21', 'one unknown']],
  slips: [
    ['3x-7=20', '27', '13', 'wrong-sign'],
    ['3x-7=20', '9', '27', 'not-divided'],
    ['x/4+3=8', '5', '11', 'added'],
  ],
})
describeTechnique(roman, {
  examples: [
    ['MCDXLVI', '1000 400 40 6 1446'],
    ['roman(1446)', 'M CD XL VI MCDXLVI'],
  ],
  slips: [
    ['MCDXLVI', '400', '600', 'added'],
    ['MCDXLVI', '1446', '1666', 'added'],
    ['roman(1446)', 'MCDXLVI', 'MCDVI', 'part-left-out'],
  ],
})
describeTechnique(bases, {
  examples: [
    ['47 in base 6', '7 5 1 1 115'],
    ['115 from base 6', '6 7 42 47'],
  ],
  refuses: [['47 in base 16', '2 to 12']],
  slips: [
    ['47 in base 6', '115', '511', 'previous-again'],
    ['115 from base 6', '42', '70', 'wrong-place'],
    ['115 from base 6', '47', '42', 'part-left-out'],
  ],
})
describeTechnique(subsets, {
  examples: [
    ['subsets(5)', '8 32'],
    ['subsets(6)', '8 64'],
  ],
  slips: [
    ['subsets(5)', '32', '10', 'doubled'],
    ['subsets(5)', '32', '25', 'squared'],
    ['subsets(5)', '32', '31', 'too-few'],
  ],
})
describeTechnique(units, {
  // BIPM, The International System of Units, 9th edition (2019), tables 7 and 8.
  examples: [
    ['2 h 35 min in min', '60 120 155'],
    ['3.4 km in m', '1000 3400'],
    ['750 g in kg', '1000 0.75'],
  ],
  refuses: [['5 min in min', 'changes units']],
  slips: [
    ['2 h 35 min in min', '155', '235', 'wrong-place'],
    ['3.4 km in m', '1000', '100', 'zeros-miscounted'],
    ['2 h 35 min in min', '60', '100', 'fact'],
  ],
})
describeTechnique(figures, {
  examples: [
    ['perimeter(17,8)', '25 50'],
    ['area(7,4)', '28'],
    ['volume(5)', '25 125'],
    ['surface(5)', '25 150'],
    ['surface(2,3,4)', '26 52'],
  ],
  slips: [
    ['perimeter(17,8)', '50', '136', 'wrong-question'],
    ['perimeter(17,8)', '50', '25', 'not-doubled'],
    ['volume(5)', '125', '150', 'wrong-question'],
  ],
})
describeTechnique(estimates, {
  examples: [
    ['~39*51*11', '40 50 22000'],
    ['~sqrt(8150)', '8100 90'],
  ],
  slips: [
    ['~39*51*11', '22000', '220000', 'zeros-miscounted'],
    ['~39*51*11', '22000', '2000', 'factor-left-out'],
    ['~sqrt(8150)', '90', '900', 'zeros-miscounted'],
  ],
})
