import { type Grid, gridQuestions, gridTarget, readGrid } from '@tachymetra/core/flash'
import { MOST_ITEMS, plainRecipe } from '@tachymetra/core/set'
import { seconds } from '@tachymetra/core/words'
import { Button, InputNumber } from 'antd'
import { useEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import { PaceBar } from '../charts/PaceBar.js'
import { ownSession } from '../data/begin.js'
import { useNeeds } from '../data/needs.js'
import { Entry } from '../entry/Entry.js'
import { OneLearner } from '../frame/OneLearner.js'
import { Trouble } from '../frame/Trouble.js'
import { endHere } from '../kept/kept.js'
import type { LocalSession } from '../kept/store.js'
import { Told } from '../practice/Told.js'
import { useAnswering } from '../practice/useAnswering.js'
import type { AttemptOnScreen } from '../practice/useAttempt.js'
import { type ItemGiven, useDrill } from '../practice/useItem.js'
import { usePractice } from '../practice/usePractice.js'
import { GridTable } from '../working/GridTable.js'
import { Mark } from '../working/Mark.js'
import { Words } from '../written/Words.js'
import { written } from '../written/written.js'
import './flash.css'

/** A table of numbers, summed along its rows and down its columns; both ways must come to the same total. */
export default function GridPage() {
  return <OneLearner>{({ id }) => <Grids key={id} learnerId={id} />}</OneLearner>
}

const FIGURES = [
  ['rows', 'Rows', 2, 8],
  ['columns', 'Columns', 2, 8],
  ['digits', 'Digits', 1, 4],
] as const

/** One grid after another: a set for every size. */
function Grids({ learnerId }: { readonly learnerId: string }) {
  const [size, setSize] = useState({ rows: 3, columns: 3, digits: 2 })
  const setOf = (given: typeof size) =>
    ownSession(learnerId, plainRecipe([{ kind: 'grid', ...given, count: MOST_ITEMS }], 'answer'))
  const [set, setSet] = useState(() => setOf(size))
  // What a reload or another page has cut off is kept as it was left.
  useEffect(() => {
    void endHere()
  }, [])
  const another = (given: typeof size) => {
    setSize(given)
    setSet(setOf(given))
  }
  return <OfSize key={set.id} set={set} size={size} onOther={another} />
}

function OfSize(props: {
  readonly set: LocalSession
  readonly size: Readonly<Record<(typeof FIGURES)[number][0], number>>
  readonly onOther: (size: { rows: number; columns: number; digits: number }) => void
}) {
  const { set, size, onOther } = props
  const practice = usePractice(set)
  const { session, n = 1, item, turn } = practice
  const another = (given: typeof size) => {
    // One that was begun is kept as it was left.
    practice.finish()
    if (given === size && n < MOST_ITEMS) practice.goTo(n + 1)
    else onOther(given)
  }
  return (
    <div className="stack loose">
      <h1>Grid</h1>
      <div className="row">
        {FIGURES.map(([key, name, least, most]) => (
          <label key={key} htmlFor={`grid-${key}`} className="row">
            {name}
            <InputNumber
              id={`grid-${key}`}
              min={least}
              max={most}
              precision={0}
              value={size[key]}
              onChange={(value) => another({ ...size, [key]: value ?? size[key] })}
              style={{ width: '5rem' }}
            />
          </label>
        ))}
        <Button onClick={() => another(size)}>Another grid</Button>
        <Link to="/flash">Flash and tape</Link>
      </div>
      <p className="faint">
        A sum is taken at its last digit, in any order; Enter goes on to the next. What you enter, and how
        long it took, is kept in the record.
      </p>
      {practice.trouble && <Trouble error={practice.trouble} />}
      {item?.kind === 'drill' && (
        <Sheet key={turn} text={item.text} session={session} n={n} onHappened={practice.happened} />
      )}
    </div>
  )
}

/** One grid: an attempt at its sums, in any order. */
function Sheet(props: ItemGiven & { readonly text: string }) {
  const { text, onHappened } = props
  const [{ grid, task }] = useState(() => {
    const grid = readGrid(text)
    return { grid, task: { questions: gridQuestions(grid), inOrder: false } }
  })
  const { questions } = task
  // Come to by a right answer, or chosen.
  const [{ at, right }, choose] = useState({ at: 0, right: false })
  const { attempt } = useDrill({
    ...props,
    id: 'grid',
    task,
    byItself: true,
    onHappened(record, verdict, progress) {
      onHappened(record, verdict, progress)
      // The next sum that is still open, once this one is right.
      if (!progress.answered[at]) return
      const next = questions.findIndex((_, i) => i > at && !progress.answered[i])
      choose({ at: next >= 0 ? next : Math.max(0, progress.answered.indexOf(false)), right: true })
    },
  })
  const { progress, typing } = attempt
  const { calm } = useNeeds()
  const done = progress.outcome === 'done'
  /** What was begun in one sum is not the beginning of another. */
  const setAt = (i: number) => {
    if (typing.text !== '') attempt.clear()
    choose({ at: i, right: false })
  }
  const targetMs = gridTarget(grid)
  /** Enter goes on, right or wrong: a wrong sum keeps its mark, and can be come back to. */
  const enter = () => {
    if (typing.text === '') return move(1)
    attempt.confirm(at)
    const { progress } = attempt.latest()
    if (progress.outcome === undefined && !progress.answered[at]) move(1)
  }
  /** The verdict, and the sum to go on with; at first the entry tells that as it takes the focus. */
  function toldOf(): string | undefined {
    if (done || (last?.verdict === 'wrong' && last.step === at + 1 && typing.text === ''))
      return saidOf(attempt, at, grid, calm)
    if (typing.text !== '' || (!last && at === 0)) return undefined
    const missed = !right && last?.verdict === 'wrong' && last.step !== at + 1
    const before = right ? 'Right. ' : missed ? `${questions[last.step - 1]!.ask} is not right. ` : ''
    return `${before}${questions[at]!.ask}: ${summed}`
  }
  const move = (by: number) => setAt((at + by + questions.length) % questions.length)
  const { kind } = questions[at]!
  useAnswering(attempt, {
    own: { enter },
    more: {
      ArrowDown: () => move(1),
      ArrowRight: () => move(1),
      ArrowUp: () => move(-1),
      ArrowLeft: () => move(-1),
    },
    of: at,
  })
  const latest = questions.map((_, i) => progress.entries.findLast((e) => e.step === i + 1))
  const summed = partsOf(grid, at, (i) => latest[i]?.text ?? 'not yet').join(', ')
  const last = progress.entries.at(-1)
  return (
    <>
      {!calm && (
        <p className="faint grid-aim">
          aim for <Words>{seconds(targetMs)}</Words> in all
        </p>
      )}
      {!calm && <PaceBar targetMs={targetMs} running={!done} />}
      <GridTable
        grid={grid}
        sum={(i) => (
          <Cell
            ask={questions[i]!.ask}
            text={i === at && typing.text !== '' ? typing.text : (latest[i]?.text ?? '')}
            right={i === at && typing.text !== '' ? undefined : latest[i] && latest[i].verdict === 'right'}
            chosen={i === at}
            done={done}
            onChoose={() => setAt(i)}
          />
        )}
      />
      {!done && (
        <>
          <p className="question grid-question" id="question">
            <Words>{questions[at]!.ask}</Words>
          </p>
          <p className="sr-only" id="summed">
            <Words>{summed}</Words>
          </p>
          <Entry
            kind={kind}
            text={typing.text}
            labelledBy="question"
            describedBy="summed"
            inPlace
            onKey={(key) => attempt.press(key, at)}
            onErase={attempt.erase}
            onEnter={enter}
          />
        </>
      )}
      <p className="grid-said" aria-hidden="true">
        <Words>{saidOf(attempt, at, grid, calm)}</Words>
      </p>
      <Told words={toldOf()} turn={`${at} ${progress.entries.length}`} />
    </>
  )
}

/** The numbers a sum is made of: a row, a column, or the sums found of either. @param found the text of sum i */
function partsOf(
  { cells, columnSums }: Grid,
  at: number,
  found: (i: number) => string,
): readonly (string | number)[] {
  const [rows, columns] = [cells.length, columnSums.length]
  if (at < rows) return cells[at]!
  if (at < rows + columns) return cells.map((row) => row[at - rows]!)
  const [from, many] = at === rows + columns ? [0, rows] : [rows, columns]
  return Array.from({ length: many }, (_, i) => found(from + i))
}

/** What is said of the sums so far. */
function saidOf({ progress, typing }: AttemptOnScreen, at: number, grid: Grid, calm: boolean): string {
  if (progress.outcome === 'done')
    return `All right${calm ? '' : `, in ${seconds(progress.clock.at)}`}. Both totals are ${grid.total}.`
  const latest = (i: number) => progress.entries.findLast((e) => e.step === i + 1)
  const here = latest(at)
  if (here?.verdict === 'wrong' && typing.text === '')
    return `${here.text} is not right. Add it up once more.`
  const sums = progress.answered.length
  const [byRows, byColumns] = [latest(sums - 2), latest(sums - 1)]
  return byRows && byColumns && byRows.text !== byColumns.text
    ? 'The two totals do not agree: there is a mistake in one of the sums.'
    : 'Rows to the right, columns below, and their totals in the corner: both must agree.'
}

function Cell(props: {
  readonly ask: string
  readonly text: string
  /** Undefined while nothing stands there, or something is being typed. */
  readonly right: boolean | undefined
  readonly chosen: boolean
  readonly done: boolean
  readonly onChoose: () => void
}) {
  const { ask, text, right, chosen, done, onChoose } = props
  const cell = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    if (chosen) cell.current?.scrollIntoView({ block: 'nearest' })
  }, [chosen])
  return (
    <>
      <button
        type="button"
        ref={cell}
        className={`grid-cell${chosen && !done ? ' chosen' : ''}`}
        aria-label={written(`${ask}: ${text || 'empty'}`)}
        aria-pressed={chosen}
        onClick={onChoose}
      >
        <Words>{text || '\u00a0'}</Words>
      </button>
      {right !== undefined && <Mark right={right} />}
    </>
  )
}
