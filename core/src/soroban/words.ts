/** What is said about moves on the frame. */
import { placeName, placeTitle } from '../number/places.js'
import type { Frame } from './frame.js'
import { rodAt } from './frame.js'
import type { RodMove } from './moves.js'

/** What to do with a digit on its rod, as a teacher would say it: "8 will not go; take 2 off, 1 to the left." */
export function coach(frame: Frame, place: number, d: number, { kind, cascade }: RodMove): string {
  const size = Math.abs(d)
  const ten = 10 - size
  const title = `${placeTitle(place)} rod`
  const passed =
    cascade === 0
      ? ''
      : ` The ten passes ${cascade === 1 ? 'one rod' : `${cascade} rods`} of ${d > 0 ? 'nine' : 'zero'} on the way.`
  if (kind === 'direct') return `${title}: ${size} ${d > 0 ? 'goes on' : 'comes off'} directly.`
  if (kind === 'five')
    return d > 0
      ? `${title}: ${size} will not go with earth beads; heaven bead down, take ${5 - size} back.`
      : `${title}: ${size} will not come off the earth beads; heaven bead up, put ${5 - size} back.`
  if (d > 0)
    return `${title}: ${size} will not go; take ${ten} off${kind === 'ten-five' ? ` (heaven bead up, ${5 - ten} back)` : ''}, 1 to the left.${passed}`
  return `${title}: ${size} will not come off ${rodAt(frame, place)}; take 1 from the left, put ${ten} on${kind === 'ten-five' ? ` (heaven bead down, take ${5 - ten} back)` : ''}.${passed}`
}

export const rodName = (place: number): string => `the ${placeName(place)} rod`
