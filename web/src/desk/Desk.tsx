import {
  adviseLevel,
  type DialValues,
  draw,
  levelOf,
  OWN_LEVEL,
  type ProblemSpace,
  problemWords,
  type Readiness,
  readiness,
  SUPPORTS,
  type Support,
  seeded,
  TECHNIQUES,
  type Technique,
  targetOf,
  usualValues,
} from '@tachymetra/core'
import type { PacePoint, Standing } from '@tachymetra/core/wire'
import { Button, InputNumber, Select } from 'antd'
import { lazy, Suspense, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { useLatest, useLearner, useLearners, usePace, useStandings } from '../data/queries.js'
import { schoolIn, useSchoolSetter, useSchools } from '../data/schools.js'
import { changeSettings, useSettings } from '../data/settings.js'
import { keepSitting } from '../data/store.js'
import { Loading } from '../parts/Loading.js'
import { SchoolChoice } from '../parts/SchoolChoice.js'
import { Trouble } from '../parts/Trouble.js'
import { levelWords, SUPPORT_ABOUT, SUPPORT_NAMES, seconds } from '../parts/words.js'
import { Dials, dialledSpace } from './Dials.js'
import { FrameChoice } from './FrameChoice.js'
import { KnowingMark, PrerequisiteMap } from './PrerequisiteMap.js'

const EditLearner = lazy(() => import('./EditLearner.js'))
const NewLearner = lazy(() => import('./NewLearner.js'))

/** Where a sitting is chosen: who, which technique, how hard, how many. One button starts it. */
export function Desk() {
  const learners = useLearners()
  const learner = useLearner()
  const [adding, setAdding] = useState(false)
  const [editing, setEditing] = useState(false)
  if (learners.isPending) return <Loading />
  if (learners.isError) return <Trouble error={learners.error} retry={() => learners.refetch()} />

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
        <Select
          aria-labelledby="who"
          value={learner.id}
          options={learners.data.map((l) => ({ value: l.id, label: l.name }))}
          onChange={(id) => changeSettings({ learnerId: id })}
          showSearch={{ optionFilterProp: 'label' }}
          style={{ minWidth: '13rem' }}
        />
        <Button onClick={() => setAdding(true)}>Add a learner</Button>
        <Button onClick={() => setEditing(true)}>Change or remove</Button>
      </div>
      <Suspense>{editing && <EditLearner learner={learner} onClose={() => setEditing(false)} />}</Suspense>
      <Choosing key={learner.id} learnerId={learner.id} />
      {dialog}
    </>
  )
}

function Choosing({ learnerId }: { readonly learnerId: string }) {
  const standings = useStandings(learnerId)
  const pace = usePace(learnerId)
  if (standings.isPending || pace.isPending) return <Loading />
  if (standings.isError) return <Trouble error={standings.error} retry={() => standings.refetch()} />
  if (pace.isError) return <Trouble error={pace.error} retry={() => pace.refetch()} />
  return <Choices learnerId={learnerId} standings={standings.data} results={pace.data} />
}

/** A rung of the ladder, or dials of one's own. */
type Problems = { readonly level: number } | { readonly dials: DialValues }

function Choices({
  learnerId,
  standings,
  results,
}: {
  readonly learnerId: string
  readonly standings: readonly Standing[]
  readonly results: readonly PacePoint[]
}) {
  const navigate = useNavigate()
  const [search] = useSearchParams()
  const { planned } = useSettings()
  const schools = useSchools(learnerId)
  const setSchool = useSchoolSetter(learnerId)
  const standingOf = (id: string) => standings.find((s) => s.technique === id)
  const map = useMemo(() => readiness(results), [results])
  const [techniqueId, setTechniqueId] = useState(() => search.get('technique') ?? nextUp(map, standings))
  const technique = TECHNIQUES.find((t) => t.id === techniqueId) ?? TECHNIQUES[0]!
  const standing = standingOf(technique.id)
  const [chosen, setProblems] = useState<Problems>()
  const [chosenSupport, setSupport] = useState<Support>()
  const problems = chosen ?? { level: Math.max(1, standing?.level ?? 1) }
  const support = chosenSupport ?? standing?.support ?? 'watch'
  const school = schoolIn(schools, technique)
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
  const start = async () => {
    const id = crypto.randomUUID()
    const seed = crypto.getRandomValues(new Int32Array(1))[0]!
    try {
      await keepSitting({
        id,
        learnerId,
        technique: technique.id,
        level: 'level' in problems ? problems.level : OWN_LEVEL,
        ...('dials' in problems && { dials: problems.dials }),
        school,
        planned,
        startedAt: new Date().toISOString(),
        seed,
        support,
        attempts: [],
        ended: false,
      })
    } catch {
      setTrouble(
        new Error(
          'This browser does not let the page keep anything, so practice could be lost. Leave private mode?',
        ),
      )
      return
    }
    void navigate(`/bench/${id}`)
  }
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
                <LevelMove
                  learnerId={learnerId}
                  technique={technique}
                  level={problems.level}
                  onMove={(level) => setProblems({ level })}
                />
                <Ladder
                  technique={technique}
                  level={problems.level}
                  reached={standing?.level}
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
          {technique.frame && <FrameChoice learnerId={learnerId} />}
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
              targetMs={'level' in problems ? targetOf(technique, problems.level) : undefined}
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
function nextUp(map: readonly Readiness[], standings: readonly Standing[]): string {
  const lastAt = (id: string) => standings.find((s) => s.technique === id)?.lastAt ?? ''
  const practised = map.filter((r) => r.standing === 'practised')
  practised.sort((a, b) => lastAt(a.technique.id).localeCompare(lastAt(b.technique.id)))
  return (practised[0] ?? map.find((r) => r.standing === 'ready') ?? map[0]!).technique.id
}

/** Whether to move up, hold or go back from the chosen level, with the numbers that say so. */
function LevelMove(props: {
  readonly learnerId: string
  readonly technique: Technique
  readonly level: number
  readonly onMove: (level: number) => void
}) {
  const { learnerId, technique, level, onMove } = props
  const latest = useLatest(learnerId, technique.id, level)
  if (!latest.data) return <p className="level-move faint"> </p>
  const { move, because } = adviseLevel(latest.data, levelOf(technique, level).targetMs)
  const to = level + (move === 'up' ? 1 : -1)
  const possible = move !== 'hold' && to >= 1 && to <= technique.levels.length
  return (
    <p className="level-move">
      {because}{' '}
      {possible && (
        <button type="button" className="key-button" onClick={() => onMove(to)}>
          {move === 'up' ? `Move up to level ${to}` : `Go back to level ${to}`}
        </button>
      )}
    </p>
  )
}

function Ladder(props: {
  readonly technique: Technique
  readonly level: number
  readonly reached: number | undefined
  readonly onChange: (level: number) => void
}) {
  const { technique, level, reached, onChange } = props
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
            {i + 1 === reached && <span className="faint"> (last time)</span>}
          </span>
          <span className="mono faint">{rung.targetMs / 1000} s</span>
        </label>
      ))}
    </div>
  )
}

/** A few problems of a space and how many there are of them. */
function Preview({
  space,
  targetMs,
}: {
  readonly space: ProblemSpace
  readonly targetMs: number | undefined
}) {
  const samples = useMemo(() => {
    const source = draw(space, seeded(1))
    const most = space.size < 3n ? Number(space.size) : 3
    return Array.from({ length: most }, () => problemWords(source.next().value!))
  }, [space])
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
        {samples.map((text) => (
          <li key={text} style={{ overflowWrap: 'anywhere' }}>
            {text}
          </li>
        ))}
      </ul>
      <p className="faint" data-testid="possible">
        {many} such {size === 1n ? 'problem' : 'problems'}
        {targetMs ? `; aim for ${seconds(targetMs)} each.` : '.'}
      </p>
    </div>
  )
}
