/** Names of places: powers of ten, 0 = units (short scale). */
import { present } from './present.js'

/** Powers of a thousand by name, from 1 up. */
export const GROUPS = [
  '',
  'thousand',
  'million',
  'billion',
  'trillion',
  'quadrillion',
  'quintillion',
  'sextillion',
  'septillion',
  'octillion',
  'nonillion',
  'decillion',
  'undecillion',
  'duodecillion',
]
const FRACTIONS = ['tenths', 'hundredths', 'thousandths']

/** The name of a place in lower case: "units", "tens", "hundreds", "ten thousands", "tenths"... */
export function placeName(place: number): string {
  if (place < 0) return FRACTIONS[-place - 1] ?? `decimal place ${-place}`
  const group = GROUPS[Math.floor(place / 3)] ?? `10^${3 * Math.floor(place / 3)}`
  const within = place % 3
  if (!group) return present(['units', 'tens', 'hundreds'][within])
  return within === 0 ? `${group}s` : `${['', 'ten', 'hundred'][within]} ${group}s`
}

/** The same with a capital, for the head of a sentence. */
export function placeTitle(place: number): string {
  const name = placeName(place)
  return name.charAt(0).toUpperCase() + name.slice(1)
}
