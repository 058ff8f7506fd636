/** What stands on a frame, in words for whoever does not see it. */
import { placeName } from '@tachymetra/core/number'
import { beadsOf, type Frame, highestRod, rodAt } from '@tachymetra/core/soroban'
import type { Hand } from './rodKeys.js'

/** "heaven bead and 2 earth beads at the bar" */
export function beadWords(value: number): string {
  const { heaven, earth } = beadsOf(value)
  const parts = [
    ...(heaven ? ['heaven bead'] : []),
    ...(earth ? [`${earth} earth ${earth === 1 ? 'bead' : 'beads'}`] : []),
  ]
  return `${parts.join(' and ') || 'no bead'} at the bar`
}

/** What has come about on a frame: every rod that shows another digit, and the rod that is chosen now; empty for nothing. */
export function rodsChanged(was: Hand, is: Hand): string {
  const words = (place: number) => `${placeName(place)} rod: ${rodAt(is.frame, place)}.`
  const changed = placesOf(is.frame).filter((p) => rodAt(was.frame, p) !== rodAt(is.frame, p))
  const chosen = is.chosen !== was.chosen && !changed.includes(is.chosen) ? [is.chosen] : []
  return [...changed, ...chosen].map(words).join(' ')
}

/** The places of a frame, the highest first. */
const placesOf = (frame: Frame) => frame.rods.map((_, i) => highestRod(frame) - i)

/** Rod by rod from the highest that has beads at the bar, without its value: that is to be read. */
export function rodsAloud(frame: Frame): string {
  const places = placesOf(frame)
  const first = places.findIndex((p) => rodAt(frame, p) > 0)
  if (first < 0) return 'No bead is at the bar.'
  return places
    .slice(first)
    .map((p) => `${placeName(p)}: ${beadWords(rodAt(frame, p))}.`)
    .join(' ')
}
