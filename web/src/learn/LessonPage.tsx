import { InputError, printProblem, readProblem, solvedWords } from '@tachymetra/core/problem'
import { TECHNIQUES, techniqueById } from '@tachymetra/core/registry'
import { beadWorkOf, clearFrame, frameOf } from '@tachymetra/core/soroban'
import { type Slip, type Step, type Technique, trace, type Variant } from '@tachymetra/core/technique'
import { seconds, slipName } from '@tachymetra/core/words'
import { useId, useMemo, useState } from 'react'
import { Link, useParams, useSearchParams } from 'react-router'
import { FramePlayer } from '../beads/FramePlayer.js'
import { useLearner } from '../data/queries.js'
import { useSettings } from '../data/settings.js'
import { useVariantSetter, useVariants, variantIn } from '../data/variants.js'
import { ExpressionInput } from '../entry/ExpressionInput.js'
import { KeyButton } from '../entry/KeyButton.js'
import { VariantChoice } from '../forms/VariantChoice.js'
import { Missing } from '../frame/Missing.js'
import { aloud } from '../words/words.js'
import { Hands } from '../working/Hand.js'
import { PlaceRule } from '../working/PlaceRule.js'
import { Words } from '../written/Words.js'
import { typedHere } from '../written/written.js'
import { Trying } from './Trying.js'
import './learn.css'

/** One technique explained, on the learner's own numbers. */
export default function LessonPage() {
  const { id = '' } = useParams()
  const technique = TECHNIQUES.find((t) => t.id === id)
  if (!technique)
    return (
      <Missing head="There is no such technique">
        The address may be mistyped; the desk lists every technique.
      </Missing>
    )
  return <Page key={id} technique={technique} />
}

function Page({ technique }: { readonly technique: Technique }) {
  const { lesson } = technique
  const [search] = useSearchParams()
  const learnerId = useLearner()?.id
  const variant = variantIn(useVariants(learnerId), technique)
  const setVariant = useVariantSetter(learnerId)
  const [text, setText] = useState(search.get('p') ?? lesson.example)
  const found = useMemo(() => workedOut(technique, text, variant), [technique, text, variant])
  const field = useId()
  return (
    <div className="lesson">
      <div className="stack" style={{ gap: '1rem' }}>
        <h1>
          {technique.name} <span className="faint">{technique.family}</span>
        </h1>
        <p>
          <Words>{technique.about}</Words>
        </p>
        <dl className="when">
          <dt>When</dt>
          <dd>
            <Words>{lesson.when}</Words>
          </dd>
          <dt>When not</dt>
          <dd>
            <Words>{lesson.whenNot}</Words>
          </dd>
        </dl>
        {technique.family !== 'soroban' && (
          <Trying
            technique={technique}
            variant={variant}
            onOver={(problem) => setText(printProblem(problem))}
          />
        )}
        <section className="stack">
          <div className="row">
            <h2>
              <label htmlFor={field}>The steps, on your own numbers</label>
            </h2>
            <ExpressionInput
              id={field}
              value={text}
              onChange={setText}
              wrong={'error' in found}
              whyId={`${field}-why`}
              width="15rem"
            />
          </div>
          {'error' in found ? (
            <p role="alert" className="said-slip" id={`${field}-why`}>
              <Words>{found.error}</Words>
            </p>
          ) : (
            <Walk
              key={text}
              technique={technique}
              problem={found.problem}
              steps={found.steps}
              answer={found.answer}
            />
          )}
        </section>
      </div>
      <About technique={technique} found={found} text={text} variant={variant} onVariant={setVariant} />
    </div>
  )
}

type Found = ReturnType<typeof workedOut>

/** What there is to know about a technique beside its steps. */
function About(props: {
  readonly technique: Technique
  readonly found: Found
  readonly text: string
  readonly variant: Variant
  readonly onVariant: ReturnType<typeof useVariantSetter>
}) {
  const { technique, found, text, variant, onVariant } = props
  const { lesson, levels, needs, variants } = technique
  const later = TECHNIQUES.filter((t) => t.needs.includes(technique.id))
  return (
    <aside className="side stack" style={{ gap: '1.1rem' }} aria-label="About this technique">
      <section>
        <h2>Why it works</h2>
        {lesson.because.map((line) => (
          <p key={line}>
            <Words>{line}</Words>
          </p>
        ))}
      </section>
      {'slips' in found && <CommonSlips slips={found.slips} />}
      {variants.length > 0 && (
        <section className="stack">
          <h2>Ways of doing it</h2>
          <p className="faint">Practitioners differ; none of these is the only way.</p>
          <VariantChoice
            technique={technique}
            variant={variant}
            onChange={(key, value) => onVariant(technique, key, value)}
          />
        </section>
      )}
      <section>
        <h2>Before and after</h2>
        <p>
          First comes{' '}
          {needs.length ? <Names techniques={needs.map(techniqueById)} /> : 'nothing but the facts'}.
          {later.length > 0 && (
            <>
              {' '}
              Needed for <Names techniques={later} />.
            </>
          )}
        </p>
      </section>
      <section>
        <h2>Target</h2>
        <p>
          <Words>{seconds(levels[0]!.targetMs)}</Words> on the first of {levels.length} levels (
          {levels[0]!.name.toLowerCase()}), <Words>{seconds(levels.at(-1)!.targetMs)}</Words> on the last (
          {levels.at(-1)!.name.toLowerCase()}).
        </p>
      </section>
      <Onward technique={technique} text={'problem' in found ? text : undefined} />
    </aside>
  )
}

function CommonSlips({ slips }: { readonly slips: Extract<Found, { slips: unknown }>['slips'] }) {
  if (slips.length === 0) return null
  return (
    <section>
      <h2>Common mistakes, in this example</h2>
      <ul className="plain-list slips">
        {slips.map(({ slip, step }) => (
          <li key={slip.id}>
            <strong>{slipName(slip.id)}</strong>:{' '}
            <span className="mono said-slip">
              <Words>{step.kind.say(slip.entry)}</Words>
            </span>{' '}
            for{' '}
            <span className="mono">
              <Words>{step.kind.say(step.expect)}</Words>
            </span>
            . <Words>{slip.remark}</Words>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** @param text a problem that other ways can be compared on; undefined for none */
function Onward({ technique, text }: { readonly technique: Technique; readonly text: string | undefined }) {
  return (
    <p>
      <Link to={`/?technique=${technique.id}`}>Practise it</Link>
      {technique.conditions && (
        <>
          {' · '}
          <Link to={`/choose?trick=${technique.id}`}>Does it fit?</Link>
        </>
      )}
      {technique.id === 'multiply-crosswise' && (
        <>
          {' · '}
          <Link to="/learn/pattern">Its pattern, to print</Link>
        </>
      )}
      {text !== undefined && (
        <>
          {' · '}
          <Link to={`/compare?p=${encodeURIComponent(text)}`}>Compare other ways</Link>
        </>
      )}
    </p>
  )
}

function Names({ techniques }: { readonly techniques: readonly Technique[] }) {
  return techniques.map((t, i) => (
    <span key={t.id}>
      {i > 0 && (i === techniques.length - 1 ? ' and ' : ', ')}
      <Link to={`/learn/${t.id}`}>{t.name}</Link>
    </span>
  ))
}

/** How many of a working's slips are told on the page. */
const MOST_SLIPS = 5

function workedOut(technique: Technique, text: string, variant: Parameters<typeof trace>[2]) {
  try {
    const problem = readProblem(typedHere(text))
    const { steps, answer } = trace(technique, problem, variant)
    const all = steps.flatMap((step) => step.slips().map((slip) => ({ slip, step })))
    const likeliest = all.sort((a, b) => b.slip.odds - a.slip.odds)
    const slips = likeliest.filter(({ slip }, i) => likeliest.findIndex((o) => o.slip.id === slip.id) === i)
    return {
      problem,
      steps,
      answer,
      slips: slips.slice(0, MOST_SLIPS) as readonly { slip: Slip; step: Step }[],
    }
  } catch (error) {
    if (error instanceof InputError) return { error: error.message }
    throw error
  }
}

/** The working, all steps in a list; the one pointed at stands on the rule. */
function Walk(props: {
  readonly technique: Technique
  readonly problem: ReturnType<typeof readProblem>
  readonly steps: readonly Step[]
  readonly answer: ReturnType<typeof trace>['answer']
}) {
  const { technique, problem, steps, answer } = props
  const [at, setAt] = useState(0)
  const { rods } = useSettings()
  const start = useMemo(() => frameOf(technique, problem, rods) ?? clearFrame(), [technique, problem, rods])
  const step = steps[at]!
  const beads = beadWorkOf(step)
  return (
    <>
      {beads ? (
        <FramePlayer key={at} start={start} work={beads} place={step.place} />
      ) : (
        <PlaceRule problem={problem} line={step.writes} place={step.place} links={step.links} />
      )}
      <div className="row keys-line">
        <KeyButton label="Back" onPress={() => setAt(Math.max(0, at - 1))} disabled={at === 0} />
        <span>
          step {at + 1} of {steps.length}
        </span>
        <KeyButton
          label="Next"
          onPress={() => setAt(Math.min(steps.length - 1, at + 1))}
          disabled={at === steps.length - 1}
          main
        />
      </div>
      <p className="sr-only" role="status">
        <Words>{aloud(`${step.ask} ${step.kind.say(step.expect)}. ${step.why}`)}</Words>
      </p>
      <div style={{ textAlign: 'center' }}>
        <p className="question" style={{ minHeight: 0 }}>
          <Words>{step.ask}</Words>{' '}
          <strong className="mono">
            <Words>{step.kind.say(step.expect)}</Words>
          </strong>
        </p>
        <p className="faint">
          <Words>{step.why}</Words>
        </p>
      </div>
      <Hands holds={step.holds} />
      <ol className="lesson-steps">
        {steps.map((s, i) => (
          <li key={i} aria-current={i === at ? 'step' : undefined}>
            <button type="button" onClick={() => setAt(i)}>
              <Words>{s.ask}</Words>{' '}
              <span className="mono">
                <Words>{s.kind.say(s.expect)}</Words>
              </span>
            </button>
          </li>
        ))}
      </ol>
      <p className="mono">
        <Words>{solvedWords(problem, answer)}</Words>
      </p>
    </>
  )
}
