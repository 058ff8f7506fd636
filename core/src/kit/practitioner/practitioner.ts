/**
 * What a practitioner says aloud, worked out from the numbers alone: for each technique the ways people work it and the
 * habits they have on the way. Shares no code with the techniques; only the numbers of a problem are read from it.
 */
import type { CourseId } from '../../registry/techniques.js'
import type { Technique } from '../../technique/contract.js'
import {
  blocksUp,
  columnsLeft,
  columnTotals,
  compensation,
  pairs,
  placeSweep,
  runningTotal,
} from './addition.js'
import { crosswise, repunit, squareDuplex } from './columns.js'
import { alone, beadsAdd, beadsMultiply, flash } from './frame.js'
import { byNines, endingFive, nearBase, repdigit, sameHead, squareNear } from './front-back.js'
import {
  balance,
  byFactors,
  commonFactor,
  doubleHalve,
  roundBack,
  shortDivision,
  splitAdd,
} from './multiplication.js'
import type { Speaker } from './numbers.js'
import { item } from './paper.js'
import { estimate, rootDuplex } from './roots.js'
import { blocksDown, columnsDown, roundUp } from './subtraction.js'

export type { Spoken } from './numbers.js'

/** What is said of a technique of the course, by its id. */
const OF_COURSE: Readonly<Record<CourseId, Speaker>> = {
  'add-running-total': runningTotal,
  'add-place-sweep': placeSweep,
  'add-pairs': pairs,
  'add-columns-left': columnsLeft,
  'add-column-totals': columnTotals,
  'add-compensation': compensation,
  'subtract-hold-drop': columnsDown(false),
  'subtract-complement': columnsDown(true),
  'add-blocks': blocksUp,
  'subtract-blocks': blocksDown,
  'subtract-round-up': roundUp,
  'multiply-addition': splitAdd,
  'multiply-subtraction': roundBack,
  'multiply-factors': byFactors,
  'multiply-crosswise': crosswise,
  'multiply-repunit': repunit,
  'multiply-complement-repdigit': repdigit,
  'multiply-same-head': sameHead,
  'multiply-near-base': nearBase,
  'multiply-by-nines': byNines,
  'multiply-double-halve': doubleHalve,
  'multiply-common-factor': commonFactor,
  'divide-short': shortDivision,
  'square-ending-five': endingFive,
  'square-near-base': squareNear,
  'square-round-balance': balance,
  'square-duplex': squareDuplex,
  'root-estimate': estimate,
  'root-duplex': rootDuplex,
  'soroban-read': alone,
  'soroban-set': alone,
  'soroban-add': beadsAdd,
  'soroban-multiply': beadsMultiply,
  'flash-sum': flash,
}

/** What practitioners say while they work by a technique; of an item of a paper alike whatever its kind. */
export const speakerOf = ({ id, family }: Technique): Speaker =>
  family === 'paper' ? item : OF_COURSE[id as CourseId]
