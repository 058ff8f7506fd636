import { gridQuestions, randomGrid } from '@tachymetra/core/flash'
import { seeded } from '@tachymetra/core/number'
import { Button, InputNumber } from 'antd'
import { useEffect, useMemo, useRef, useState } from 'react'
import { Link } from 'react-router'
import { Entry } from '../parts/Entry.js'
import { Mark } from '../parts/Mark.js'
import { useAttempt } from '../parts/useAttempt.js'
import { useKeys } from '../parts/useKeys.js'
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

function Sheet(props: {
  readonly rows: number
  readonly columns: number
  readonly digits: number
  readonly seed: number
}) {
  const { rows, columns, digits, seed } = props
  const grid = useMemo(() => randomGrid(rows, columns, digits, seeded(seed)), [rows, columns, digits, seed])
  const [task] = useState(() => ({ questions: gridQuestions(grid), inOrder: false }))
  const { questions } = task
  const [at, choose] = useState(0)
  const attempt = useAttempt({
    task,
    byItself: true,
    onChange: (_, progress) => {
      // The next sum that is still open, once this one is right.
      if (!progress.answered[at]) return
      const next = questions.findIndex((_, i) => i > at && !progress.answered[i])
      choose(next >= 0 ? next : Math.max(0, progress.answered.indexOf(false)))
    },
  })
  const { progress, typing } = attempt
  const done = progress.outcome === 'done'
  /** What was begun in one sum is not the beginning of another. */
  const setAt = (i: number) => {
    if (typing.text !== '') attempt.clear()
    choose(i)
  }
  const move = (by: number) => setAt((at + by + questions.length) % questions.length)
  const { kind } = questions[at]!
  useKeys(
    {
      ArrowDown: () => move(1),
      ArrowRight: () => move(1),
      ArrowUp: () => move(-1),
      ArrowLeft: () => move(-1),
      Enter: () => (typing.text === '' ? move(1) : attempt.confirm(at)),
      Backspace: attempt.erase,
    },
    done ? undefined : { keys: kind.keys, press: (key) => attempt.press(key, at) },
    true,
  )
  const chosen = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    if (at >= 0) chosen.current?.scrollIntoView({ block: 'nearest' })
  }, [at])
  const latest = questions.map((_, i) => progress.entries.findLast((e) => e.step === i + 1))
  const [byRows, byColumns] = latest.slice(-2)
  const disagree = byRows && byColumns && byRows.text !== byColumns.text
  const wrong = latest[at]?.verdict === 'wrong' && typing.text === ''
  const cell = (i: number) => {
    const { ask } = questions[i]!
    const text = i === at && typing.text !== '' ? typing.text : (latest[i]?.text ?? '')
    return (
      <td key={ask} className="grid-sum">
        <button
          type="button"
          ref={i === at ? chosen : undefined}
          className={`grid-cell${i === at && !done ? ' chosen' : ''}`}
          aria-label={`${ask}: ${text || 'empty'}`}
          aria-pressed={i === at}
          onClick={() => setAt(i)}
        >
          {text || '\u00a0'}
        </button>
        {latest[i] && (i !== at || typing.text === '') && <Mark right={latest[i].verdict === 'right'} />}
      </td>
    )
  }
  return (
    <>
      <div className="grid-frame">
        <table className="grid-sheet mono">
          <tbody>
            {grid.cells.map((row, r) => (
              <tr key={r}>
                {row.map((n, c) => (
                  <td key={c}>{n}</td>
                ))}
                {cell(r)}
              </tr>
            ))}
            <tr>
              {grid.columnSums.map((_, c) => cell(rows + c))}
              {cell(rows + columns)}
              <th scope="row" className="faint">
                total of the rows
              </th>
            </tr>
            <tr>
              <td colSpan={columns} />
              {cell(rows + columns + 1)}
              <th scope="row" className="faint">
                total of the columns
              </th>
            </tr>
          </tbody>
        </table>
      </div>
      {!done && (
        <>
          <p className="question grid-question" id="question">
            {questions[at]!.ask}
          </p>
          <Entry
            kind={kind}
            text={typing.text}
            labelledBy="question"
            inPlace
            onKey={(key) => attempt.press(key, at)}
            onErase={attempt.erase}
            onEnter={() => attempt.confirm(at)}
          />
        </>
      )}
      <p role="status" className="grid-said">
        {done
          ? `All right, in ${seconds(progress.clock.at)}. Both ways came to ${grid.total}.`
          : wrong
            ? `${latest[at]!.text} is not right. Add it up once more.`
            : disagree
              ? 'The two totals do not agree: there is a mistake in one of the sums.'
              : 'Rows to the right, columns below, and their totals in the corner: both must agree.'}
      </p>
    </>
  )
}
