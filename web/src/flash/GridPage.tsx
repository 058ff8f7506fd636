import { randomGrid, seeded } from '@tachymetra/core'
import { Button, InputNumber } from 'antd'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { Mark } from '../parts/Mark.js'
import { seconds } from '../parts/words.js'

/** A table of numbers, summed along its rows and down its columns; both ways must come to the same total. */
export default function GridPage() {
  const [size, setSize] = useState({ rows: 3, columns: 3, digits: 2 })
  const [seed, setSeed] = useState(() => crypto.getRandomValues(new Int32Array(1))[0]!)
  const figures: [keyof typeof size, string, number][] = [
    ['rows', 'Rows', 8],
    ['columns', 'Columns', 8],
    ['digits', 'Digits', 4],
  ]
  return (
    <div className="stack" style={{ gap: '1.25rem' }}>
      <h1>Grid</h1>
      <div className="row">
        {figures.map(([key, name, most]) => (
          <label key={key} htmlFor={`grid-${key}`} className="row">
            {name}
            <InputNumber
              id={`grid-${key}`}
              min={key === 'digits' ? 1 : 2}
              max={most}
              precision={0}
              value={size[key]}
              onChange={(n) => setSize({ ...size, [key]: n ?? size[key] })}
              style={{ width: '5rem' }}
            />
          </label>
        ))}
        <Button onClick={() => setSeed(seed + 1)}>Another grid</Button>
        <Link to="/flash">Flash and tape</Link>
      </div>
      <Sheet key={`${seed} ${size.rows} ${size.columns} ${size.digits}`} seed={seed} {...size} />
    </div>
  )
}

function Sheet({
  rows,
  columns,
  digits,
  seed,
}: {
  readonly rows: number
  readonly columns: number
  readonly digits: number
  readonly seed: number
}) {
  const grid = useMemo(() => randomGrid(rows, columns, digits, seeded(seed)), [rows, columns, digits, seed])
  const [entries, setEntries] = useState<Readonly<Record<string, string>>>({})
  const [begun] = useState(() => performance.now())
  const [took, setTook] = useState<number>()
  const want: Record<string, number> = {
    ...Object.fromEntries(grid.rowSums.map((sum, r) => [`row ${r + 1}`, sum])),
    ...Object.fromEntries(grid.columnSums.map((sum, c) => [`column ${c + 1}`, sum])),
    'total of the rows': grid.total,
    'total of the columns': grid.total,
  }
  const enter = (name: string, text: string) => {
    const next = { ...entries, [name]: text.replace(/\D/g, '').slice(0, 7) }
    setEntries(next)
    if (Object.entries(want).every(([key, sum]) => Number(next[key]) === sum && next[key] !== ''))
      setTook(performance.now() - begun)
  }
  const totals = [entries['total of the rows'], entries['total of the columns']]
  const disagree = totals.every((t) => t) && totals[0] !== totals[1]
  const cell = (name: string) => {
    const text = entries[name] ?? ''
    const judged = text.length >= String(want[name]).length
    return (
      <td key={name} className="grid-sum">
        <input
          aria-label={name}
          className="mono"
          inputMode="numeric"
          value={text}
          autoComplete="off"
          onChange={(event) => enter(name, event.target.value)}
        />
        {judged && <Mark right={Number(text) === want[name]} />}
      </td>
    )
  }
  return (
    <>
      <div style={{ overflowX: 'auto' }}>
        <table className="grid-sheet mono">
          <tbody>
            {grid.cells.map((row, r) => (
              <tr key={r}>
                {row.map((n, c) => (
                  <td key={c}>{n}</td>
                ))}
                {cell(`row ${r + 1}`)}
              </tr>
            ))}
            <tr>
              {grid.columnSums.map((_, c) => cell(`column ${c + 1}`))}
              {cell('total of the rows')}
              <th scope="row" className="faint">
                total of the rows
              </th>
            </tr>
            <tr>
              <td colSpan={columns} />
              {cell('total of the columns')}
              <th scope="row" className="faint">
                total of the columns
              </th>
            </tr>
          </tbody>
        </table>
      </div>
      <p role="status">
        {took !== undefined
          ? `All right, in ${seconds(took)}. Both ways came to ${grid.total}.`
          : disagree
            ? 'The two totals do not agree: one of the sums holds a slip.'
            : 'Rows to the right, columns below, and their totals in the corner: both must agree.'}
      </p>
    </>
  )
}
