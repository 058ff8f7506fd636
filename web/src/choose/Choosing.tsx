import { isKnown, type Mastery } from '@tachymetra/core/curriculum'
import {
  areWaysToChoose,
  CHECK_KINDS,
  type CheckKind,
  type DrillId,
  hasChecks,
  TRICKS,
} from '@tachymetra/core/drill'
import { type AtLevel, plainRecipe, type Recipe, type Source } from '@tachymetra/core/set'
import { isAbacus } from '@tachymetra/core/soroban'
import type { LearnerWire } from '@tachymetra/core/wire'
import { Select } from 'antd'
import { useMemo, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { beginSession } from '../data/begin.js'
import { changeSettings } from '../data/settings.js'
import { Trouble } from '../frame/Trouble.js'
import { DrillChoice } from './DrillChoice.js'
import { Ticked } from './Ticked.js'
import { TwoWays } from './TwoWays.js'

interface Props {
  readonly learner: LearnerWire
  readonly mastery: readonly Mastery[]
  /** The trick to begin with, where one is asked for. */
  readonly trick: string | undefined
  readonly onDrill: (drill: DrillId, recipe: Recipe) => void
}

/** Items of a drill, and problems of a mixed session. */
const ITEMS = 10
const MIXED = 12

const CHECK_NAMES: Readonly<Record<CheckKind, string>> = {
  nines: 'Casting out nines',
  elevens: 'Casting out elevens',
}

/** What is practised: which techniques on the left, what is done with them on the right. */
export function Choosing({ learner, mastery, trick: asked, onDrill }: Props) {
  const navigate = useNavigate()
  const worked = useMemo(
    () => mastery.filter((m) => m.worked && !isAbacus(m.technique) && m.technique.id !== 'flash-sum'),
    [mastery],
  )
  const known = worked.filter(isKnown)
  const [ticked, setTicked] = useState<readonly string[]>(() =>
    (known.length > 1 ? known : worked).map((m) => m.technique.id),
  )
  const [trick, setTrick] = useState(asked)
  const [check, setCheck] = useState<CheckKind>('nines')
  const [trouble, setTrouble] = useState<Error>()
  const chosen = useMemo(
    () =>
      worked
        .filter((m) => ticked.includes(m.technique.id))
        .map((m): AtLevel => ({ technique: m.technique.id, level: m.level ?? m.worked!.level })),
    [worked, ticked],
  )
  const checked = useMemo(() => chosen.filter((at) => hasChecks(check, at)), [chosen, check])
  const begin = (recipe: Recipe) =>
    beginSession(learner.id, recipe).then((path) => navigate(path), setTrouble)
  const drill = (source: Source & { readonly kind: DrillId }) =>
    onDrill(source.kind, plainRecipe([source], 'answer'))
  const mixed = () =>
    begin({
      ...plainRecipe(
        chosen.map((c) => ({ kind: 'level', ...c, count: Math.max(1, Math.round(MIXED / chosen.length)) })),
        'answer',
      ),
      order: 'mixed',
    })
  const few = (enough: boolean) =>
    enough ? undefined : 'Tick two techniques of one kind, such as two ways to multiply.'
  return (
    <div className="stack loose">
      <h1>
        Choose and check{' '}
        <span className="faint aside">
          for <bdi>{learner.name}</bdi>
        </span>
      </h1>
      {trouble && <Trouble error={trouble} />}
      <div className="choosing">
        <Ticked worked={worked} ticked={ticked} onChange={setTicked} />
        <div className="drills">
          <DrillChoice
            name="Mixed practice"
            about="Problems of all the ticked techniques, shuffled. Which one is meant is not said: see what each problem invites."
            why={chosen.length > 1 ? undefined : 'Tick two techniques or more.'}
            onStart={mixed}
          />
          <DrillChoice
            name="Which way?"
            about="You see a problem and some ways. Say which one you would take, and see what it would cost you."
            why={few(areWaysToChoose(chosen))}
            onStart={() => drill({ kind: 'ways', known: chosen, count: ITEMS })}
          />
          <DrillChoice
            name="Does it fit?"
            about="Some problems miss one thing that the trick needs. Say which."
            onStart={() =>
              drill({ kind: 'fits', tricks: trick ? [trick] : TRICKS.map((t) => t.id), count: ITEMS })
            }
          >
            <Select
              aria-label="Which trick"
              value={trick ?? ''}
              options={[
                { value: '', label: 'All the tricks' },
                ...TRICKS.map((t) => ({ value: t.id, label: t.name })),
              ]}
              onChange={(id) => setTrick(id || undefined)}
              className="wide-select"
            />
          </DrillChoice>
          <TwoWays mastery={worked} onBegin={begin} />
          <DrillChoice
            name="Is it right?"
            about="Work that is done already: some right, some wrong, some wrong in a way that the check lets pass."
            why={checked.length > 0 ? undefined : 'Tick a technique whose answers can be checked.'}
            onStart={() => drill({ kind: 'checking', check, known: checked, count: ITEMS })}
          >
            <Select
              aria-label="Which check"
              value={check}
              options={CHECK_KINDS.map((id) => ({ value: id, label: CHECK_NAMES[id] }))}
              onChange={setCheck}
              className="wide-select"
            />
          </DrillChoice>
          <p className="faint">
            Can a column be taken away, or is it short? That is a deck of{' '}
            <Link to="/facts" onClick={() => changeSettings({ factDeck: 'short' })}>
              facts
            </Link>
            .
          </p>
        </div>
      </div>
    </div>
  )
}
