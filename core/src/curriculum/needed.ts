import type { TechniqueId } from '../registry/techniques.js'

/**
 * The facts that come up in problems of the first level of each technique, by the ids of their cards: as the test of
 * needs.ts finds them, which writes this file anew when run with -u.
 */
export const NEEDED: Readonly<Record<TechniqueId, string>> = {
  'add-running-total': '2+5 2+6 2+7 2+3 3+5 4+4 3+3 3+4 2+4 4+5',
  'add-place-sweep': '2+5 2+6 2+7 2+3 3+5 4+4 3+3 3+4 2+4 4+5',
  'add-pairs': '4+6 3+4 7+7 2+4 4+8 2+5 3+7 6+9 3+5 5+5 3+9 6+8 2+8 5+8 5+9 7+8 8+9 7+9 4+9 8+8 2+3 2+6 4+5',
  'add-columns-left': '2+5 2+2 3+3 4+4 2+6 2+4 2+3 4+5 2+7 3+6 3+4 3+5',
  'add-column-totals':
    '3+4 4+7 3+6 2+9 7+9 6+6 6+9 3+5 3+8 2+8 3+9 2+2 4+9 4+5 7+7 5+9 4+4 2+4 7+8 5+8 2+7 5+6 4+6 6+8 5+5 5+7 2+3 9+9 8+8 8+9 2+6 4+8 6+7',
  'add-compensation': '2+4 c10:1 5+8 3+5 3+3 4+6 3+8 6+8 c5:1 4+8 8+9 2+5 4+7 5+5 7+8 5+9',
  'subtract-hold-drop': 'c5:4 c5:1 c5:2 c5:5 c5:3',
  'subtract-complement': 'c5:4 c5:1 c5:2 c5:5 c5:3',
  'add-blocks': '3+5 2+5 2+6 2+7 2+3 3+6 3+4 4+5 4+4 3+3 2+4',
  'subtract-blocks': 'c5:2 c5:5 c5:3 c5:1',
  'subtract-round-up': '11-5 c10:2 15-7 15-8 12-6 16-8 13-9 12-3 11-4 17-8 11-7',
  'multiply-addition': '4x8 2x8 2x2 2x4 2x5 4x5 3x4 2x3 3x8 2x7 2x6 6x7 6x6 8x9 4x7 3x3 5x9 8x8 6x8 6x9',
  'multiply-subtraction':
    '2x8 c10:2 3x8 c10:8 8x9 3x6 c10:6 2x6 5x6 7x8 c10:7 3x9 c10:3 4x8 c10:4 7x7 2x9 6x8 4x5 c10:5 2x3 2x5 6x7 4x9 2x7 5x8 2x4 8x8 3x4 c10:9 4x6',
  'multiply-factors':
    '2x6 2x8 6x7 4+7 3x3 8x9 2x5 5x9 5x7 5x5 3x5 2+5 5x6 3x7 4x4 2x7 4x7 2+7 2x4 6x8 4x8 2x3 3x8 3+6 3x4 2x9 3x9 9x9 4x5 3+8 6x6 7x8 6x9 4+9',
  'multiply-crosswise': '4x8 2x8 2x4 2x2 2x5 4x5 3x4 2x3 3x8 2x7 2x6 6x7 6x6 8x9 4x7 3x3 5x9 8x8 6x8 6x9',
  'multiply-repunit': '2+4 3+4 2+7 2+5 2+3 2+2 3+5 4+4 4+5 3+6 3+3',
  'multiply-complement-repdigit':
    '7x8 3x7 5x9 6x9 2x8 8x9 2x3 3x9 2x6 6x7 4x6 5x8 6x8 3x4 4x8 5x6 6x6 2x4 2x7 4x9 2x5 7x9 5x7 3x6 2x9 9x9 4x5 3x3 3x8 2x2 5x5',
  'multiply-same-head': '2x8 2x3 3x7 3x4 4x6 5x6 4x5',
  'multiply-near-base':
    'c10:9 c10:5 c5:1 c10:7 3x5 c10:6 c5:4 4x5 c10:8 2x3 c5:5 5x5 2x4 3x4 c5:3 2x5 3x3 2x2 c5:2 4x4',
  'multiply-by-nines': 'c10:4 c10:6 c5:1 c10:5 c10:3 c10:2 c10:8 c10:7',
  'multiply-double-halve': '2x5 2x2 2x7 2x4 2x3 2x9 2x6 2x8',
  'multiply-common-factor':
    '4+6 3x9 2+8 2x2 4x4 4x9 5x7 3+7 5x6 2x5 4x6 5x5 3x5 3x4 5+5 3x6 2+2 4x5 2x8 5x9 2x9 2x4',
  'divide-short': 'c5:3',
  'square-ending-five': '4x5 5x6 7x8 2x3 8x9 6x7 3x4',
  'square-near-base':
    'c10:7 3x3 7+7 7x7 4+4 6+6 6x6 2+3 c10:6 4x4 c10:5 c5:5 5x5 c10:8 2x2 9+9 9x9 8+8 c10:9 8x8 5+5 3+3 2+2',
  'square-round-balance':
    '2x5 5x5 2x8 2x4 4x4 2x2 2x3 3x3 4x8 3x4 2+3 8x8 2x6 6x6 6x8 5x6 7x8 6x7 2+5 3x8 2+6 2x7 7x7 5x8 4x5 6+6',
  'square-duplex': '2x2 2x3 2x6 3x3 2x9 2x4',
  'root-estimate': '5x5 2x5 8x8 c5:4 2x8 7x7 12-9 2x7 9x9 c5:1 2x9 6x6 2x6 c10:9 c10:6 13-9 11-9',
  'root-duplex':
    '3x3 c10:9 2x3 9x9 2x9 4x4 2x4 7x7 13-9 2x7 6x6 c10:6 2x6 8x8 2x8 11-6 5x5 11-5 2x5 14-6 c5:5 12-6 c10:5 15-9 12-9 c5:4',
  'soroban-read': '',
  'soroban-set': '',
  'soroban-add': '2+6 3+6 2+7 3+5 2+2 4+5 2+5',
  'soroban-multiply': '4x8 2x8 2x2 2x4 2x5 4x5 3x4 2x3 3x8 2x7 2x6 6x7 6x6 8x9 4x7 3x3 5x9 8x8 6x8 6x9',
  'flash-sum':
    '3+4 4+7 3+3 6+9 3+5 3+8 8+9 7+7 4+6 4+5 7+9 3+9 2+8 2+3 5+9 3+7 2+4 6+6 4+9 8+8 2+6 6+8 5+6 2+9 6+7 5+7 2+5 7+8 3+6',
  'paper-operations':
    '7x9 11-3 6x9 4+6 c10:3 3x8 4+5 5x8 c5:4 8x8 13-4 4x5 2x8 12-6 c5:1 3x5 12-5 4x7 13-8 4x8 2+4 5x7 c5:3 11-6 4+4 7x7 13-9 5x6 6x8 12-8 6x7 8x9 c5:2 2x7 7x8 2x5 2x4 c10:8 14-8 3x9',
  'paper-by-fives': 'c5:4',
  'paper-by-seventy-five': '3x3 3x6 2x3 3x9 3x7 3x8 3x4',
  'paper-by-twelve':
    '2x4 2x5 2x3 3+8 2x8 2x9 8+9 4+8 2x2 5+5 2x6 6+9 4+6 5+8 2x7 7+7 5+7 7+8 3+9 9+9 5+9 6+7 3+6 2+8',
  'paper-same-distance': 'c10:1 5x5 3x3 c10:9 2x2 c10:4 4x4',
  'paper-squares': '12x12 8x8 3x3 10x10 6x6 5x5 7x7 11x11 4x4 2x2 9x9',
  'paper-near-fifty': '4+5 4x4 5+5 5x5 5+7 7x7 5+9 9x9 2+5 2x2 5+8 8x8 5+6 6x6 3+5 3x3',
  'paper-square-difference':
    '11-9 2x2 4+6 2+2 2x5 3+7 13-7 4x6 2+8 5x6 2+3 14-6 6x8 6x6 12-8 2x6 3x4 2x4 5x8 2x8 3x8 2x3 4x5 4x8 4x4 3x6',
  'paper-cubes': '2x2 2x4 6x6 3x6 3+8 3x3 3x9 4x4 4x6 2+4 5x5 2x5',
  'paper-cube-root': '',
  'paper-powers':
    '3x9 7x9 2x9 6+8 2x8 6x8 4+8 10x10 2x2 4x4 7x7 2x7 4+4 3x3 9x9 2x4 8x8 2x6 2x3 6+6 4x8 16x16 3x6 2+9',
  'paper-with-remainder': '12-6 c5:5 11-8 c10:7 c10:6 c5:4 c10:8 12-4 c10:4 c10:9 c10:5 11-9 12-8 11-6',
  'paper-remainder': '4+7 11-9 3+6 5+9 14-9 2+9 5+5 c10:9 7+9 6+9 c5:4 3+5 4+8 12-9 4+9 3+3 2+7 7+8 3+8 15-9',
  'paper-gcf-lcm': '12-4 11-5 c10:5 c5:4 14-6 c10:2 11-8 c5:2 c5:5 12-9 11-6 12-6 15-6',
  'paper-divisors': '2x4 2x5 2x3 2x6 3x3',
  'paper-conversion': '5x5 2x5 2x2 2x4 3x5 2x3 5x7 2x7 3+4',
  'paper-percent': '3x4 2x7 4x7 2+7 6x7 2x3 2x4 4x5 2+4 2x9 2x2 5x9 3x3 7x7 7x8 4x9 3+9',
  'paper-fractions':
    '5x5 7x9 4x8 2x8 6x8 3x5 7x8 3x8 5x7 8x8 5x6 2x7 4x5 3x7 4x6 2x6 7x7 9x9 3x4 2x4 5x9 6x6 2x2 2x5 6x7 4x9 5x8',
  'paper-mixed-head': '2x3 2x2 3x3 6x7 5x6 4x4 7x8 4x5 3x4 8x9',
  'paper-compare':
    '4x8 5x7 2x3 3x9 2x4 2x7 3x5 6x6 2x2 2x6 3x7 4x5 8x8 7x9 3x6 2x9 2x5 6x7 5x8 3x4 3x3 3x8 5x5 4x7 5x6 5x9 7x7',
  'paper-mean': 'c5:2 3+3 c10:2 c5:5 c10:1 2+6 2+4 4+5 3+6 2+3 c5:3',
  'paper-sequence':
    'c5:3 2+9 12-9 3+8 15-7 12-4 8+8 c5:5 13-9 14-6 c5:4 6+9 c10:8 2+4 c10:1 8+9 4+7 7+9 11-5 3+6 14-9 4+5 c5:1 3+4 c10:6 4+8 12-5 6+7 13-8 3+5 3+7 15-8 2+7',
  'paper-runs':
    '2x3 2x4 4+6 3x6 4+8 3x7 2+3 7x9 6+9 c10:1 5x6 2x5 2x7 5x9 2+4 4x9 2x9 3+8 4x4 2+9 5x7 3+5 4x7 2+7 8+9 6+6 4+9 7x8 5+8 3+7 5+7 3x8 4+5 5x8 9x9 8+8 5+6 c5:1 2+6 4x5 2+8',
  'paper-proportion': '',
  'paper-equation': '4+6 2+3 c10:5 13-7 6+8 c5:1 12-8 13-4 3+6 7+9 17-9 12-7 14-9 c5:5 c10:1 2+8 c10:2',
  'paper-roman': '',
  'paper-bases': '15-8 11-8 11-5 12-6 c10:8 14-8 c5:5 13-6',
  'paper-subsets': '2x2 2x4 4x8 4x4',
  'paper-units': '6x7 2+2 4x6 4+4 2+3 6x9 2x6 3x6 5+8 6x6 4+6 2+5 3+4 5x6 2+6 6x8 3+6 2+4 2+8',
  'paper-figures':
    '2+3 2x5 2x2 2+7 3+3 2x9 2x6 2x4 5+5 7+9 2x7 4+7 2x3 8+8 4+8 2+2 3+4 5+7 6+6 5+9 2+4 2x8 4+5 9+9 5+6 3+9 5+8',
  'paper-estimate':
    '5x7 5x6 2x7 5x8 4+5 5x9 9x9 4x7 4x5 4x8 2+2 2x6 3+5 6x6 3+6 8x8 2x8 3x5 3x7 2x3 2+6 3x9 2+7 2x9 6+8 4+8 6x8 6x9 3x4 2x2 3+8',
}
