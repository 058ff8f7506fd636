import { LEVEL_RULES } from '@tachymetra/core/curriculum'
import { FACT_DECKS } from '@tachymetra/core/facts'
import { suggestTarget } from '@tachymetra/core/learner'
import { TECHNIQUES, techniqueById } from '@tachymetra/core/registry'
import { check, type LearnerWire, settingsSchema } from '@tachymetra/core/wire'
import { seconds, targetWords } from '@tachymetra/core/words'
import { Button, Checkbox, InputNumber, Select } from 'antd'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { changeLearner, useLearnerSettingsQuery } from '../data/learnerSettings.js'
import { useTimes } from '../data/queries.js'
import { useVariantSetter, variantIn } from '../data/variants.js'
import { Guard, lazily } from '../parts/Guard.js'
import { LearnerSelect } from '../parts/LearnerSelect.js'
import { Loading } from '../parts/Loading.js'
import { OneLearner } from '../parts/OneLearner.js'
import { Trouble } from '../parts/Trouble.js'
import { VariantChoice } from '../parts/VariantChoice.js'
import { Wide } from '../parts/Wide.js'
import { Ease } from './Ease.js'
import { Mine } from './Mine.js'
import { Removed } from './Removed.js'
import type { Change, Section } from './section.js'
import './settings.css'

const EditLearner = lazily(() => import('../parts/EditLearner.js'))
const Calendar = lazily(() => import('./Calendar.js'))
const Backup = lazily(() => import('./Backup.js'))

/** Everything a coach can set for one learner, and the keeping of the whole. */
export default function SettingsPage() {
  return (
    <div className="stack" style={{ gap: '1.75rem' }}>
      <OneLearner>
        {(learner, all) => (
          <>
            <div className="row">
              <h1 id="whose">Settings for</h1>
              <LearnerSelect learner={learner} all={all} labelledBy="whose" />
              <Rename learner={learner} />
            </div>
            <Own key={learner.id} learner={learner} />
          </>
        )}
      </OneLearner>
      <Mine />
      <Removed />
      <Guard>
        <Backup />
      </Guard>
      <p>
        <Link to="/about">About this program: version, licence, privacy</Link>
      </p>
    </div>
  )
}

function Rename({ learner }: { readonly learner: LearnerWire }) {
  const [editing, setEditing] = useState(false)
  return (
    <>
      <Button onClick={() => setEditing(true)}>Change or remove</Button>
      <Guard waiting={null}>
        {editing && <EditLearner learner={learner} onClose={() => setEditing(false)} />}
      </Guard>
    </>
  )
}

function Own({ learner }: { readonly learner: LearnerWire }) {
  const query = useLearnerSettingsQuery(learner.id)
  const [fault, setFault] = useState<Error>()
  const [savedAt, setSavedAt] = useState<number>()
  if (query.isPending) return <Loading />
  if (query.isLoadingError) return <Trouble error={query.error} retry={() => query.refetch()} />
  const settings = query.data
  /** The same rules as on the server; what they refuse is not kept. */
  const change: Change = (part) => {
    const checked = check(settingsSchema, part)
    if ('error' in checked) return setFault(new Error(checked.error))
    setFault(undefined)
    void changeLearner(learner.id, part).then(() => setSavedAt(Date.now()))
  }
  const section = { settings, change }
  return (
    <>
      {fault && <Trouble error={fault} />}
      <p className="saved" role="status" key={savedAt}>
        {savedAt !== undefined && 'Saved'}
      </p>
      <Ease {...section} />
      <Daily {...section} />
      <Guard>
        <Calendar learner={learner} settings={settings} change={change} />
      </Guard>
      <Levels {...section} />
      <Targets learner={learner} {...section} />
      <Variants learner={learner} {...section} />
      <Cautions {...section} />
    </>
  )
}

const itemLabel = (id: string) => (id === 'facts' ? 'Facts' : techniqueById(id).name)
const ITEMS = ['facts', ...TECHNIQUES.map((t) => t.id)].map((value) => ({ value, label: itemLabel(value) }))

function Daily({ settings, change }: Section) {
  return (
    <section className="stack" aria-labelledby="daily">
      <h2 id="daily">Every day</h2>
      <div className="parameters">
        <label htmlFor="minutes">
          <span>Minutes a day</span>
          <InputNumber
            id="minutes"
            min={1}
            max={120}
            value={settings.minutes}
            onChange={(minutes) => minutes && change({ minutes })}
          />
        </label>
        <label htmlFor="at">
          <span>At about</span>
          <input
            id="at"
            type="time"
            className="time-field"
            value={settings.at}
            onChange={(event) => event.target.value && change({ at: event.target.value })}
          />
        </label>
      </div>
      <Many
        id="decks"
        label="Facts the plan draws from"
        value={settings.decks}
        options={FACT_DECKS.map((d) => ({ value: d.id, label: d.name }))}
        onChange={(decks) => change({ decks })}
      />
      <Many
        id="pinned"
        label="Pinned: every day"
        value={settings.pinned}
        options={ITEMS}
        onChange={(pinned) => change({ pinned, banned: settings.banned.filter((b) => !pinned.includes(b)) })}
      />
      <Many
        id="banned"
        label="Never planned"
        value={settings.banned}
        options={ITEMS}
        onChange={(banned) => change({ banned, pinned: settings.pinned.filter((p) => !banned.includes(p)) })}
      />
      <p className="faint">
        <Link to="/simulate">Estimate progress</Link>
      </p>
    </section>
  )
}

function Many(props: {
  readonly id: string
  readonly label: string
  readonly value: readonly string[]
  readonly options: { value: string; label: string }[]
  readonly onChange: (value: string[]) => void
}) {
  const { id, label, value, options, onChange } = props
  return (
    <label htmlFor={id} className="many">
      <span>{label}</span>
      <Select
        id={id}
        mode="multiple"
        allowClear
        value={[...value]}
        options={options}
        onChange={onChange}
        optionFilterProp="label"
        placeholder="none"
        style={{ width: '100%', maxWidth: '46rem' }}
      />
    </label>
  )
}

function Levels({ settings, change }: Section) {
  const { rules } = settings
  const number = (key: keyof typeof rules, label: string) => (
    <InputNumber
      aria-label={label}
      min={0}
      max={100}
      precision={0}
      value={rules[key]}
      onChange={(n) => n !== null && change({ rules: { ...rules, [key]: n } })}
      style={{ width: '4.5rem' }}
    />
  )
  return (
    <section className="stack" aria-labelledby="rules">
      <h2 id="rules">Level rules</h2>
      <p className="row">
        Up: of the last {number('upOf', 'Answers to move up')} answers without steps, at least{' '}
        {number('upRight', 'Right answers to move up')} right, and the median within the target.
      </p>
      <p className="row">
        Back: of the last {number('backOf', 'Answers to go back')} answers fewer than{' '}
        {number('backBelow', 'Right answers to stay')} right.
      </p>
      <div>
        <Button onClick={() => change({ rules: LEVEL_RULES })}>Defaults</Button>
      </div>
    </section>
  )
}

/** Targets of one technique, level by level, with what the learner's own times suggest. */
function Targets({ learner, settings, change }: Section & { readonly learner: LearnerWire }) {
  const times = useTimes(learner.id)
  const [id, setId] = useState(TECHNIQUES[0]!.id)
  const technique = techniqueById(id)
  const own = settings.targets[id] ?? {}
  const suggested = useMemo(
    () =>
      times.data &&
      technique.levels.map((_, i) =>
        suggestTarget(times.data, technique, i + 1, variantIn(settings.variants, technique, i + 1)),
      ),
    [times.data, technique, settings.variants],
  )
  const set = (level: number, ms: number | undefined) => {
    const { [level]: _, ...others } = own
    const levels = ms === undefined ? others : { ...others, [level]: ms }
    const { [id]: __, ...rest } = settings.targets
    change({ targets: Object.keys(levels).length ? { ...rest, [id]: levels } : rest })
  }
  return (
    <section className="stack" aria-labelledby="targets">
      <div className="row">
        <h2 id="targets">Targets</h2>
        <Select
          aria-label="Targets of"
          value={id}
          options={TECHNIQUES.map((t) => ({ value: t.id, label: t.name }))}
          onChange={setId}
          style={{ minWidth: '15rem' }}
        />
      </div>
      <Wide label="Targets by level">
        <table className="plain-table">
          <thead>
            <tr>
              <th scope="col">Level</th>
              <th scope="col">Usual</th>
              <th scope="col">Your target, seconds</th>
              <th scope="col">Expected now</th>
              <th scope="col">Suggested</th>
            </tr>
          </thead>
          <tbody>
            {technique.levels.map((level, i) => {
              const n = i + 1
              const hint = suggested?.[i]
              return (
                <tr key={level.name}>
                  <th scope="row">
                    {n} <span className="faint">{level.name}</span>
                  </th>
                  <td>{targetWords(level.targetMs * settings.extraTime)}</td>
                  <td>
                    <InputNumber
                      aria-label={`Own target for level ${n}, seconds`}
                      min={0.5}
                      max={600}
                      step={0.5}
                      value={own[n] === undefined ? null : own[n] / 1000}
                      placeholder="the usual"
                      onChange={(s) => set(n, s === null ? undefined : Math.round(s * 1000))}
                      style={{ width: '6.5rem' }}
                    />
                  </td>
                  <td>{hint ? seconds(hint.likelyMs) : '–'}</td>
                  <td>
                    {hint && hint.ms !== (own[n] ?? level.targetMs * settings.extraTime) && (
                      <button type="button" className="key-button" onClick={() => set(n, hint.ms)}>
                        Use {targetWords(hint.ms)}
                        <span className="sr-only"> for level {n}</span>
                      </button>
                    )}
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </Wide>
      <p className="faint">
        “Expected now” adds up the learner’s own times for the facts, carries and steps of problems like
        these; a target asks for a tenth less.
      </p>
    </section>
  )
}

function Variants({ learner, settings }: Section & { readonly learner: LearnerWire }) {
  const setVariant = useVariantSetter(learner.id)
  return (
    <section className="stack" aria-labelledby="variants">
      <h2 id="variants">Ways of doing it: where people differ</h2>
      <div className="variants">
        {TECHNIQUES.filter((t) => t.variants.length > 0).map((t) => (
          <fieldset key={t.id}>
            <legend>{t.name}</legend>
            <VariantChoice
              technique={t}
              variant={variantIn(settings.variants, t)}
              onChange={(key, value) => setVariant(t, key, value)}
            />
          </fieldset>
        ))}
      </div>
    </section>
  )
}

function Cautions({ settings, change }: Section) {
  const { cautions } = settings
  return (
    <section className="stack" aria-labelledby="cautions">
      <h2 id="cautions">Cautions</h2>
      <p>
        Flashing pictures can provoke seizures in people who are sensitive to light. Nothing comes faster than
        three times a second unless a coach allows it.
      </p>
      <Checkbox
        checked={cautions.read}
        onChange={(event) =>
          change({
            cautions: { read: event.target.checked, lifted: event.target.checked && cautions.lifted },
          })
        }
      >
        I have read the caution about flashing
      </Checkbox>
      <Checkbox
        checked={cautions.lifted}
        disabled={!cautions.read}
        onChange={(event) => change({ cautions: { ...cautions, lifted: event.target.checked } })}
      >
        I am the coach and allow faster flashing
      </Checkbox>
    </section>
  )
}
