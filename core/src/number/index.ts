export { byTime, dayAfter, dayIn, instantOf, weekOf } from './days.js'
export {
  absolute,
  add,
  type Decimal,
  decimal,
  digitAt,
  digitCount,
  equal,
  highestPlace,
  lowestPlace,
  readDecimal,
  toText,
  toWords,
  ZERO,
} from './decimal.js'
export { fixedWords, marked, POINT, piecesOf, THOUSANDS, typedByHand, unmarked } from './marks.js'
export { placeName } from './places.js'
export { normal, type Random, seeded } from './random.js'
export { median, middleOf } from './statistics.js'
export { inWords } from './words.js'
