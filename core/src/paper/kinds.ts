/** The paper kinds in teaching order. Adding one is adding a line here. */
import type { Technique } from '../technique/contract.js'
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

export const PAPER_KINDS = [
  operations,
  byFives,
  bySeventyFive,
  byTwelve,
  sameDistance,
  squaresByHeart,
  nearFifty,
  squareDifference,
  cubes,
  cubeRoots,
  powers,
  withRemainder,
  remainders,
  common,
  divisors,
  conversion,
  percent,
  fractions,
  mixedHead,
  compared,
  mean,
  sequence,
  runs,
  proportion,
  equation,
  roman,
  bases,
  subsets,
  units,
  figures,
  estimates,
] as const satisfies readonly Technique[]
