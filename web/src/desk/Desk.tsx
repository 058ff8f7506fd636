import { adviseLevel, type Readiness, type Stand } from '@tachymetra/core/curriculum'
import { aimOf, type LearnerSettings, type Times } from '@tachymetra/core/learner'
import { seeded } from '@tachymetra/core/number'
import { nextSupport } from '@tachymetra/core/plan'
import { draw, type ProblemSpace, problemWords } from '@tachymetra/core/problem'
import { levelOf, OWN_LEVEL, TECHNIQUES } from '@tachymetra/core/registry'
import { compareWays, quickestFor } from '@tachymetra/core/report'
import { SUPPORT_NAMES, SUPPORTS, type Support } from '@tachymetra/core/session'
import { isAbacus } from '@tachymetra/core/soroban'
import { type DialValues, type Technique, usualValues } from '@tachymetra/core/technique'
import type { LearnerWire } from '@tachymetra/core/wire'
import { Button, InputNumber } from 'antd'
import { lazy, Suspense, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { useLearnerSettingsQuery } from '../data/learnerSettings.js'
import { type Plan, usePlan } from '../data/plan.js'
import { useCoach, useLatest, useLearner, useLearners, useMoveByHand, useTimes } from '../data/queries.js'
import { schoolIn, useSchoolSetter } from '../data/schools.js'
import { changeSettings, useSettings } from '../data/settings.js'
import { beginSitting } from '../data/sitting.js'
import { Fold } from '../parts/Fold.js'
import { LearnerSelect } from '../parts/LearnerSelect.js'
import { Loading } from '../parts/Loading.js'
import { SchoolChoice } from '../parts/SchoolChoice.js'
import { Trouble } from '../parts/Trouble.js'
import { levelWords, SUPPORT_ABOUT, seconds } from '../parts/words.js'
import { Dials, dialledSpace } from './Dials.js'
import { FrameChoice } from './FrameChoice.js'
import { KnowingMark, PrerequisiteMap } from './PrerequisiteMap.js'
import { Today } from './Today.js'

const EditLearner = lazy(() => import('./EditLearner.js'))
const NewLearner = lazy(() => import('./NewLearner.js'))

/** Where a sitting is chosen: who, which technique, how hard, how many. One button starts it. */
export function Desk() {
  const learners = useLearners()
  const learner = useLearner()
  const [adding, setAdding] = useState(false)
  const [editing, setEditing] = useState(false)
  if (learners.isPending) return <Loading />
  if (learners.isLoadingError) return <Trouble error={learners.error} retry={() => learners.refetch()} />

  const dialog = (
    <Suspense>
      {adding && (
        <NewLearner
          onClose={(added) => {
            setAdding(false)
            if (added) changeSettings({ learnerId: added })
          }}
        />
      )}
    </Suspense>
  )
  if (!learner)
    return (
      <div className="stack">
        <h1>Who is going to practise?</h1>
        <p>Nobody is here yet. A name to pick from a list is all that is asked; it stays on this machine.</p>
        <div>
          <Button type="primary" autoFocus onClick={() => setAdding(true)}>
            Add a learner
          </Button>
        </div>
        {dialog}
      </div>
    )
  return (
    <>
      <div className="row" style={{ marginBottom: '1.25rem' }}>
        <h1 id="who">At the desk:</h1>
        <LearnerSelect learner={learner} all={learners.data} labelledBy="who" />
        <Button onClick={() => setAdding(true)}>Add a learner</Button>
        <Button onClick={() => setEditing(true)}>Change or remove</Button>
      </div>
      <Suspense>{editing && <EditLearner learner={learner} onClose={() => setEditing(false)} />}</Suspense>
      <AtDesk key={learner.id} learner={learner} />
      {dialog}
    </>
  )
}

/** The plan of the day; beneath it, on request, everything there is to choose from. */
function AtDesk({ learner }: { readonly learner: LearnerWire }) {
  const plan = usePlan(learner)
  const { choosing } = useSettings()
  const [search] = useSearchParams()
  // Whoever comes for one technique has chosen already.
  const [asked, setAsked] = useState(search.has('technique'))
  const queries = [useCoach(learner.id), useLearnerSettingsQuery(learner.id), useTimes(learner.id)]
  const failed = queries.find((q) => q.isLoadingError)
  if (failed) return <Trouble error={failed.error!} retry={() => failed.refetch()} />
  if (!plan) return <Loading />
  return (
    <div className="stack" style={{ gap: '1.5rem' }}>
      <Today learner={learner} plan={plan} />
      <Fold
        summary="Or choose for yourself: any technique, level and support"
        open={choosing || asked}
        onToggle={(open) => {
          setAsked(false)
          changeSettings({ choosing: open })
        }}
      >
        {() => <Choices learnerId={learner.id} plan={plan} />}
      </Fold>
    </div>
  )
}

/** A rung of the ladder, or dials of one's own. */
type Problems = { readonly level: number } | { readonly dials: DialValues }

function Choices({ learnerId, plan }: { readonly learnerId: string; readonly plan: Plan }) {
  const { settings, stands, readiness: map, times } = plan.input
  const navigate = useNavigate()
  const [search] = useSearchParams()
  const { planned } = useSettings()
  const setSchool = useSchoolSetter(learnerId)
  const [techniqueId, setTechniqueId] = useState(() => search.get('technique') ?? nextUp(map, stands))
  const technique = TECHNIQUES.find((t) => t.id === techniqueId) ?? TECHNIQUES[0]!
  const standing = stands.find((s) => s.technique === technique.id)
  const [chosen, setProblems] = useState<Problems>()
  const [chosenSupport, setSupport] = useState<Support>()
  const problems = chosen ?? { level: Math.max(1, standing?.level ?? 1) }
  const support = chosenSupport ?? nextSupport(standing)
  const school = schoolIn(settings.schools, technique, 'level' in problems ? problems.level : undefined)
  const [trouble, setTrouble] = useState<Error>()
  // Counting the problems of some dials takes a moment: typing must not wait for it.
  const counted = useDeferredValue(problems)
  const space = useMemo(
    () =>
      'level' in counted
        ? levelOf(technique, Math.min(counted.level, technique.levels.length)).problems()
        : dialledSpace(technique, counted.dials),
    [technique, counted],
  )

  const choose = useCallback((id: string) => {
    setTechniqueId(id)
    setProblems(undefined)
    setSupport(undefined)
  }, [])
  const start = () =>
    beginSitting({
      learnerId,
      technique: technique.id,
      level: 'level' in problems ? problems.level : OWN_LEVEL,
      ...('dials' in problems && { dials: problems.dials }),
      planned,
      support,
    }).then((path) => navigate(path), setTrouble)
  const { standing: knowing, because } = map.find((r) => r.technique.id === technique.id)!

  return (
    <form
      className="stack"
      style={{ gap: '1.25rem' }}
      onSubmit={(event) => {
        event.preventDefault()
        if (!('error' in space)) void start()
      }}
    >
      <PrerequisiteMap readiness={map} chosen={technique.id} onChoose={choose} />
      <div className="desk">
        <div className="stack" style={{ gap: '1rem' }}>
          <div>
            <h2>
              {technique.name} <span className="faint">{technique.family}</span>
            </h2>
            <p>{technique.about}</p>
            <p>
              <KnowingMark standing={knowing} /> {because}{' '}
              <Link to={`/teach/${technique.id}`}>How it is done</Link>
            </p>
          </div>
          <fieldset>
            <legend className="row">
              <label>
                <input
                  type="radio"
                  name="problems"
                  checked={'level' in problems}
                  onChange={() => setProblems(undefined)}
                />{' '}
                Level, easy to hard
              </label>
              <label>
                <input
                  type="radio"
                  name="problems"
                  checked={'dials' in problems}
                  onChange={() => setProblems({ dials: usualValues(technique.dials) })}
                />{' '}
                Own dials
              </label>
            </legend>
            {'level' in problems ? (
              <>
                <LevelMoves
                  learnerId={learnerId}
                  technique={technique}
                  level={problems.level}
                  inForce={standing?.level}
                  settings={settings}
                  onMove={(level) => setProblems({ level })}
                />
                <Ladder
                  technique={technique}
                  level={problems.level}
                  inForce={standing?.level}
                  aim={(level) => aimOf(settings, technique.id, level)!}
                  onChange={(level) => setProblems({ level })}
                />
              </>
            ) : (
              <Dials
                technique={technique}
                values={problems.dials}
                onChange={(dials) => setProblems({ dials })}
              />
            )}
          </fieldset>
        </div>
        <div className="panel stack">
          <fieldset>
            <legend>Support</legend>
            {SUPPORTS.map((s) => (
              <label key={s} className="support-choice">
                <input type="radio" name="support" checked={s === support} onChange={() => setSupport(s)} />
                <strong>{SUPPORT_NAMES[s]}</strong>
                <span className="faint">{SUPPORT_ABOUT[s]}</span>
              </label>
            ))}
          </fieldset>
          {isAbacus(technique) && (
            <FrameChoice
              learnerId={learnerId}
              technique={technique.id}
              level={'level' in problems ? problems.level : OWN_LEVEL}
            />
          )}
          <SchoolChoice
            technique={technique}
            school={school}
            onChange={(key, value) => setSchool(technique, key, value)}
          />
          <div className="row">
            <label htmlFor="planned">
              <strong>How many</strong>
            </label>
            <InputNumber
              id="planned"
              min={1}
              max={100}
              precision={0}
              value={planned}
              onChange={(value) => changeSettings({ planned: value ?? 5 })}
              style={{ width: '5.5rem' }}
            />
          </div>
          {'error' in space ? (
            <p role="alert" className="said-slip">
              {space.error}
            </p>
          ) : (
            <Preview
              space={space}
              technique={technique}
              schools={settings.schools}
              times={times}
              targetMs={aimOf(settings, technique.id, 'level' in problems ? problems.level : OWN_LEVEL)}
            />
          )}
        </div>
      </div>
      <div className="start-bar row">
        {trouble && <Trouble error={trouble} />}
        <span>
          <strong>{technique.name}</strong>, {levelWords('level' in problems ? problems.level : OWN_LEVEL)},{' '}
          {SUPPORT_NAMES[support].toLowerCase()}, {planned} {planned === 1 ? 'problem' : 'problems'}
        </span>
        <Button type="primary" size="large" htmlType="submit" disabled={'error' in space}>
          To the bench
        </Button>
      </div>
    </form>
  )
}

/** What comes to mind first: of those in practice the one left alone the longest, else the first that is ready. */
function nextUp(map: readonly Readiness[], stands: readonly Stand[]): string {
  const lastAt = (id: string) => stands.find((s) => s.technique === id)?.lastAt ?? ''
  const practised = map.filter((r) => r.standing === 'practised')
  practised.sort((a, b) => lastAt(a.technique.id).localeCompare(lastAt(b.technique.id)))
  return (practised[0] ?? map.find((r) => r.standing === 'ready') ?? map[0]!).technique.id
}

/** What the rules say of the chosen level, with their numbers; and the level in force, which may be set by hand. */
function LevelMoves(props: {
  readonly learnerId: string
  readonly technique: Technique
  readonly level: number
  readonly inForce: number | undefined
  readonly settings: LearnerSettings
  readonly onMove: (level: number) => void
}) {
  const { learnerId, technique, level, inForce, settings, onMove } = props
  const latest = useLatest(learnerId, technique.id, level)
  const moveByHand = useMoveByHand(learnerId)
  if (!latest.data) return <p className="level-move faint"> </p>
  const { because } = adviseLevel(latest.data, aimOf(settings, technique.id, level)!, settings.rules)
  return (
    <p className="level-move">
      {because}{' '}
      {inForce !== undefined && inForce !== level && (
        <>
          <button type="button" className="key-button" onClick={() => onMove(inForce)}>
            Back to level {inForce}, the one in force
          </button>{' '}
          <button
            type="button"
            className="key-button"
            onClick={() => moveByHand.mutate({ technique: technique.id, to: level })}
          >
            Put level {level} in force
          </button>
        </>
      )}
    </p>
  )
}

function Ladder(props: {
  readonly technique: Technique
  readonly level: number
  readonly inForce: number | undefined
  readonly aim: (level: number) => number
  readonly onChange: (level: number) => void
}) {
  const { technique, level, inForce, aim, onChange } = props
  const ladder = useRef<HTMLDivElement>(null)
  // Another technique: bring its rung into sight, without moving the page.
  useEffect(() => {
    const box = ladder.current!
    const rung = box.querySelector<HTMLElement>('label:has(:checked)')
    if (rung) box.scrollTop = rung.offsetTop - box.offsetTop - box.clientHeight / 2
  }, [technique])
  return (
    <div className="ladder" ref={ladder} role="radiogroup" aria-label="Level">
      {technique.levels.map((rung, i) => (
        <label key={rung.name}>
          <input type="radio" name="level" checked={i + 1 === level} onChange={() => onChange(i + 1)} />
          <span className="mono">{i + 1}</span>
          <span>
            {rung.name}
            {i + 1 === inForce && <span className="faint"> (in force)</span>}
          </span>
          <span className="mono faint">{aim(i + 1) / 1000} s</span>
        </label>
      ))}
    </div>
  )
}

/** A few problems of a space and how many there are of them. */
function Preview({
  space,
  targetMs,
  technique,
  schools,
  times,
}: {
  readonly space: ProblemSpace
  readonly targetMs: number | undefined
  readonly technique: Technique
  readonly schools: LearnerSettings['schools']
  readonly times: Times | undefined
}) {
  const problems = useMemo(() => {
    const source = draw(space, seeded(1))
    const most = space.size < 3n ? Number(space.size) : 3
    return Array.from({ length: most }, () => source.next().value!)
  }, [space])
  const [first] = problems
  const own = useMemo(() => {
    if (!first || !times) return undefined
    const compared = compareWays(first, schools)
    const found = quickestFor(compared, times)
    const mine = found?.each[compared.ways.findIndex((w) => w.technique === technique)]
    return found && mine !== undefined ? { quickest: found, mine } : undefined
  }, [first, times, schools, technique])
  const { size } = space
  const many =
    size < 10n ** 15n
      ? size.toLocaleString('en').replaceAll(',', '\u2009')
      : `about 10^${size.toString().length - 1}`
  return (
    <div>
      <p>
        <strong>Such as</strong>
      </p>
      <ul className="plain-list mono">
        {problems.map(problemWords).map((text) => (
          <li key={text} style={{ overflowWrap: 'anywhere' }}>
            {text}
          </li>
        ))}
      </ul>
      {own && first && (
        <p className="own-time">
          {problemWords(first)}: likely {seconds(own.mine)} for you
          {own.quickest.way.technique === technique
            ? ', and no way is quicker.'
            : `; ${own.quickest.way.technique.name} ${seconds(own.quickest.ms)}.`}
        </p>
      )}
      <p className="faint" data-testid="possible">
        {many} such {size === 1n ? 'problem' : 'problems'}
        {targetMs ? `; aim for ${seconds(targetMs)} each.` : '.'}
      </p>
    </div>
  )
}
