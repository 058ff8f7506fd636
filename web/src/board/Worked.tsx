import { checksOf } from '@tachymetra/core/check'
import { asProduct, isItem, type Problem, problemWords, rowsOf, solvedWords } from '@tachymetra/core/problem'
import { asDecimal } from '@tachymetra/core/question'
import { techniqueById } from '@tachymetra/core/registry'
import { type boardProblem, thoughtAt } from '@tachymetra/core/set'
import { isAbacus } from '@tachymetra/core/soroban'
import type { Step, Trace } from '@tachymetra/core/technique'
import { workedOnPaper } from '@tachymetra/core/written'
import { useMemo } from 'react'
import { spoken } from '../words/spoken.js'
import { aloud } from '../words/words.js'
import { Hands } from '../working/Hand.js'
import { Stacked } from '../working/ItemLine.js'
import { Mark } from '../working/Mark.js'
import { PaperSheet } from '../working/OnPaper.js'
import { Pattern } from '../working/Pattern.js'
import { PlaceRule } from '../working/PlaceRule.js'
import { Words } from '../written/Words.js'
import { Beads } from './Beads.js'

/** What stands beside the working: nothing, the usual way on paper, the checks, the pattern of a product. */
export type View = 'work' | 'paper' | 'checks' | 'pattern'

/** More numbers than this under one another would be too small to be read from the back of a room. */
const MOST_ROWS = 5

interface Props {
  readonly shown: ReturnType<typeof boardProblem>
  readonly work: Trace
  readonly presses: number
  readonly view: View
  /** Which of the checks is looked at, from 0. */
  readonly check: number
}

/** A problem worked thought by thought: each step is asked first, and its value comes at the next press. */
export function Worked({ shown, work, presses, view, check }: Props) {
  const { problem } = shown
  const technique = techniqueById(shown.technique)
  const thought = thoughtAt(work, presses)
  const n = thought.at === 'step' ? thought.n : thought.at === 'end' ? work.steps.length : 0
  const told = thought.at === 'step' && thought.told
  const step = thought.at === 'step' ? work.steps[n] : undefined
  const last = told ? step : work.steps[n - 1]
  const holds = thought.at === 'end' ? [] : (last?.holds ?? [])
  const reading = isAbacus(technique) && work.steps[0]?.action === 'read'
  const solved = thought.at === 'end' ? solvedWords(problem, work.answer) : undefined
  const said = solved ?? (step ? `${step.ask} ${told ? step.kind.say(work.entries[n]!) : ''}` : '')
  return (
    <div className="worked" data-view={view}>
      <div className="wall-problem">
        {isAbacus(technique) ? (
          <>
            {/* What is to be read off the frame is not told before. */}
            <p className="wall-line">
              <Words>{reading && !solved ? '\u00a0' : problemWords(problem)}</Words>
            </p>
            <Beads technique={technique} problem={problem} work={work} n={n} told={told} ended={!!solved} />
          </>
        ) : isItem(problem) || rowsOf(problem).length > MOST_ROWS ? (
          <p className={`wall-line${problemWords(problem).length > LONG_LINE ? ' long' : ''}`}>
            <Stacked text={problemWords(problem)} />
          </p>
        ) : (
          <PlaceRule
            problem={problem}
            line={(solved ? work.steps.at(-1) : last)?.writes ?? NOTHING}
            place={step?.place}
            links={step?.links}
            finished={solved !== undefined}
          />
        )}
        {holds.length > 0 && (
          <div className="wall-held">
            <Hands holds={holds} />
          </div>
        )}
      </div>
      {view !== 'work' && <Beside problem={problem} work={work} view={view} nth={check} />}
      <Asked step={step} value={told && step ? step.kind.say(work.entries[n]!) : undefined} solved={solved} />
      <p className="sr-only" role="status">
        <Words>{aloud(presses > 0 ? said : reading ? 'What stands on the frame?' : spoken(problem))}</Words>
      </p>
    </div>
  )
}

/** Letters of an item, and of a question, beyond which it is written smaller. */
const LONG_LINE = 30
const LONG = 44

/** How many checks there are of the answer that stands on the board. */
export function checksAt({ shown, work }: Pick<Props, 'shown' | 'work'>): number {
  const answer = asDecimal(work.answer)
  return answer ? checksOf(shown.problem, answer).length : 0
}

const NOTHING = { negative: false, cells: [] }

/** What comes next is asked before it is told; at last the whole stands there. */
function Asked(props: {
  readonly step: Step | undefined
  readonly value: string | undefined
  readonly solved: string | undefined
}) {
  const { step, value, solved } = props
  return (
    <p
      className={`wall-ask${solved ? ' solved' : (step?.ask.length ?? 0) > LONG ? ' long' : ''}`}
      aria-hidden="true"
    >
      {solved && <Stacked text={solved} />}
      {step && (
        <>
          <Words>{step.ask}</Words>{' '}
          {value !== undefined && (
            <strong>
              <Words>{value}</Words>
            </strong>
          )}
        </>
      )}
    </p>
  )
}

function Beside({
  problem,
  work,
  view,
  nth,
}: {
  readonly problem: Problem
  readonly work: Trace
  readonly view: View
  /** Which check, from 0. */
  readonly nth: number
}) {
  const answer = asDecimal(work.answer)
  const factors = asProduct(problem)
  const sheet = useMemo(() => (isItem(problem) ? undefined : workedOnPaper(problem).steps.at(-1)), [problem])
  if (view === 'paper')
    return (
      <div className="wall-beside">{sheet ? <PaperSheet rows={sheet.rows} /> : <p>Nothing to write.</p>}</div>
    )
  if (view === 'pattern') {
    const [first, second] = factors?.map((f) => f.units.toString().length) ?? []
    return (
      <div className="wall-beside">
        {first && second ? <Pattern first={first} second={second} /> : <p>No product.</p>}
      </div>
    )
  }
  const check = answer ? checksOf(problem, answer)[nth] : undefined
  return (
    <div className="wall-beside">
      {check ? (
        <>
          {check.steps.map((line) => (
            <p key={line}>
              <Words>{line}</Words>
            </p>
          ))}
          <p>
            <Mark right={check.passes} /> <Words>{check.name}</Words>
          </p>
        </>
      ) : (
        <p>No quick check.</p>
      )}
    </div>
  )
}
