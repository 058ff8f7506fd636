import { type Random, seeded } from '@tachymetra/core/number'
import { draw, type Problem, type ProblemSpace } from '@tachymetra/core/problem'
import { levelOf, OWN_LEVEL, targetOf, techniqueById } from '@tachymetra/core/registry'
import { progressOf, SUPPORT_NAMES, SUPPORTS, type Support } from '@tachymetra/core/session'
import { schoolOf } from '@tachymetra/core/technique'
import { useEffect, useMemo, useRef, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { leftSitting } from '../data/leaving.js'
import { flush } from '../data/outbox.js'
import { endSitting, keepAttempt, type LocalAttempt, type LocalSitting } from '../data/store.js'
import { Loading } from '../parts/Loading.js'
import { Trouble } from '../parts/Trouble.js'
import { Summary } from './Summary.js'
import { Watching } from './Watching.js'
import { Working } from './Working.js'

/** A sitting at the bench, from wherever it was left: it is kept in this browser, so a reload goes on with it. */
export default function Bench() {
  const { sittingId = '' } = useParams()
  const [sitting, setSitting] = useState<LocalSitting | null>()
  useEffect(() => {
    setSitting(undefined)
    leftSitting(sittingId).then(
      (found) => setSitting(found ?? null),
      () => setSitting(null),
    )
  }, [sittingId])
  if (sitting === undefined) return <Loading />
  if (sitting === null)
    return (
      <Trouble error={new Error('This sitting is not kept in this browser. Start another at the desk.')} />
    )
  return <Sitting key={sitting.id} sitting={sitting} />
}

function Sitting({ sitting: start }: { readonly sitting: LocalSitting }) {
  const navigate = useNavigate()
  const [attempts, setAttempts] = useState<readonly LocalAttempt[]>(start.attempts)
  // The attempt under way: it is gone on with after a look at how the technique goes.
  const open = useRef(start.open)
  const [ended, setEnded] = useState(start.ended)
  const [support, setSupport] = useState<Support>(() =>
    start.open ? progressOf(start.open).support : start.support,
  )
  const [watched, setWatched] = useState(0)
  // What has just been worked, until it is left for the next.
  const done = useRef<readonly LocalAttempt[]>([])
  const [trouble, setTrouble] = useState<Error>()
  const technique = techniqueById(start.technique)
  const { space, levelName } = useMemo(() => levelIn(start), [start])
  const nth = useMemo(() => {
    // Two streams, so that watching a problem does not use one up.
    const streams = { worked: problems(seeded(start.seed)), watched: problems(seeded(start.seed + 1)) }
    return (kind: 'worked' | 'watched', n: number) => streams[kind](n)

    function problems(random: Random): (n: number) => Problem {
      const source = draw(space, random)
      const drawn: Problem[] = []
      return (n) => {
        while (drawn.length <= n) drawn.push(source.next().value!)
        return drawn[n]!
      }
    }
  }, [start.seed, space])

  const stop = () => {
    if (attempts.length === 0 && done.current.length === 0) void navigate('/')
    else finish()
  }
  const finish = () => {
    void endSitting(start.id)
    setAttempts((all) => [...all, ...done.current])
    setEnded(true)
  }
  /** Keeps the attempt in this browser; sending it is the outbox's work. */
  const keep = async (attempt: LocalAttempt) => {
    open.current = undefined
    done.current = [attempt]
    try {
      await keepAttempt(attempt)
      void flush()
    } catch {
      setTrouble(new Error('This attempt could not be kept: the browser refuses to store it.'))
    }
  }
  const next = () => {
    const all = [...attempts, ...done.current]
    done.current = []
    setAttempts(all)
    if (all.length >= start.planned) finish()
  }

  const problem = useMemo(() => nth('worked', attempts.length), [nth, attempts.length])
  const shared = useMemo(
    () => ({ technique, school: schoolOf(technique, start.school), level: start.level }),
    [technique, start],
  )
  if (ended || attempts.length >= start.planned) return <Summary sitting={start} attempts={attempts} />

  const head = (
    <div className="bench-head row spread">
      <h1>
        {technique.name}{' '}
        <span className="faint" style={{ fontWeight: 400 }}>
          {levelName}
        </span>
      </h1>
      <fieldset className="row">
        <legend className="sr-only">Support</legend>
        {SUPPORTS.map((s) => (
          <label key={s}>
            <input
              type="radio"
              name="support"
              checked={s === support}
              onChange={(event) => {
                setSupport(s)
                event.currentTarget.blur()
              }}
            />{' '}
            {SUPPORT_NAMES[s]}
          </label>
        ))}
      </fieldset>
    </div>
  )
  return (
    <div className="bench">
      {head}
      {trouble && <Trouble error={trouble} />}
      {support === 'watch' ? (
        <Watching
          key={watched}
          {...shared}
          problem={nth('watched', watched)}
          onAnother={() => setWatched(watched + 1)}
          onTry={() => setSupport('guided')}
          onStop={stop}
        />
      ) : (
        <Working
          key={attempts.length}
          exercise={{ ...shared, support, problem }}
          support={support}
          open={open.current}
          onOpen={(record) => {
            open.current = record
          }}
          targetMs={targetOf(technique, start.level)}
          n={attempts.length + 1}
          planned={start.planned}
          sittingId={start.id}
          learnerId={start.learnerId}
          onDone={keep}
          onNext={next}
          onStop={stop}
        />
      )}
    </div>
  )
}

/** The problems a sitting draws from: a rung of the ladder, or the learner's own dials. */
function levelIn(sitting: LocalSitting): { space: ProblemSpace; levelName: string } {
  const technique = techniqueById(sitting.technique)
  if (sitting.level === OWN_LEVEL)
    return { space: technique.dials.problems(sitting.dials ?? {}), levelName: 'own dials' }
  const level = levelOf(technique, sitting.level)
  return { space: level.problems(), levelName: `level ${sitting.level}, ${level.name.toLowerCase()}` }
}
