/** Strict judging: every bead, and in the variant's order. */
import { present } from '../number/present.js'
import type { BeadMove } from './moves.js'

/** Moves taken apart into single beads, in order. */
function singleBeads(moves: readonly BeadMove[]): BeadMove[] {
  return moves.flatMap((m) => Array.from({ length: Math.abs(m.by) }, () => ({ ...m, by: Math.sign(m.by) })))
}

/** Do the moves made so far keep to the moves asked for? Several beads may be moved at once or one by one. */
export function keepsOrder(made: readonly BeadMove[], asked: readonly BeadMove[]): boolean {
  const [done, want] = [singleBeads(made), singleBeads(asked)]
  return (
    done.length <= want.length &&
    done.every(
      (m, i) =>
        m.place === present(want[i]).place &&
        m.bead === present(want[i]).bead &&
        m.by === present(want[i]).by,
    )
  )
}

/** The move that comes next, undefined when all are made. */
export function nextMove(made: readonly BeadMove[], asked: readonly BeadMove[]): BeadMove | undefined {
  let done = singleBeads(made).length
  for (const move of asked) {
    if (done < Math.abs(move.by)) return { ...move, by: move.by - Math.sign(move.by) * done }
    done -= Math.abs(move.by)
  }
  return undefined
}
