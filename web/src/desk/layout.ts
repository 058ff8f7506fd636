/** Where each technique stands on the map of prerequisites, by way of dagre: everything is right of all that it needs. */
import { graphlib, layout } from '@dagrejs/dagre'
import { COURSE } from '@tachymetra/core/registry'
import type { Technique } from '@tachymetra/core/technique'

interface Spot {
  readonly technique: Technique
  readonly column: number
  /** Rows from the top; parts of one where something stands between two of the column beside it. */
  readonly row: number
}

export interface MapLayout {
  readonly spots: readonly Spot[]
  readonly columns: number
  readonly rows: number
}

/** Any size does: only columns and rows are read off. */
const NODE = { width: 10, height: 10 }

export function layoutMap(techniques: readonly Technique[] = COURSE): MapLayout {
  const graph = new graphlib.Graph()
  // Drawn from the end: what needs nothing stands together at the left, everything else as far left as its needs let it.
  graph.setGraph({ rankdir: 'RL', ranker: 'longest-path', nodesep: 0, ranksep: NODE.width, edgesep: 0 })
  graph.setDefaultEdgeLabel(() => ({}))
  for (const { id } of techniques) graph.setNode(id, { ...NODE })
  for (const { id, needs } of techniques) for (const need of needs) graph.setEdge(id, need)
  layout(graph)
  const at = (id: string) => graph.node(id) as { readonly x: number; readonly y: number }
  const columns = [...new Set(techniques.map((t) => at(t.id).x))].sort((a, b) => a - b)
  const top = Math.min(...techniques.map((t) => at(t.id).y))
  const rowOf = (id: string) => (at(id).y - top) / NODE.height
  return {
    spots: techniques.map((technique) => ({
      technique,
      column: columns.indexOf(at(technique.id).x),
      row: rowOf(technique.id),
    })),
    columns: columns.length,
    rows: Math.max(...techniques.map((t) => rowOf(t.id))) + 1,
  }
}
