import {
  draw,
  levelOf,
  problemWords,
  SUPPORTS,
  type Support,
  seeded,
  TECHNIQUES,
  type Technique,
  techniqueById,
} from '@tachymetra/core'
import type { Standing } from '@tachymetra/core/wire'
import { Button, InputNumber, Select } from 'antd'
import { lazy, Suspense, useEffect, useMemo, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import { useLearners, useStandings } from '../data/queries.js'
import { changeSettings, useSettings } from '../data/settings.js'
import { keepSitting } from '../data/store.js'
import { Loading } from '../parts/Loading.js'
import { Trouble } from '../parts/Trouble.js'
import { SUPPORT_ABOUT, SUPPORT_NAMES, seconds } from '../parts/words.js'

const NewLearner = lazy(() => import('./NewLearner.js'))

/** Where a sitting is chosen: who, which technique, how hard, how many. One button starts it. */
export function Desk() {
  const learners = useLearners()
  const { learnerId } = useSettings()
  const [adding, setAdding] = useState(false)
  if (learners.isPending) return <Loading />
  if (learners.isError) return <Trouble error={learners.error} retry={() => learners.refetch()} />

  const learner = learners.data.find((l) => l.id === learnerId) ?? learners.data[0]
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
      </div>
      <Choosing key={learner.id} learnerId={learner.id} />
      {dialog}
    </>
  )
}

function Choosing({ learnerId }: { readonly learnerId: string }) {
  const standings = useStandings(learnerId)
  if (standings.isPending) return <Loading />
  if (standings.isError) return <Trouble error={standings.error} retry={() => standings.refetch()} />
  return <Choices learnerId={learnerId} standings={standings.data} />
}

function Choices({
  learnerId,
  standings,
}: {
  readonly learnerId: string
  readonly standings: readonly Standing[]
}) {
  const navigate = useNavigate()
  const { planned } = useSettings()
  const standingOf = (id: string) => standings.find((s) => s.technique === id)
  // The technique left alone the longest comes first to mind.
  const first = [...TECHNIQUES].sort((a, b) =>
    (standingOf(a.id)?.lastAt ?? '').localeCompare(standingOf(b.id)?.lastAt ?? ''),
  )[0]!
  const [techniqueId, setTechniqueId] = useState(first.id)
  const technique = techniqueById(techniqueId)
  const standing = standingOf(techniqueId)
  const [chosenLevel, setLevel] = useState<number>()
  const [chosenSupport, setSupport] = useState<Support>()
  const level = chosenLevel ?? standing?.level ?? 1
  const support = chosenSupport ?? standing?.support ?? 'watch'
  const [trouble, setTrouble] = useState<Error>()

  const start = async () => {
    const id = crypto.randomUUID()
    const seed = crypto.getRandomValues(new Int32Array(1))[0]!
    try {
      await keepSitting({
        id,
        learnerId,
        technique: technique.id,
        level,
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

  return (
    <form
      className="desk"
      onSubmit={(event) => {
        event.preventDefault()
        void start()
      }}
    >
      <div className="stack" style={{ gap: '1.5rem' }}>
        <fieldset>
          <legend>Technique</legend>
          <div className="choice-list">
            {TECHNIQUES.map((t) => (
              <label key={t.id} className="choice">
                <input
                  type="radio"
                  name="technique"
                  checked={t.id === techniqueId}
                  onChange={() => {
                    setTechniqueId(t.id)
                    setLevel(undefined)
                    setSupport(undefined)
                  }}
                />
                <strong>{t.name}</strong>
                <span className="faint">{t.family}</span>
                <br />
                {t.about}
              </label>
            ))}
          </div>
        </fieldset>
        <Ladder technique={technique} level={level} reached={standing?.level} onChange={setLevel} />
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
        <Preview technique={technique} level={level} />
        {trouble && <Trouble error={trouble} />}
        <Button type="primary" size="large" htmlType="submit" block>
          To the bench
        </Button>
      </div>
    </form>
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
    <fieldset>
      <legend>Level, easy to hard</legend>
      <div className="ladder" ref={ladder}>
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
    </fieldset>
  )
}

/** Three problems of the level and how many there are of them. */
function Preview({ technique, level }: { readonly technique: Technique; readonly level: number }) {
  const rung = levelOf(technique, level)
  const samples = useMemo(() => {
    const source = draw(rung.problems(), seeded(level))
    return [1, 2, 3].map(() => problemWords(source.next().value!))
  }, [rung, level])
  const { size } = rung.problems()
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
      <p className="faint">
        {size < 10n ** 15n
          ? size.toLocaleString('en').replaceAll(',', '\u2009')
          : `about 10^${size.toString().length - 1}`}{' '}
        such problems; aim for {seconds(rung.targetMs)} each.
      </p>
    </div>
  )
}
