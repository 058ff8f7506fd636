import { type Problem, problemWords } from '@tachymetra/core/problem'
import { spoken } from '../words/spoken.js'
import { Words } from '../written/Words.js'
import { written } from '../written/written.js'
import './bench.css'

/** The problem of abacus work: a line above the frame, kept back while it is to be read from the frame. */
export function AbacusProblem({ problem, hidden }: { readonly problem: Problem; readonly hidden: boolean }) {
  if (hidden) return null
  return (
    <div className="problem-line" role="img" aria-label={written(spoken(problem))}>
      <Words>{problemWords(problem)}</Words>
    </div>
  )
}
