import { type Problem, problemWords } from '@tachymetra/core/problem'
import { spoken } from '../words/spoken.js'
import { Words } from '../written/Words.js'
import { written } from '../written/written.js'
import './item-line.css'

/** An item that stands on no place rule: in words and signs, its fractions one number over the other. */
export function ItemLine({ problem }: { readonly problem: Problem }) {
  const text = problemWords(problem)
  return (
    <div
      className={`item-line${text.length > 34 ? ' long' : ''}`}
      role="img"
      aria-label={written(spoken(problem))}
    >
      <Stacked text={text} />
    </div>
  )
}

/** A text with its fractions written one number over the other. */
export function Stacked({ text }: { readonly text: string }) {
  return text.split(/(\d+\/\d+)/).map((part, i) => {
    const [, over, under] = /^(\d+)\/(\d+)$/.exec(part) ?? []
    if (over === undefined)
      return (
        <span key={i}>
          <Words>{part}</Words>
        </span>
      )
    return (
      <span key={i} className="fraction">
        <span>{over}</span>
        <span className="unseen">/</span>
        <span>{under}</span>
      </span>
    )
  })
}
