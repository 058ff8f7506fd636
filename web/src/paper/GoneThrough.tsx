import { problemWords, readProblem, solvedWords } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import {
  type AttemptRecord,
  beginTask,
  type Exercise,
  type JudgedEntry,
  mistaken,
  withRemarks,
} from '@tachymetra/core/session'
import { estimateBand, type ItemMark, type ListedProblem } from '@tachymetra/core/set'
import { trace, variantOf } from '@tachymetra/core/technique'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { useAttempt } from '../data/queries.js'
import { KeyButton } from '../entry/KeyButton.js'
import { HowItGoes } from '../working/HowItGoes.js'
import { Stacked } from '../working/ItemLine.js'
import { Mark } from '../working/Mark.js'
import { entryWords } from '../working/saying.js'
import { Words } from '../written/Words.js'
import type { KeptAnswer } from './results.js'
import { WorkAgain } from './WorkAgain.js'

/** One item that was wrong or skipped: opened, it shows its quick way, with the learner's value and what it likely came of. */
export function Gone(props: {
  readonly item: ListedProblem
  readonly n: number
  readonly mark: ItemMark
  readonly answer: KeptAnswer | undefined
}) {
  const { item, n, mark, answer } = props
  const [open, setOpen] = useState(false)
  return (
    <details className="gone-through" open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>
        <span className="mono faint">{n}</span>{' '}
        <span>
          <Stacked text={problemWords(readProblem(item.expression))} />
        </span>{' '}
        <span className="faint">
          {mark === 'wrong' ? <Mark right={false} /> : null} {mark}
        </span>
      </summary>
      {open && <Opened item={item} answer={mark === 'wrong' ? answer : undefined} />}
    </details>
  )
}

function Opened({ item, answer }: { readonly item: ListedProblem; readonly answer: KeptAnswer | undefined }) {
  const exercise = useMemo((): Exercise => {
    const technique = techniqueById(item.technique)
    const problem = readProblem(item.expression)
    return { technique, variant: variantOf(technique), level: item.level, support: 'guided', problem }
  }, [item])
  const { technique, problem, variant } = exercise
  const solved = useMemo(
    () => solvedWords(problem, trace(technique, problem, variant).answer),
    [technique, problem, variant],
  )
  const [again, setAgain] = useState(0)
  const band = estimateBand(problem)
  return (
    <div className="stack opened">
      {answer ? (
        answer.record && answer.entries ? (
          <Yours exercise={exercise} record={answer.record} entries={answer.entries} />
        ) : (
          <FromRecord exercise={exercise} id={answer.id} />
        )
      ) : (
        <HowItGoes exercise={exercise} slips={[]} answer={undefined} summary="The quick way" open />
      )}
      <p>
        <strong>
          <Stacked text={solved} />
        </strong>{' '}
        {band && (
          <span className="faint">
            <Words>{band}</Words>
          </span>
        )}
      </p>
      <div className="row">
        <KeyButton
          label={again === 0 ? 'Work it yourself' : 'Once more'}
          onPress={() => setAgain(again + 1)}
        />
        <Link to={`/learn/${technique.id}?p=${encodeURIComponent(item.expression)}`}>{technique.name}</Link>
      </div>
      {again > 0 && <WorkAgain key={again} exercise={exercise} />}
    </div>
  )
}

/** The answer of the record, fetched when it is looked at. */
function FromRecord({ exercise, id }: { readonly exercise: Exercise; readonly id: string }) {
  const { data } = useAttempt(id)
  return data ? <Yours exercise={exercise} record={data} entries={data.entries} /> : null
}

/** What was answered, what it likely came of, and the quick way with that at its step. */
function Yours(props: {
  readonly exercise: Exercise
  readonly record: AttemptRecord
  readonly entries: readonly JudgedEntry[]
}) {
  const { exercise, record, entries } = props
  const told = useMemo(() => withRemarks(record, entries), [record, entries])
  const wrong = told.findLast(mistaken)
  const [walk] = useMemo(() => beginTask({ ...exercise, support: 'answer' }).walks, [exercise])
  return (
    <>
      {wrong && (
        <p>
          You answered{' '}
          <strong className="mono">
            <Words>{entryWords(walk, wrong)}</Words>
          </strong>
          .{' '}
          {wrong.slips.length > 0 ? (
            <span className="said-slip">
              Likely: <Words>{wrong.slips.map((s) => s.remark).join(' ')}</Words>
            </span>
          ) : (
            <span className="faint">No known mistake leads there.</span>
          )}
        </p>
      )}
      <HowItGoes
        exercise={exercise}
        slips={wrong?.slips ?? []}
        answer={wrong?.text}
        summary="The quick way"
        open
      />
    </>
  )
}
