import {
  clearFrame,
  frameValue,
  lineOf,
  lowestOf,
  lowestPlace,
  momentAfter,
  problemWords,
  readAttempt,
  readDecimal,
  replay,
  SUPPORT_NAMES,
  setNumber,
  toWords,
  trace,
} from '@tachymetra/core'
import type { AttemptWire } from '@tachymetra/core/wire'
import { useMemo, useState } from 'react'
import { Link, useParams } from 'react-router'
import { useAttempt } from '../data/queries.js'
import { KeyButton } from '../parts/KeyButton.js'
import { Loading } from '../parts/Loading.js'
import { Mark } from '../parts/Mark.js'
import { PlaceRule } from '../parts/PlaceRule.js'
import { SorobanFrame } from '../parts/SorobanFrame.js'
import { Trouble } from '../parts/Trouble.js'
import { useKeys } from '../parts/useKeys.js'
import { levelWords, seconds, when } from '../parts/words.js'

/** One attempt played back, an entry at a time. */
export default function AttemptPage() {
  const { id = '' } = useParams()
  const attempt = useAttempt(id)
  if (attempt.isPending) return <Loading />
  if (attempt.isLoadingError) return <Trouble error={attempt.error} retry={() => attempt.refetch()} />
  return <Replay attempt={attempt.data} />
}

function Replay({ attempt }: { readonly attempt: AttemptWire }) {
  const { technique, problem, school } = useMemo(() => readAttempt(attempt), [attempt])
  const { entries } = attempt
  const whole = useMemo(() => trace(technique, problem, school), [technique, problem, school])
  // Played back over the entries made, since another order of working asks other steps.
  const { steps, next } = useMemo(() => {
    const accepted = entries.filter((e) => e.right && e.step > 0).map((e) => readDecimal(e.value)!)
    return replay(technique, problem, school, accepted)
  }, [technique, problem, school, entries])
  const [at, setAt] = useState(0)
  const onward = () => setAt(Math.min(entries.length, at + 1))
  const back = () => setAt(Math.max(0, at - 1))
  useKeys({ ArrowRight: onward, ArrowLeft: back, Enter: onward }, () => {}, true)

  const entry = entries[at - 1]
  const reached = entries.slice(0, at).findLast((e) => e.right)
  const line = useMemo(() => {
    if (!reached) return { negative: false, cells: [] }
    const value = readDecimal(reached.value)!
    if (reached.step === 0) return lineOf(value, Math.min(lowestOf(problem), lowestPlace(value)))
    return momentAfter(steps[reached.step - 1]!, value).writes
  }, [problem, steps, reached])
  const standing = reached
    ? readDecimal(reached.value)!
    : frameValue(technique.frame?.(problem) ?? clearFrame())
  const ended = at === entries.length && attempt.outcome === 'done'
  return (
    <div className="stack" style={{ gap: '1rem' }}>
      <p>
        <Link to="/record">Record</Link> / <Link to={`/record/sitting/${attempt.sittingId}`}>sitting</Link>
      </p>
      <h1 className="mono">{problemWords(problem)}</h1>
      <p className="faint">
        {technique.name}, {levelWords(attempt.level)}, {SUPPORT_NAMES[attempt.support].toLowerCase()},{' '}
        {when(attempt.startedAt)}.{' '}
        {attempt.timed
          ? `Thinking ${seconds(attempt.thinkMs)}, keying ${seconds(attempt.keyMs)}, together ${seconds(attempt.totalMs)}.`
          : 'Left alone for over a minute: not timed.'}
      </p>
      <PlaceRule problem={problem} line={line} place={ended ? undefined : entry?.place} finished={ended} />
      {technique.frame && (
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
            <Mark right={e.right} /> <span className="mono">{toWords(readDecimal(e.value)!)}</span>
            {e.by === 'program' && <span className="faint"> shown</span>}{' '}
            <span className="faint">after {seconds(e.ms)}</span>
            <br />
            <span className="faint">{e.step === 0 ? 'The answer.' : (steps[e.step - 1] ?? next)!.ask}</span>
            {e.remark && <span className="said-slip"> {e.remark}</span>}
          </li>
        ))}
      </ol>
      {attempt.outcome === 'skipped' && at === entries.length && <p>Skipped here.</p>}
      {attempt.support === 'answer' && (
        <details>
          <summary>How {technique.name.toLowerCase()} works it</summary>
          <ol>
            {whole.steps.map((s, i) => (
              <li key={i}>
                {s.ask} <span className="mono">{toWords(s.expect)}</span>
              </li>
            ))}
          </ol>
        </details>
      )}
    </div>
  )
}
