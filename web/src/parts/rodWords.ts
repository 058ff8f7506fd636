/** What stands on a frame, in words for whoever does not see it. */
import { placeName } from '@tachymetra/core/number'
import { beadsOf, type Frame, highestRod, rodAt } from '@tachymetra/core/soroban'

/** "heaven bead and 2 earth beads at the bar" */
export function beadWords(value: number): string {
  const { heaven, earth } = beadsOf(value)
  const parts = [
    ...(heaven ? ['heaven bead'] : []),
    ...(earth ? [`${earth} earth ${earth === 1 ? 'bead' : 'beads'}`] : []),
  ]
  return `${parts.join(' and ') || 'no bead'} at the bar`
}

/** Rod by rod from the highest that has beads at the bar, without its value: that is to be read. */
export function rodsAloud(frame: Frame): string {
  const places = Array.from({ length: frame.rods.length }, (_, i) => highestRod(frame) - i)
  const first = places.findIndex((p) => rodAt(frame, p) > 0)
  if (first < 0) return 'No bead is at the bar.'
  return places
    .slice(first)
    .map((p) => `${placeName(p)}: ${beadWords(rodAt(frame, p))}.`)
    .join(' ')
}
