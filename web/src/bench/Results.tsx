import { perMinute, type Recipe, trialById, trialResult, trialStanding } from '@tachymetra/core/set'
import { besideWords, resultWords, scoreWords } from '@tachymetra/core/words'
import { Button } from 'antd'
import { Link, useNavigate } from 'react-router'
import { Figure } from '../charts/figures.js'
import { beginSession } from '../data/begin.js'
import { useTrials } from '../data/given.js'
import { useNeeds } from '../data/needs.js'
import { useDoing } from '../forms/useDoing.js'
import { Trouble } from '../frame/Trouble.js'
import type { LocalSession } from '../kept/store.js'
import { minuteWords } from '../words/words.js'
import { Words } from '../written/Words.js'

interface Answer {
  readonly n: number
  readonly outcome: 'done' | 'skipped' | 'timed-out' | 'stopped'
  readonly right: boolean
  readonly totalMs: number
}

/** What a round or a trial came to; nothing for any other session. */
export function Results(props: { readonly session: LocalSession; readonly answers: readonly Answer[] }) {
  const { recipe } = props.session
  if (recipe.round) return <RoundResult {...props} />
  return recipe.trial === undefined ? null : <TrialResult {...props} />
}

function RoundResult({ session, answers }: Parameters<typeof Results>[0]) {
  const { calm } = useNeeds()
  const right = answers.filter((a) => a.right).length
  const out = answers.filter((a) => a.outcome === 'timed-out').length
  const ms = answers.reduce((sum, a) => sum + a.totalMs, 0)
  return (
    <>
      <dl className="figures">
        <Figure name="right before the bell" value={`${right} of ${answers.length}`} />
        <Figure name="out of time" value={String(out)} />
        {!calm && <Figure name="right answers a minute" value={minuteWords(perMinute(right, ms))} />}
      </dl>
      <div className="row">
        <Again session={session} recipe={session.recipe} words="Another round" />
      </div>
    </>
  )
}

/** A trial beside one's own past. */
function TrialResult({ session, answers }: Parameters<typeof Results>[0]) {
  const { recipe, learnerId, startedAt } = session
  const trial = trialById(recipe.trial)
  const past = useTrials(learnerId)
  if (!trial) return null
  const result = trialResult(
    recipe,
    answers.map(({ totalMs, ...a }) => ({ ...a, ms: totalMs })),
  )
  const before = past.data
    ?.filter((t) => t.recipe.trial === trial.id && t.startedAt < startedAt)
    .map((t) => trialResult(t.recipe, t.answers))
  return (
    <>
      <p className="advice" role="status">
        <strong>
          <Words>{scoreWords(result.score, trial.unit)}</Words>.
        </strong>{' '}
        <Words>{resultWords(result.right, result.of, result.ms)}</Words>.{' '}
        <Words>
          {result.whole
            ? before && besideWords(result.score, trial.unit, trialStanding(before))
            : 'Not all was worked, so this run is not compared.'}
        </Words>
      </p>
      <div className="row">
        <Again session={session} recipe={recipe} words="Once more" />
        <Link to={`/papers/trials?trial=${trial.id}`}>All runs of this trial</Link>
      </div>
    </>
  )
}

/** The same with other problems, where they are drawn. */
function Again(props: { readonly session: LocalSession; readonly recipe: Recipe; readonly words: string }) {
  const { session, recipe, words } = props
  const navigate = useNavigate()
  const [fault, doing] = useDoing()
  const again = () =>
    doing(async () => {
      const { extraTime: _, ...plain } = recipe
      await navigate(await beginSession(session.learnerId, plain))
    })
  return (
    <>
      <Button type="primary" onClick={() => void again()}>
        <Words>{words}</Words>
      </Button>
      {fault && <Trouble error={fault} />}
    </>
  )
}
