import { aimOf, type Mastery } from '@tachymetra/core/curriculum'
import { byTime } from '@tachymetra/core/number'
import { nextSupport } from '@tachymetra/core/plan'
import { InputError, type ProblemSpace } from '@tachymetra/core/problem'
import { OWN_LEVEL, TECHNIQUES } from '@tachymetra/core/registry'
import { SUPPORT_NAMES, type Support } from '@tachymetra/core/session'
import { plainRecipe, type Source, spaceOf } from '@tachymetra/core/set'
import { isAbacus } from '@tachymetra/core/soroban'
import type { Technique } from '@tachymetra/core/technique'
import { Button } from 'antd'
import { useCallback, useDeferredValue, useMemo, useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { beginSession } from '../data/begin.js'
import type { Plan } from '../data/plan.js'
import { changeSettings, useSettings } from '../data/settings.js'
import { useVariantSetter, variantIn } from '../data/variants.js'
import { VariantChoice } from '../forms/VariantChoice.js'
import { Trouble } from '../frame/Trouble.js'
import { wakeSound } from '../sound/sound.js'
import { levelWords } from '../words/words.js'
import { Words } from '../written/Words.js'
import { FrameChoice } from './FrameChoice.js'
import { Asked, type HowAsked, NO_LIMIT } from './HowAsked.js'
import { MasteryMark, PrerequisiteMap } from './PrerequisiteMap.js'
import { Preview } from './Preview.js'
import { type Problems, ProblemsChoice } from './ProblemsChoice.js'
import './desk.css'

/** Any technique, level or own settings, and support: the session is begun from here. */
export default function Choices({ learnerId, plan }: { readonly learnerId: string; readonly plan: Plan }) {
  const { settings, mastery: map, times } = plan.input
  const navigate = useNavigate()
  const [search] = useSearchParams()
  const { planned } = useSettings()
  const setVariant = useVariantSetter(learnerId)
  const [techniqueId, setTechniqueId] = useState(() => search.get('technique') ?? nextUp(map))
  const technique = TECHNIQUES.find((t) => t.id === techniqueId) ?? TECHNIQUES[0]!
  const mastery = map.find((m) => m.technique === technique)!
  const [chosen, setProblems] = useState<Problems>()
  const [asked, setAsked] = useState<Partial<HowAsked>>({})
  const problems = chosen ?? { level: mastery.worked?.level ?? 1 }
  const support = asked.support ?? nextSupport(mastery)
  const clock = asked.clock ?? NO_LIMIT
  const level = 'level' in problems ? problems.level : OWN_LEVEL
  const variant = variantIn(settings.variants, technique, level || undefined)
  const [trouble, setTrouble] = useState<Error>()
  // Counting the problems of some settings takes a moment: typing must not wait for it.
  const counted = useDeferredValue(problems)
  const space = useMemo(() => spaceOrWhy(technique, counted), [technique, counted])
  const { worked } = mastery
  const targetMs = worked?.level === level ? worked.aimMs : aimOf(settings, technique.id, level)

  const choose = useCallback((id: string) => {
    setTechniqueId(id)
    setProblems(undefined)
    setAsked({})
  }, [])
  const start = () => {
    wakeSound()
    return beginSession(learnerId, {
      ...plainRecipe([sourceOf(technique, problems, planned)], support),
      clock,
      answers: asked.answers ?? 'at-once',
      ...(asked.check && asked.check !== 'none' && { check: asked.check }),
    }).then((path) => navigate(path), setTrouble)
  }
  return (
    <form
      className="stack loose"
      onSubmit={(event) => {
        event.preventDefault()
        if (!('error' in space)) void start()
      }}
    >
      <PrerequisiteMap mastery={map} chosen={technique.id} onChoose={choose} />
      <div className="desk">
        <div className="stack">
          <About mastery={mastery} />
          <ProblemsChoice
            learnerId={learnerId}
            technique={technique}
            problems={problems}
            inForce={mastery.worked?.level}
            settings={settings}
            onChange={setProblems}
          />
        </div>
        <div className="panel stack">
          <Asked
            how={{ support, clock, answers: asked.answers ?? 'at-once', check: asked.check ?? 'none' }}
            targetMs={targetMs}
            extraTime={settings.extraTime}
            planned={planned}
            onChange={(some) => setAsked({ ...asked, ...some })}
            onPlanned={(n) => changeSettings({ planned: n })}
          >
            {isAbacus(technique) && (
              <FrameChoice learnerId={learnerId} technique={technique.id} level={level} />
            )}
            <VariantChoice
              technique={technique}
              variant={variant}
              onChange={(key, value) => setVariant(technique, key, value)}
            />
          </Asked>
          {'error' in space ? (
            <p role="alert" className="said-slip">
              <Words>{space.error}</Words>
            </p>
          ) : (
            <Preview
              space={space}
              technique={technique}
              variants={settings.variants}
              times={times}
              targetMs={settings.calm ? undefined : targetMs}
            />
          )}
        </div>
      </div>
      <div className="start-bar row">
        {trouble && <Trouble error={trouble} />}
        <span>
          <strong>{technique.name}</strong>, <Words>{chosenWords(level, support, planned)}</Words>
        </span>
        <Button type="primary" size="large" htmlType="submit" disabled={'error' in space}>
          Start practice
        </Button>
      </div>
    </form>
  )
}

function chosenWords(level: number, support: Support, planned: number): string {
  const many = `${planned} ${planned === 1 ? 'problem' : 'problems'}`
  return `${levelWords(level)}, ${SUPPORT_NAMES[support].toLowerCase()}, ${many}`
}

/** What a technique is, and how far the learner is with it. */
function About({ mastery: { technique, state, because } }: { readonly mastery: Mastery }) {
  return (
    <div>
      <h2>
        {technique.name} <span className="faint">{technique.family}</span>
      </h2>
      <p>
        <Words>{technique.about}</Words>
      </p>
      <p>
        <MasteryMark state={state} /> <Words>{because}</Words>{' '}
        <Link to={`/learn/${technique.id}`}>How it is done</Link>
      </p>
    </div>
  )
}

function sourceOf(
  { id, levels }: Technique,
  problems: Problems,
  count: number,
): Extract<Source, { kind: 'level' | 'parameters' }> {
  return 'level' in problems
    ? { kind: 'level', technique: id, level: Math.min(problems.level, levels.length), count }
    : { kind: 'parameters', technique: id, values: problems.values, count }
}

/** The problems there are to draw from, or why there are none. */
function spaceOrWhy(technique: Technique, problems: Problems): ProblemSpace | { readonly error: string } {
  try {
    return spaceOf(sourceOf(technique, problems, 1))
  } catch (error) {
    if (error instanceof InputError) return { error: error.message }
    throw error
  }
}

/** What comes to mind first: of those in practice the one left alone the longest, else the first that is ready. */
function nextUp(map: readonly Mastery[]): string {
  const lastAt = (m: Mastery) => m.worked?.lastAt ?? ''
  const practised = map
    .filter((m) => m.state === 'practised')
    .toSorted((a, b) => byTime(lastAt(a), lastAt(b)))
  return (practised[0] ?? map.find((m) => m.state === 'ready') ?? map[0]!).technique.id
}
