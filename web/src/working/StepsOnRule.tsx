import { digitAt, highestPlace, lowestPlace, placeName, ZERO } from '@tachymetra/core/number'
import { isItem, type Problem, rowsOf } from '@tachymetra/core/problem'
import { asDecimal, valueWords } from '@tachymetra/core/question'
import { type AnswerLine, momentAfter, type Trace } from '@tachymetra/core/technique'
import { type CSSProperties, memo } from 'react'
import { Words } from '../written/Words.js'
import { written } from '../written/written.js'
import './place-rule.css'
import './steps-on-rule.css'

/** A whole working on one place rule: the problem above, then a line a step with what stands written after it. */
export const StepsOnRule = memo(function StepsOnRule({
  problem,
  work,
}: {
  readonly problem: Problem
  readonly work: Trace
}) {
  return isItem(problem) ? <StepsInWords work={work} /> : <Ruled problem={problem} work={work} />
})

/** The steps of an item: what is asked, and what it comes to. */
function StepsInWords({ work }: { readonly work: Trace }) {
  return (
    <ol className="steps-words">
      {work.steps.map((step, i) => (
        <li key={i}>
          <Words>{step.ask}</Words>{' '}
          <strong className="mono">
            <Words>{step.kind.say(work.entries[i]!)}</Words>
          </strong>
        </li>
      ))}
    </ol>
  )
}

function Ruled({ problem, work }: { readonly problem: Problem; readonly work: Trace }) {
  const rows = rowsOf(problem)
  const answer = asDecimal(work.answer) ?? ZERO
  const lines = work.steps.map((s, i) => momentAfter(s, work.entries[i]!).writes)
  const cells = lines.flatMap((l) => l.cells.map((c) => c.place + Math.max(0, c.digits.length - 2)))
  const high = Math.max(highestPlace(answer), ...rows.map((r) => highestPlace(r.size)), ...cells)
  const low = Math.min(
    lowestPlace(answer),
    ...rows.map((r) => lowestPlace(r.size)),
    ...lines.flatMap((l) => l.cells.map((c) => c.place)),
  )
  const places = Array.from({ length: high - low + 1 }, (_, i) => high - i)
  const point = (p: number) => (p === 0 && low < 0 ? ' point' : '')
  return (
    <table className="steps-rule" style={{ '--columns': places.length + 1 } as CSSProperties}>
      <caption className="sr-only">Every step, with what stands written after it, place by place</caption>
      <thead>
        {/* For whoever hears the table: seen, the places stand under each other. */}
        <tr className="unseen">
          {['sign', ...places.map(placeName), 'value'].map((name) => (
            <th key={name} scope="col">
              <span className="sr-only">{name}</span>
            </th>
          ))}
        </tr>
        {rows.map((row, r) => (
          <tr key={r}>
            <td className="sign">
              <Words>{row.before}</Words>
            </td>
            {places.map((p) => (
              <td key={p} className={`digit${point(p)}`}>
                {p <= highestPlace(row.size) &&
                  p >= Math.min(0, lowestPlace(row.size)) &&
                  digitAt(row.size, p)}
                {row.after && p === Math.min(0, lowestPlace(row.size)) && <sup>2</sup>}
              </td>
            ))}
            <td />
          </tr>
        ))}
      </thead>
      <tbody>
        {work.steps.map((step, i) => (
          <tr key={i} title={written(step.ask)}>
            <td className="sign">{lines[i]!.negative ? '−' : ''}</td>
            {places.map((p) => (
              <td
                key={p}
                className={`${p === step.place ? 'lit' : ''}${point(p)}${p === lines[i]!.back ? ' front-end' : ''}`}
              >
                {digitsAt(lines[i]!, p)}
              </td>
            ))}
            <th scope="row" className="said-value">
              <Words>{valueWords(work.entries[i]!)}</Words>
            </th>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function digitsAt(line: AnswerLine, p: number) {
  const cell = line.cells.find((c) => c.place === p)
  if (!cell) return ''
  return <span className={cell.digits.length > 1 ? 'raw' : cell.draft ? 'draft' : ''}>{cell.digits}</span>
}
