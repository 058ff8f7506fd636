import { drillById, practiceName } from '@tachymetra/core/drill'
import { readGrid } from '@tachymetra/core/flash'
import { lowestPlace, marked, readDecimal } from '@tachymetra/core/number'
import { isItem, lowestOf, problemWords } from '@tachymetra/core/problem'
import { exerciseOf, moved, passedOver, replayOf, SUPPORT_NAMES, withRemarks } from '@tachymetra/core/session'
import { clearFrame, frameOf, frameValue, isAbacus, setNumber } from '@tachymetra/core/soroban'
import { lineOf, momentAfter } from '@tachymetra/core/technique'
import type { AttemptWire } from '@tachymetra/core/wire'
import { seconds } from '@tachymetra/core/words'
import { useMemo, useState } from 'react'
import { Link, useParams } from 'react-router'
import { SorobanFrame } from '../beads/SorobanFrame.js'
import { useAttempt, useZone } from '../data/queries.js'
import { KeyButton } from '../entry/KeyButton.js'
import { useKeys } from '../entry/useKeys.js'
import { Loading } from '../frame/Loading.js'
import { NotInRecord } from '../frame/Missing.js'
import { levelWords, when } from '../words/words.js'
import { GridTable } from '../working/GridTable.js'
import { HowItGoes } from '../working/HowItGoes.js'
import { Mark } from '../working/Mark.js'
import { PlaceRule } from '../working/PlaceRule.js'
import { entryWords, passedName } from '../working/saying.js'
import { Words } from '../written/Words.js'
import './record.css'

const ENDED = {
  skipped: 'Skipped here.',
  stopped: 'Stopped here.',
  'timed-out': 'Out of time here.',
} as const

/** One attempt played back, an entry at a time. */
export default function AttemptPage() {
  const { id = '' } = useParams()
  const attempt = useAttempt(id)
  if (attempt.isPending) return <Loading />
  if (attempt.isLoadingError)
    return <NotInRecord what="problem" error={attempt.error} retry={() => attempt.refetch()} />
  if (attempt.data.technique === 'grid') return <GridAttempt attempt={attempt.data} />
  return drillById(attempt.data.technique) ? (
    <DrillAttempt attempt={attempt.data} />
  ) : (
    <Replay attempt={attempt.data} />
  )
}

/** A grid with the sums as they were entered. */
function GridAttempt({ attempt }: { readonly attempt: AttemptWire }) {
  const timeZone = useZone(attempt.learnerId)
  const grid = readGrid(attempt.expression)
  const of = (i: number) => attempt.entries.filter((e) => e.step === i + 1)
  return (
    <div className="stack">
      <Trail attempt={attempt} />
      <h1>Grid</h1>
      <p className="faint">{when(attempt.startedAt, timeZone)}</p>
      <GridTable
        grid={grid}
        sum={(i) =>
          of(i).map((e, k) => (
            <span key={k}>
              <Words>{marked(e.text)}</Words> <Mark right={moved(e)} />{' '}
            </span>
          ))
        }
      />
      <Outcome attempt={attempt} />
    </div>
  )
}

/** An item of a drill: each question with what was answered. */
function DrillAttempt({ attempt }: { readonly attempt: AttemptWire }) {
  const timeZone = useZone(attempt.learnerId)
  const { questions, says } = drillById(attempt.technique)!.read(attempt.expression)
  return (
    <div className="stack">
      <Trail attempt={attempt} />
      <h1>
        {practiceName(attempt.technique)}{' '}
        <span className="mono">
          <Words>{says}</Words>
        </span>
      </h1>
      <p className="faint">{when(attempt.startedAt, timeZone)}</p>
      <ol className="plain-list">
        {attempt.entries.filter(isEntered).map((e, i) => {
          const { ask, kind } = questions[e.step - 1]!
          return (
            <li key={i} className="replay-entry">
              <Mark right={moved(e)} /> <Words>{ask}</Words>{' '}
              <strong>
                <Words>{kind.say(kind.read(e.text)!)}</Words>
              </strong>{' '}
              {!isOnPaper(attempt) && (
                <span className="faint">
                  after <Words>{seconds(e.ms)}</Words>
                </span>
              )}
            </li>
          )
        })}
      </ol>
      <Outcome attempt={attempt} />
    </div>
  )
}

const isOnPaper = ({ events }: AttemptWire) => events.some((e) => e.kind === 'on-paper')

/** Of an answer that was only marked no value is known. */
const isEntered = ({ text }: { readonly text: string }) => text !== ''

function Outcome({ attempt }: { readonly attempt: AttemptWire }) {
  if (attempt.outcome !== 'done') return <p>{ENDED[attempt.outcome]}</p>
  if (isOnPaper(attempt))
    return <p>Worked on paper and keyed in: {attempt.right ? 'all right' : 'marked as wrong'}.</p>
  return (
    <p>
      {attempt.right ? 'All right' : 'Right in the end'}, in <Words>{seconds(attempt.totalMs)}</Words>.
    </p>
  )
}

function Trail({ attempt }: { readonly attempt: AttemptWire }) {
  return (
    <p>
      <Link to="/record">Record</Link> / <Link to={`/record/session/${attempt.sessionId}`}>session</Link>
    </p>
  )
}

function Replay({ attempt }: { readonly attempt: AttemptWire }) {
  const timeZone = useZone(attempt.learnerId)
  const exercise = useMemo(() => exerciseOf(attempt), [attempt])
  const { technique, problem } = exercise
  const entries = useMemo(() => withRemarks(attempt, attempt.entries), [attempt])
  // Played back over what happened, since another variant asks other steps.
  const walk = useMemo(() => replayOf(attempt)?.walks[0], [attempt])
  const steps = useMemo(() => (walk ? [...walk.steps, ...(walk.next ? [walk.next] : [])] : []), [walk])
  const [at, setAt] = useState(0)
  const onward = () => setAt(Math.min(entries.length, at + 1))
  const back = () => setAt(Math.max(0, at - 1))
  useKeys({ ArrowRight: onward, ArrowLeft: back, Enter: onward }, undefined, true)

  const entry = entries[at - 1]
  const reached = entries.slice(0, at).findLast(moved)
  const line = useMemo(() => {
    if (!reached) return { negative: false, cells: [] }
    const value = readDecimal(reached.text)
    if (!value || isItem(problem)) return { negative: false, cells: [] }
    if (reached.step === 0) return lineOf(value, Math.min(lowestOf(problem), lowestPlace(value)))
    const step = steps[reached.step + reached.took - 2]
    return step ? momentAfter(step, value).writes : { negative: false, cells: [] }
  }, [problem, steps, reached])
  const standing =
    (reached && readDecimal(reached.text)) ?? frameValue(frameOf(technique, problem) ?? clearFrame())
  const slipped = entries.find((e) => e.step === 0 && e.slips.length > 0)
  const ended = at === entries.length && attempt.outcome === 'done'
  const onPaper = isOnPaper(attempt)
  return (
    <div className="stack" style={{ gap: '1rem' }}>
      <Trail attempt={attempt} />
      <h1 className="mono">
        <Words>{problemWords(problem)}</Words>
      </h1>
      <p className="faint">
        {technique.name}, {levelWords(attempt.level)}, {SUPPORT_NAMES[attempt.support].toLowerCase()},{' '}
        {when(attempt.startedAt, timeZone)}.{' '}
        <Words>
          {attempt.timed
            ? `Thinking ${seconds(attempt.thinkMs)}, keying ${seconds(attempt.keyMs)}, together ${seconds(attempt.totalMs)}.`
            : onPaper
              ? 'Worked on paper and keyed in: not timed.'
              : 'Left alone for over a minute: not timed.'}
        </Words>
      </p>
      <PlaceRule problem={problem} line={line} place={ended ? undefined : entry?.place} finished={ended} />
      {isAbacus(technique) && (
        <SorobanFrame
          frame={setNumber(technique.frame(problem), standing)}
          lit={ended ? undefined : entry?.place}
        />
      )}
      <div className="row keys-line">
        <KeyButton label="Back" shortcut="←" onPress={back} disabled={at === 0} />
        <span>
          {at} of {entries.length} {entries.length === 1 ? 'entry' : 'entries'}
        </span>
        <KeyButton label="Next" shortcut="→" onPress={onward} disabled={at === entries.length} main />
      </div>
      <ol className="plain-list" aria-live="polite">
        {entries.slice(0, at).map((e, i) => (
          <li key={i} className="replay-entry">
            {passedOver(e) ? <span aria-hidden="true">·</span> : <Mark right={moved(e)} />}{' '}
            {isEntered(e) ? (
              <span className="mono">
                <Words>{entryWords(walk, e)}</Words>
              </span>
            ) : (
              <span>marked as wrong</span>
            )}
            {e.verdict === 'given' && <span className="faint"> shown</span>}
            {passedOver(e) && <span className="faint"> {passedName(e)}</span>}
            {e.took > 1 && <span className="faint"> at once</span>}{' '}
            {!onPaper && (
              <span className="faint">
                after <Words>{seconds(e.ms)}</Words>
              </span>
            )}
            <br />
            <span className="faint">
              <Words>{e.step === 0 ? 'The answer.' : steps[e.step - 1]?.ask}</Words>
            </span>
            {e.slips.map((s, k) => (
              <span key={k} className="said-slip">
                {' '}
                <Words>{s.remark}</Words>
              </span>
            ))}
          </li>
        ))}
      </ol>
      {attempt.outcome !== 'done' && at === entries.length && <p>{ENDED[attempt.outcome]}</p>}
      {attempt.support === 'answer' && (
        <HowItGoes
          exercise={exercise}
          slips={slipped?.slips ?? []}
          answer={slipped?.text}
          summary={`How ${technique.name.toLowerCase()} works it`}
          open={false}
        />
      )}
    </div>
  )
}
