import type { Times } from '@tachymetra/core/learner'
import { type Decimal, readDecimal, toText } from '@tachymetra/core/number'
import { InputError, isItem, problemWords, readProblem, solvedWords } from '@tachymetra/core/problem'
import { asDecimal } from '@tachymetra/core/question'
import { type Comparison, compareWays, quickestFor } from '@tachymetra/core/report'
import type { Effort } from '@tachymetra/core/technique'
import { effortWords, seconds } from '@tachymetra/core/words'
import { useId, useMemo, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { useLearner, useTimes } from '../data/queries.js'
import { useVariants } from '../data/variants.js'
import { ExpressionInput } from '../entry/ExpressionInput.js'
import { Fold } from '../frame/Fold.js'
import { Checks } from '../working/Checks.js'
import { OnPaper } from '../working/OnPaper.js'
import { StepsOnRule } from '../working/StepsOnRule.js'
import { Words } from '../written/Words.js'
import { typedHere } from '../written/written.js'
import './compare.css'

const FIRST = '63*67'
const SAMPLES = [
  '364+278',
  '8341-3675',
  '48*25',
  '63*67',
  '97*105',
  '16*23+16*27',
  '2184/6',
  '7.5^2',
  'sqrt(70)',
]

/** One problem, every fitting technique side by side, with what each costs and the advice. */
export default function Compare() {
  const [search, setSearch] = useSearchParams()
  const asked = search.get('p') ?? FIRST
  const [text, setText] = useState(asked)
  const learner = useLearner()
  const variants = useVariants(learner?.id)
  const times = useTimes(learner?.id)
  const found = useMemo(() => compared(asked, variants), [asked, variants])
  const problem = useId()
  const show = (expression: string) => {
    setText(expression)
    setSearch({ p: expression }, { replace: true })
  }
  return (
    <div className="stack" style={{ gap: '1.25rem' }}>
      <h1>Compare the ways</h1>
      <form
        className="row"
        onSubmit={(event) => {
          event.preventDefault()
          show(text)
        }}
      >
        <label htmlFor={problem}>
          <strong>Problem</strong>
        </label>
        <ExpressionInput
          id={problem}
          value={text}
          onChange={setText}
          wrong={'error' in found}
          whyId={`${problem}-why`}
        />
        <button type="submit" className="key-button main">
          Compare
        </button>
        <span className="samples">
          {SAMPLES.map((sample) => (
            <button key={sample} type="button" className="key-button" onClick={() => show(sample)}>
              <Words>{problemWords(readProblem(sample))}</Words>
            </button>
          ))}
        </span>
      </form>
      {'error' in found ? (
        <p role="alert" className="said-slip" id={`${problem}-why`}>
          <Words>{found.error}</Words>
        </p>
      ) : (
        <Found key={asked} found={found} times={times.data} />
      )}
    </div>
  )
}

function compared(text: string, variants: Parameters<typeof compareWays>[1]): Comparison | { error: string } {
  try {
    return compareWays(readProblem(typedHere(text)), variants)
  } catch (error) {
    if (error instanceof InputError) return { error: error.message }
    throw error
  }
}

function Found({ found, times }: { readonly found: Comparison; readonly times: Times | undefined }) {
  const { problem, answer, ways, misfits, written, advice } = found
  const own = useMemo(() => times && quickestFor(found, times), [found, times])
  const plain = asDecimal(answer)
  return (
    <>
      <div className="found">
        <p className="big mono">
          <Words>{solvedWords(problem, answer)}</Words>
        </p>
        <div className="advice">
          <p>
            <Words>{advice}</Words>
          </p>
          {own && (
            <p>
              <Words>{own.advice}</Words>
            </p>
          )}
          {ways[0] && (
            <p className="faint">
              When to think of it: <Words>{ways[0].technique.lesson.when}</Words>
            </p>
          )}
        </div>
      </div>
      <section className="ways" aria-label="The ways that fit, least effort first">
        {ways.map(({ technique, work, effort, paper }, i) => (
          <article key={technique.id} className="way">
            <h2>
              <Link to={`/learn/${technique.id}?p=${encodeURIComponent(textOf(problem))}`}>
                {technique.name}
              </Link>
            </h2>
            <EffortLine effort={effort} paper={paper.total} />
            {own && (
              <OwnTime
                {...own.each[i]!}
                quickest={own.way.technique === technique && ways.length > 1 && !own.close}
              />
            )}
            <StepsOnRule problem={problem} work={work} />
          </article>
        ))}
        {!isItem(problem) && (
          <article className="way paper">
            <h2>On paper, the usual way</h2>
            <EffortLine effort={written} />
            <p className="faint">Counted for comparison, with everything written down.</p>
            <OnPaper problem={problem} />
          </article>
        )}
      </section>
      <Fold summary={`${misfits.length} techniques that do not fit, and why`}>
        {() => (
          <ul className="plain-list misfits">
            {misfits.map(({ technique, because }) => (
              <li key={technique.id}>
                <strong>{technique.name}</strong>: <Words>{because}</Words>.
              </li>
            ))}
          </ul>
        )}
      </Fold>
      {plain && !isItem(problem) && <CheckAnswer problem={problem} right={plain} />}
    </>
  )
}

/** What a way is likely to take the learner. */
function OwnTime(props: { readonly ms: number; readonly worked: boolean; readonly quickest: boolean }) {
  const { ms, worked, quickest } = props
  return (
    <p className={quickest ? 'own-time quickest' : 'own-time'}>
      about <Words>{seconds(ms)}</Words> {worked ? 'for you' : 'once you know it'}
      {quickest && ': quickest'}
    </p>
  )
}

function textOf(problem: Comparison['problem']): string {
  return problemWords(problem).replace(/\s/g, '').replaceAll('−', '-')
}

function EffortLine(props: { readonly effort: Effort; readonly paper?: number }) {
  const { effort, paper } = props
  return (
    <p>
      <span className="effort mono">{effort.total}</span>{' '}
      <span className="faint">
        <Words>{effortWords(effort)}</Words>
        <Words>{paper !== undefined && `; on paper ${paper}`}</Words>
      </span>
    </p>
  )
}

/** Any answer checked without redoing: first the right one, then whatever is typed. */
function CheckAnswer({
  problem,
  right,
}: {
  readonly problem: Comparison['problem']
  readonly right: Decimal
}) {
  const [text, setText] = useState(toText(right))
  const field = useId()
  const answer = readDecimal(typedHere(text))
  return (
    <section className="stack">
      <h2>Check an answer quickly</h2>
      <div className="row">
        <label htmlFor={field}>Answer</label>
        <ExpressionInput
          id={field}
          value={text}
          onChange={setText}
          wrong={!answer}
          whyId={`${field}-why`}
          width="14rem"
        />
      </div>
      {answer ? (
        <Checks problem={problem} answer={answer} />
      ) : (
        <p className="said-slip" id={`${field}-why`}>
          Type a number of at most 40 digits.
        </p>
      )}
    </section>
  )
}
