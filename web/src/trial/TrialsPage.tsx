import { TRIALS, type Trial, trialById, trialRecipe, trialResult, trialStanding } from '@tachymetra/core/set'
import type { LearnerWire } from '@tachymetra/core/wire'
import { resultWords, scoreWords } from '@tachymetra/core/words'
import { useMemo, useRef } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import { beginSession } from '../data/begin.js'
import { freshSeed } from '../data/fresh.js'
import { useTrials } from '../data/given.js'
import { useDoing } from '../forms/useDoing.js'
import { Loading } from '../frame/Loading.js'
import { OneLearner } from '../frame/OneLearner.js'
import { PaperPages } from '../frame/PaperPages.js'
import { Trouble } from '../frame/Trouble.js'
import { wakeSound } from '../sound/sound.js'
import { Words } from '../written/Words.js'
import { Past } from './Past.js'
import { type Run, shortScore } from './runs.js'
import './trial.css'

/** Trials: the same kind of set from month to month, compared with one's own past. */
export default function TrialsPage() {
  return <OneLearner>{(learner) => <Trials key={learner.id} learner={learner} />}</OneLearner>
}

function Trials({ learner }: { readonly learner: LearnerWire }) {
  const navigate = useNavigate()
  const [search, setSearch] = useSearchParams()
  const worked = useTrials(learner.id)
  const [fault, doing] = useDoing()
  const past = useRef<HTMLDivElement>(null)
  const runs = useMemo(
    () =>
      (worked.data ?? []).map((t): Run => {
        const { id, startedAt, recipe } = t
        return { id, startedAt, recipe, result: trialResult(recipe, t.answers) }
      }),
    [worked.data],
  )
  const chosen = trialById(search.get('trial') ?? runs[0]?.recipe.trial) ?? TRIALS[0]!
  const begin = (trial: Trial) => {
    wakeSound()
    void doing(async () => {
      const recipe = trialRecipe(trial.id, freshSeed())
      await navigate(await beginSession(learner.id, recipe))
    })
  }
  const list = (trials: readonly Trial[]) => (
    <ul className="plain-list trials">
      {trials.map((trial) => (
        <li key={trial.id} className={trial === chosen ? 'chosen' : ''}>
          <button
            type="button"
            className="trial-name"
            aria-pressed={trial === chosen}
            onClick={() => {
              setSearch({ trial: trial.id }, { replace: true })
              // On a narrow page it stands below the list.
              past.current?.scrollIntoView({ block: 'nearest' })
            }}
          >
            <strong>{trial.name}</strong>
            <span className="faint">
              <Words>{standingWords(trial, runs)}</Words>
            </span>
          </button>
          <button
            type="button"
            className="key-button"
            aria-label={`Begin: ${trial.name}`}
            onClick={() => begin(trial)}
          >
            Begin
          </button>
        </li>
      ))}
    </ul>
  )
  if (worked.isPending) return <Loading />
  return (
    <div className="stack loose">
      <h1>
        Trials{' '}
        <span className="faint aside">
          for <bdi>{learner.name}</bdi>
        </span>
      </h1>
      <PaperPages />
      <p>
        A trial never changes in kind, only in its numbers: so your best and your usual result mean something
        from month to month. It asks for answers only, and says at the end what was right.
      </p>
      {fault && <Trouble error={fault} />}
      {worked.isLoadingError && <Trouble error={worked.error} retry={() => worked.refetch()} />}
      <div className="trial-page">
        <div className="stack">
          {list(TRIALS.filter((t) => !t.large))}
          <h2>Larger ones</h2>
          {list(TRIALS.filter((t) => t.large))}
        </div>
        <Past key={chosen.id} trial={chosen} all={runs} learner={learner} onBegin={() => begin(chosen)} />
      </div>
    </div>
  )
}

/** "best 12.4, usually 9.8" */
function standingWords(trial: Trial, runs: readonly Run[]): string {
  const its = runs.filter((r) => r.recipe.trial === trial.id)
  const standing = trialStanding(its.map((r) => r.result))
  if (!standing)
    return its[0] ? resultWords(its[0].result.right, its[0].result.of, its[0].result.ms) : 'not yet'
  const best = scoreWords(standing.best, trial.unit)
  return standing.runs === 1 ? best : `best ${best}, usually ${shortScore(standing.median, trial.unit)}`
}
