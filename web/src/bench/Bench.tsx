import { aimFor } from '@tachymetra/core/curriculum'
import { drillById } from '@tachymetra/core/drill'
import { OWN_LEVEL, techniqueById } from '@tachymetra/core/registry'
import { type Exercise, progressOf, SUPPORT_NAMES, SUPPORTS, type Support } from '@tachymetra/core/session'
import { type Item, isDrawable, type Recipe, watchedItems } from '@tachymetra/core/set'
import { variantOf } from '@tachymetra/core/technique'
import { useMemo, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { useLearnerSettings } from '../data/learnerSettings.js'
import { useLatest, useLearners } from '../data/queries.js'
import { Loading } from '../frame/Loading.js'
import { Missing } from '../frame/Missing.js'
import { Trouble } from '../frame/Trouble.js'
import { useKept } from '../kept/kept.js'
import type { LocalSession } from '../kept/store.js'
import { usePractice } from '../practice/usePractice.js'
import { levelName } from '../words/words.js'
import { Questions } from './Questions.js'
import { hasStart, ReadyGo } from './ReadyGo.js'
import { Summary } from './Summary.js'
import { Working } from './Working.js'
import { Watching } from './watch/Watching.js'
import './bench.css'

/** A session at the bench, from wherever it was left: it is kept in this browser, so a reload goes on with it. */
export default function Bench() {
  const { sessionId = '' } = useParams()
  const session = useKept(sessionId)
  if (session === undefined) return <Loading />
  if (session === null)
    return (
      <Missing head="This session is not here">
        Sessions are kept for seven days in the browser they were begun in. What was worked is in the record.
      </Missing>
    )
  return <Session key={session.id} kept={session} />
}

type Problem = Extract<Item, { kind: 'problem' }>

/** Problems of the kind to be watched; none where another version has drawn them. */
function useWatched(kept: LocalSession): readonly Problem[] {
  return useMemo(
    () =>
      isDrawable(kept) ? watchedItems(kept).flatMap((item) => (item?.kind === 'problem' ? [item] : [])) : [],
    [kept],
  )
}

function Session({ kept }: { readonly kept: LocalSession }) {
  const { recipe, learnerId } = kept
  const navigate = useNavigate()
  const practice = usePractice(kept)
  const { session, n, item, turn, left } = practice
  const [support, setSupport] = useState<Support>(() =>
    kept.open && isProblem(kept.open) ? progressOf(kept.open).support : recipe.support,
  )
  const [watched, setWatched] = useState(0)
  // Whoever comes back in the middle goes on at once.
  const [started, setStarted] = useState(
    () => !hasStart(recipe) || kept.attempts.length > 0 || kept.open !== undefined,
  )
  const toWatch = useWatched(kept)
  const problem = item?.kind === 'problem' ? item : undefined
  const exercise = useExerciseOf(kept, problem, support)
  const aim = useAim(learnerId, problem)
  const stop = () => {
    if (!practice.stop()) void navigate('/')
  }
  if (practice.ended || n === undefined || (!exercise && item?.kind !== 'drill'))
    return (
      <>
        {!isDrawable(kept) && (
          <Trouble
            error={new Error('This session was begun with another version of the program. Start another.')}
          />
        )}
        <Summary session={session} />
      </>
    )
  if (!started) return <ReadyGo recipe={recipe} items={left} onGo={() => setStarted(true)} onStop={stop} />
  const worked = {
    session,
    n,
    open: session.open?.n === n ? session.open : undefined,
    at: turn + 1,
    of: turn + left,
    onHappened: practice.happened,
    onNext: practice.next,
    onStop: stop,
  }
  if (item?.kind === 'drill') return <Questions key={turn} {...worked} drill={item.drill} text={item.text} />
  if (!exercise) return null
  const { technique, variant } = exercise
  return (
    <div className="bench">
      <BenchHead
        learnerId={learnerId}
        exercise={isMixed(recipe) && support === 'answer' ? undefined : exercise}
        support={support}
        onSupport={hasStart(recipe) ? undefined : setSupport}
      />
      {practice.trouble && <Trouble error={practice.trouble} />}
      {support === 'watch' ? (
        <Watching
          key={watched}
          technique={technique}
          variant={variant}
          problem={toWatch[(n - 1 + watched) % toWatch.length]!.problem}
          onAnother={() => setWatched(watched + 1)}
          onTry={() => setSupport('guided')}
          onStop={stop}
        />
      ) : (
        <Working
          key={turn}
          {...worked}
          exercise={exercise}
          support={support}
          targetMs={session.first ? undefined : aim}
        />
      )}
    </div>
  )
}

/** Is an attempt at a problem of a technique, and not at what a drill asks? */
const isProblem = ({ technique }: { readonly technique: string }) => !drillById(technique)

/** The time to aim for at a problem, from the learner's own answers at its level as far as they are known here. */
function useAim(learnerId: string, item: Problem | undefined): number | undefined {
  const settings = useLearnerSettings(learnerId)
  const latest = useLatest(
    learnerId,
    item?.technique ?? '',
    item && item.level !== OWN_LEVEL ? item.level : undefined,
  )
  return item && aimFor(settings, item.technique, item.level, latest.data ?? [])
}

/** The problem that is open as it is worked by this learner; the same one as long as nothing about it changes. */
function useExerciseOf(
  session: LocalSession,
  item: Problem | undefined,
  support: Support,
): Exercise | undefined {
  return useMemo(() => {
    if (!item) return undefined
    const technique = techniqueById(item.technique)
    const variant = variantOf(technique, session.variants?.[item.technique])
    const worked = support === 'watch' ? 'guided' : support
    return { technique, variant, level: item.level, support: worked, problem: item.problem }
  }, [session, item, support])
}

/** Problems of several techniques, shuffled. */
const isMixed = ({ sources, order }: Recipe) => order === 'mixed' && sources.length > 1

function BenchHead(props: {
  readonly learnerId: string
  /** Undefined where it is not told which technique is meant: that is for the learner to see. */
  readonly exercise: Exercise | undefined
  readonly support: Support
  /** Left out where the support is part of what is asked. */
  readonly onSupport: ((support: Support) => void) | undefined
}) {
  const { learnerId, exercise, support, onSupport } = props
  const name = useLearners().data?.find((l) => l.id === learnerId)?.name
  return (
    <div className="bench-head row spread">
      <h1>
        {exercise?.technique.name ?? 'Mixed practice'}{' '}
        {exercise && <span className="faint aside">{levelName(exercise)}</span>}
        {name && (
          <span className="faint who">
            <bdi>{name}</bdi>
          </span>
        )}
      </h1>
      {onSupport && (
        <fieldset className="row">
          <legend className="sr-only">Support</legend>
          {SUPPORTS.map((s) => (
            <label key={s}>
              <input
                type="radio"
                name="support"
                checked={s === support}
                onChange={() => onSupport(s)}
                // By touch or mouse the next thing is to answer; by arrows the choice is walked through.
                onClick={(event) => event.detail > 0 && event.currentTarget.blur()}
              />{' '}
              {SUPPORT_NAMES[s]}
            </label>
          ))}
        </fieldset>
      )}
    </div>
  )
}
