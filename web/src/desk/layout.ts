/** Where each technique stands on the map of prerequisites: a column later than the latest of those it needs. */
import { TECHNIQUES } from '@tachymetra/core/registry'
import { FAMILIES, type Technique } from '@tachymetra/core/technique'

export interface Spot {
  readonly technique: Technique
  readonly column: number
  readonly row: number
}

export interface MapLayout {
  readonly spots: readonly Spot[]
  readonly columns: number
  readonly rows: number
}

export function layoutMap(techniques: readonly Technique[] = TECHNIQUES): MapLayout {
  const column = new Map<string, number>()
  const columnOf = (t: Technique): number => {
    const known = column.get(t.id)
    if (known !== undefined) return known
    const found = Math.max(-1, ...t.needs.map((id) => columnOf(techniques.find((o) => o.id === id)!))) + 1
    column.set(t.id, found)
    return found
  }
  const columns = Math.max(...techniques.map(columnOf)) + 1
  const rowOf = new Map<string, number>()
  const rows = Math.max(
    ...Array.from({ length: columns }, (_, c) => techniques.filter((t) => columnOf(t) === c).length),
  )
  for (let c = 0; c < columns; c += 1) {
    const here = techniques.filter((t) => columnOf(t) === c)
    // As near as may be to the middle of those it needs, families kept together.
    const wish = (t: Technique) =>
      t.needs.length
        ? t.needs.reduce((sum, id) => sum + rowOf.get(id)!, 0) / t.needs.length
        : (FAMILIES.indexOf(t.family) + 0.5) * (rows / 3)
    const order = [...here].sort(
      (a, b) => wish(a) - wish(b) || FAMILIES.indexOf(a.family) - FAMILIES.indexOf(b.family),
    )
    let free = 0
    for (const [i, t] of order.entries()) {
      const last = rows - (order.length - i)
      const row = Math.min(last, Math.max(free, Math.round(wish(t))))
      rowOf.set(t.id, row)
      free = row + 1
    }
  }
  return {
    spots: techniques.map((technique) => ({
      technique,
      column: columnOf(technique),
      row: rowOf.get(technique.id)!,
    })),
    columns,
    rows,
  }
}
