import { Words } from '../written/Words.js'
import { written } from '../written/written.js'
import { Wide } from './Wide.js'

export interface TableOf {
  /** What it is a table of. */
  readonly title: string
  readonly columns: readonly string[]
  /** The first cell of a row is its head. */
  readonly rows: readonly (readonly string[])[]
}

/** A table of words and figures; a cell that is a sentence may go over several lines. */
export function PlainTable({ title, columns, rows }: TableOf) {
  return (
    <Wide label={written(title)}>
      <table className="plain-table">
        <caption>
          <Words>{title}</Words>
        </caption>
        <thead>
          <tr>
            {columns.map((c) => (
              <th key={c} scope="col">
                <Words>{c}</Words>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([head, ...cells], i) => (
            <tr key={i}>
              <th scope="row">
                <Words>{head}</Words>
              </th>
              {cells.map((cell, k) => (
                <td key={columns[k + 1]} className={cell.endsWith('.') ? 'sentence' : undefined}>
                  <Words>{cell}</Words>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </Wide>
  )
}
