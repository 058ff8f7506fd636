import type { RoomCount } from '@tachymetra/core/set'
import { PlainTable } from '../charts/PlainTable.js'
import { useCounts } from '../data/board.js'
import { practiceWords } from '../words/setName.js'
import { when } from '../words/words.js'

/** How many techniques are told of. */
const SHOWN = 8

/** Hands that were counted, by technique and level, the latest at the right; nothing tells whose they were. */
export function RoomSoFar() {
  const counts = useCounts().data ?? []
  if (counts.length === 0) return null
  const groups = new Map<string, RoomCount[]>()
  for (const count of counts) {
    const key = `${count.technique} ${count.level}`
    groups.set(key, [...(groups.get(key) ?? []), count])
  }
  return (
    <PlainTable
      title="How the room did: hands up with the right answer"
      columns={['What', 'Hands, oldest first', 'Last']}
      rows={[...groups.values()].slice(0, SHOWN).map((its) => [
        practiceWords(its[0]!),
        its
          .slice(0, LATEST)
          .toReversed()
          .map((c) => c.right)
          .join(', '),
        when(its[0]!.at),
      ])}
    />
  )
}

/** Counts of one technique that are told, the latest ones. */
const LATEST = 10
