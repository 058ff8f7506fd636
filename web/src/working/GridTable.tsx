import type { Grid } from '@tachymetra/core/flash'
import type { ReactNode } from 'react'
import './grid-table.css'

/** A table of numbers with its sums to the right and below. @param props.sum the cell of a sum, in the order they are asked */
export function GridTable({ grid, sum }: { readonly grid: Grid; readonly sum: (i: number) => ReactNode }) {
  const [rows, columns] = [grid.cells.length, grid.cells[0]!.length]
  return (
    <div className="grid-frame">
      <table className="grid-sheet mono">
        <thead className="sr-only">
          <tr>
            {grid.columnSums.map((_, c) => (
              <th key={c} scope="col">
                column {c + 1}
              </th>
            ))}
            <th scope="col">sum of the row</th>
          </tr>
        </thead>
        <tbody>
          {grid.cells.map((row, r) => (
            <tr key={r}>
              {row.map((n, c) => (
                <td key={c}>{n}</td>
              ))}
              <td className="grid-sum">{sum(r)}</td>
            </tr>
          ))}
          <tr>
            {grid.columnSums.map((_, c) => (
              <td key={c} className="grid-sum">
                {sum(rows + c)}
              </td>
            ))}
            <td className="grid-sum">{sum(rows + columns)}</td>
            <th scope="row" className="faint">
              total of the rows
            </th>
          </tr>
          <tr>
            <td colSpan={columns} />
            <td className="grid-sum">{sum(rows + columns + 1)}</td>
            <th scope="row" className="faint">
              total of the columns
            </th>
          </tr>
        </tbody>
      </table>
    </div>
  )
}
