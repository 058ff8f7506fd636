import { aimFor } from '@tachymetra/core/curriculum'
import { OWN_LEVEL, techniqueById } from '@tachymetra/core/registry'
import { type Exercise, progressOf, SUPPORT_NAMES, SUPPORTS, type Support } from '@tachymetra/core/session'
import {
  deadlineOf,
  type Item,
  isDrawable,
  itemsOf,
  type Recipe,
  toCome,
  watchedItems,
} from '@tachymetra/core/set'
import { variantOf } from '@tachymetra/core/technique'
import { useEffect, useMemo, useRef, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { useLearnerSettings } from '../data/learnerSettings.js'
import { leftSession } from '../data/leaving.js'
import { handInAttempt } from '../data/outbox.js'
import { useLatest, useLearners } from '../data/queries.js'
import { changeSettings, currentSettings } from '../data/settings.js'
import { endSession, type LocalAttempt, type LocalSession } from '../data/store.js'
import { Loading } from '../parts/Loading.js'
import { Missing } from '../parts/Missing.js'
import { Trouble } from '../parts/Trouble.js'
import { levelName } from '../parts/words.js'
import { Questions } from './Questions.js'
import { hasStart, ReadyGo } from './ReadyGo.js'
import { Summary } from './Summary.js'
import { Watching } from './Watching.js'
import { Working } from './Working.js'
import './bench.css'

/** A session at the bench, from wherever it was left: it is kept in this browser, so a reload goes on with it. */
export default function Bench() {
  const { sessionId = '' } = useParams()
  const [session, setSession] = useState<LocalSession | null>()
  useEffect(() => {
    setSession(undefined)
    leftSession(sessionId).then(
      (found) => setSession(found ?? null),
      () => setSession(null),
    )
  }, [sessionId])
  if (session === undefined) return <Loading />
  if (session === null)
    return (
      <Missing head="This session is not here">
        Sessions are kept for seven days in the browser they were begun in. What was worked is in the record.
      </Missing>
    )
  return <Session key={session.id} session={session} />
}

type Problems = readonly Extract<Item, { kind: 'problem' }>[]

/** What is asked of no technique: a table, finished work, which way to take. */
type Drilled = Extract<Item, { kind: 'drill' }>

/** The problems of a session, and others of the kind to be watched; none where another version has drawn them. */
function useProblems(session: LocalSession): {
  readonly items: readonly (Item | undefined)[]
  readonly watched: Problems
} {
  return useMemo(() => {
    const problems = (items: readonly (Item | undefined)[]) =>
      items.flatMap((item) => (item?.kind === 'problem' ? [item] : []))
    if (!isDrawable(session)) return { items: [], watched: [] }
    return { items: itemsOf(session), watched: problems(watchedItems(session)) }
  }, [session])
}

/** Answers to the items of a set, in the order they were given. */
const answersOf = (attempts: readonly LocalAttempt[]) =>
  attempts.map(({ record, verdict }) => ({ n: record.n, right: verdict.right }))

function Session({ session }: { readonly session: LocalSession }) {
  const { recipe, learnerId } = session
  const navigate = useNavigate()
  const [attempts, setAttempts] = useState<readonly LocalAttempt[]>(session.attempts)
  // The attempt under way: it is gone on with after a look at how the technique goes.
  const open = useRef(session.open)
  const [ended, setEnded] = useState(session.ended)
  const [support, setSupport] = useState<Support>(() =>
    session.open ? progressOf(session.open).support : recipe.support,
  )
  const [watched, setWatched] = useState(0)
  // What has just been worked, until it is left for the next.
  const done = useRef<readonly LocalAttempt[]>([])
  const [trouble, setTrouble] = useState<Error>()
  // Whoever comes back in the middle goes on at once.
  const [started, setStarted] = useState(
    () => !hasStart(recipe) || session.attempts.length > 0 || session.open !== undefined,
  )
  const problems = useProblems(session)
  // Whoever's session it is, is who practises in this tab.
  useEffect(() => {
    if (currentSettings().learnerId !== learnerId) changeSettings({ learnerId })
  }, [learnerId])
  const queue = toCome(recipe, answersOf(attempts))
  const n = queue[0]
  const standing = n === undefined ? undefined : problems.items[n - 1]
  const item = standing?.kind === 'problem' ? standing : undefined
  const drilled: Drilled | undefined = standing?.kind === 'drill' ? standing : undefined
  const exercise = useExercise(session, item, support)
  const aim = useAim(learnerId, item)

  const finish = () => {
    void endSession(session.id)
    setAttempts((all) => [...all, ...done.current])
    setEnded(true)
  }
  const stop = () => {
    if (attempts.length === 0 && done.current.length === 0) void navigate('/')
    else finish()
  }
  /** Keeps the attempt in this browser; sending it is the outbox's work. */
  const keep = (attempt: LocalAttempt) => {
    open.current = undefined
    done.current = [attempt]
    handInAttempt(attempt, { ...session, attempts }).catch(setTrouble)
  }
  const next = () => {
    const all = [...attempts, ...done.current]
    done.current = []
    setAttempts(all)
    const now = Date.now()
    const until = deadlineOf(recipe, { item: now, whole: Date.parse(session.startedAt) })
    const over = until !== undefined && until <= now
    if (over || toCome(recipe, answersOf(all)).length === 0) finish()
  }

  if (ended || (!exercise && !drilled) || n === undefined)
    return (
      <>
        {!isDrawable(session) && (
          <Trouble
            error={new Error('This session was begun with another version of the program. Start another.')}
          />
        )}
        <Summary session={session} attempts={attempts} />
      </>
    )
  if (!started)
    return <ReadyGo recipe={recipe} items={queue.length} onGo={() => setStarted(true)} onStop={stop} />
  if (drilled)
    return (
      <Questions
        key={attempts.length}
        drill={drilled.drill}
        text={drilled.text}
        n={n}
        at={attempts.length + 1}
        of={attempts.length + queue.length}
        sessionId={session.id}
        sessionStartedAt={session.startedAt}
        recipe={recipe}
        onDone={keep}
        onNext={next}
        onStop={stop}
      />
    )
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
      {trouble && <Trouble error={trouble} />}
      {support === 'watch' ? (
        <Watching
          key={watched}
          technique={technique}
          variant={variant}
          problem={problems.watched[(n - 1 + watched) % problems.watched.length]!.problem}
          onAnother={() => setWatched(watched + 1)}
          onTry={() => setSupport('guided')}
          onStop={stop}
        />
      ) : (
        <Working
          key={attempts.length}
          exercise={exercise}
          support={support}
          open={open.current}
          onOpen={(record) => {
            open.current = record
          }}
          targetMs={session.first ? undefined : aim}
          first={session.first ?? false}
          n={n}
          at={attempts.length + 1}
          of={attempts.length + queue.length}
          recipe={recipe}
          sessionStartedAt={session.startedAt}
          sessionId={session.id}
          learnerId={learnerId}
          onDone={keep}
          onNext={next}
          onStop={stop}
        />
      )}
    </div>
  )
}

/** The time to aim for at a problem, from the learner's own answers at its level as far as they are known here. */
function useAim(learnerId: string, item: Problems[number] | undefined): number | undefined {
  const settings = useLearnerSettings(learnerId)
  const latest = useLatest(
    learnerId,
    item?.technique ?? '',
    item && item.level !== OWN_LEVEL ? item.level : undefined,
  )
  return item && aimFor(settings, item.technique, item.level, latest.data ?? [])
}

/** The problem that is open as it is worked by this learner; the same one as long as nothing about it changes. */
function useExercise(
  session: LocalSession,
  item: Problems[number] | undefined,
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
        {name && <span className="faint who">{name}</span>}
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
