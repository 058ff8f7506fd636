import { FACT_DECKS } from '@tachymetra/core/facts'
import { OWN_LEVEL, techniqueById } from '@tachymetra/core/registry'
import { allPapers, type Choosable, MOST_ITEMS, type Other, TRIALS, type Which } from '@tachymetra/core/set'
import { usualValues } from '@tachymetra/core/technique'
import { count as counted } from '@tachymetra/core/words'
import { Checkbox, InputNumber, Select } from 'antd'
import { Link } from 'react-router'
import { KeyButton } from '../entry/KeyButton.js'
import { deckOptions } from '../words/decks.js'
import { FIRST } from './firstSet.js'
import { Parameters } from './Parameters.js'
import { TechniquePick } from './TechniquePick.js'
import './which-set.css'

type Change = (which: Which) => void

/** Which problems: of techniques at levels, of one's own, or a paper. */
export function WhichSet(props: {
  readonly which: Which
  readonly kept: Choosable
  readonly onChange: Change
}) {
  const { which, kept, onChange } = props
  const first = kept.own[0]
  const change = (from: Which['from']) => {
    if (from === 'techniques') onChange(FIRST)
    else if (from === 'paper') onChange({ from, name: allPapers(kept.papers)[0]!.name })
    else if (from === 'trial') onChange({ from, trial: TRIALS[0]!.id })
    else if (from === 'other') onChange({ from, what: 'grid', count: 5 })
    else if (from === 'facts') onChange({ from, deck: FACT_DECKS[0]!.id, count: 20 })
    else
      onChange({ from, set: first?.id ?? '', count: Math.min(20, first?.problems.length ?? 1), mixed: false })
  }
  const from = [
    ['techniques', 'Techniques'],
    ['facts', 'Facts'],
    ['own', 'Own problems'],
    ['paper', 'A paper'],
    ['trial', 'A trial'],
    ['other', 'Other sets'],
  ] as const
  return (
    <fieldset className="which-set stack">
      <legend>Which problems</legend>
      <div className="row">
        {from.map(([value, name]) => (
          <label key={value}>
            <input type="radio" name="which" checked={which.from === value} onChange={() => change(value)} />{' '}
            {name}
          </label>
        ))}
      </div>
      {which.from === 'techniques' && <Picks which={which} onChange={onChange} />}
      {which.from === 'own' && <Own which={which} kept={kept} onChange={onChange} />}
      {which.from === 'trial' && (
        <Select
          aria-label="Trial"
          value={which.trial}
          options={TRIALS.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(trial) => onChange({ from: 'trial', trial })}
        />
      )}
      {which.from === 'other' && <Others which={which} onChange={onChange} />}
      {which.from === 'facts' && <Facts which={which} onChange={onChange} />}
      {which.from === 'paper' && (
        <Select
          aria-label="Paper"
          value={which.name}
          options={allPapers(kept.papers).map(({ name, count }) => ({
            value: name,
            label: `${name}, ${counted(count, 'item')}`,
          }))}
          onChange={(name) => onChange({ from: 'paper', name })}
        />
      )}
    </fieldset>
  )
}

function Picks(props: { readonly which: Extract<Which, { from: 'techniques' }>; readonly onChange: Change }) {
  const { which, onChange } = props
  const { picks, count } = which
  const change = (i: number, pick: (typeof picks)[number]) =>
    onChange({ ...which, picks: picks.with(i, pick) })
  return (
    <>
      {picks.map(({ technique, level, values }, i) => (
        <div key={i} className="one-source">
          <TechniquePick
            label={picks.length > 1 ? `Technique ${i + 1}` : 'Technique'}
            value={technique}
            onChange={(id) => change(i, { technique: id, level: 1 })}
          />
          <Select
            aria-label={picks.length > 1 ? `Level ${i + 1}` : 'Level'}
            value={level}
            options={[
              { value: OWN_LEVEL, label: 'own settings' },
              ...techniqueById(technique).levels.map(({ name }, k) => ({
                value: k + 1,
                label: `${k + 1}: ${name}`,
              })),
            ]}
            onChange={(to) =>
              change(i, {
                technique,
                level: to,
                ...(to === OWN_LEVEL && { values: usualValues(techniqueById(technique).parameters) }),
              })
            }
          />
          {values && (
            <div className="source-settings">
              <Parameters
                technique={techniqueById(technique)}
                values={values}
                onChange={(next) => change(i, { technique, level, values: next })}
              />
            </div>
          )}
          {picks.length > 1 && (
            <KeyButton
              label={`Leave out ${techniqueById(technique).name}`}
              onPress={() => onChange({ ...which, picks: picks.toSpliced(i, 1) })}
            />
          )}
        </div>
      ))}
      <div className="row">
        <KeyButton
          label="Add another technique"
          onPress={() => onChange({ ...which, picks: [...picks, picks.at(-1)!] })}
        />
        <HowMany count={count} most={MOST_ITEMS} onChange={(n) => onChange({ ...which, count: n })} />
      </div>
    </>
  )
}

const OTHERS: readonly { readonly value: Other; readonly label: string }[] = [
  { value: 'grid', label: 'Grids: rows and columns summed' },
  { value: 'flash', label: 'Lists of five numbers' },
  { value: 'fits', label: 'Does it fit?' },
  { value: 'ways', label: 'Which way?' },
  { value: 'checking', label: 'Is it right?' },
]

function Others(props: { readonly which: Extract<Which, { from: 'other' }>; readonly onChange: Change }) {
  const { which, onChange } = props
  return (
    <>
      <Select
        aria-label="Other sets"
        value={which.what}
        options={[...OTHERS]}
        onChange={(what) => onChange({ ...which, what })}
      />
      <HowMany count={which.count} most={MOST_OTHERS} onChange={(n) => onChange({ ...which, count: n })} />
    </>
  )
}

/** Tables and questions take more room and time than problems. */
const MOST_OTHERS = 50

function Facts(props: { readonly which: Extract<Which, { from: 'facts' }>; readonly onChange: Change }) {
  const { which, onChange } = props
  const deck = FACT_DECKS.find((d) => d.id === which.deck)!
  const most = Math.min(MOST_ITEMS, deck.cards.length)
  return (
    <>
      <Select
        aria-label="Deck of facts"
        value={deck.id}
        showSearch={{ optionFilterProp: 'label' }}
        options={deckOptions()}
        onChange={(id) => onChange({ ...which, deck: id, count: 20 })}
      />
      <HowMany
        count={Math.min(which.count, most)}
        most={most}
        onChange={(n) => onChange({ ...which, count: n })}
      />
    </>
  )
}

function Own(props: {
  readonly which: Extract<Which, { from: 'own' }>
  readonly kept: Choosable
  readonly onChange: Change
}) {
  const { which, kept, onChange } = props
  const set = kept.own.find((s) => s.id === which.set)
  if (!set)
    return (
      <p>
        There are none yet. <Link to="/papers/own">Type or paste some</Link>
      </p>
    )
  const most = Math.min(MOST_ITEMS, set.problems.length)
  return (
    <>
      <Select
        aria-label="Set of problems"
        value={set.id}
        options={kept.own.map((s) => ({
          value: s.id,
          label: `${s.name}, ${counted(s.problems.length, 'problem')}`,
        }))}
        onChange={(id) => {
          const other = kept.own.find((s) => s.id === id)!
          onChange({ ...which, set: id, count: Math.min(20, other.problems.length) })
        }}
      />
      <div className="row">
        <HowMany count={which.count} most={most} onChange={(n) => onChange({ ...which, count: n })} />
        <Checkbox
          checked={which.mixed}
          onChange={(event) => onChange({ ...which, mixed: event.target.checked })}
        >
          Picked at random
        </Checkbox>
      </div>
    </>
  )
}

function HowMany(props: {
  readonly count: number
  readonly most: number
  readonly onChange: (count: number) => void
}) {
  const { count, most, onChange } = props
  return (
    <label htmlFor="which-count" className="row">
      How many
      <InputNumber
        id="which-count"
        min={1}
        max={most}
        precision={0}
        value={count}
        onChange={(n) => n && onChange(n)}
        style={{ width: '5.5rem' }}
      />
    </label>
  )
}
