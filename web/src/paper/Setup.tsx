import { PAPER_LIMITS, PAPER_POOL, type PaperSetup, USUAL_PAPER } from '@tachymetra/core/set'
import { count } from '@tachymetra/core/words'
import { Button, Checkbox, Input, InputNumber, Select } from 'antd'
import { type ReactNode, useId } from 'react'
import { Fold } from '../frame/Fold.js'

const MINUTE_MS = 60_000

/** How a paper is set up, and kept by a name. */
export function Setup(props: {
  readonly setup: PaperSetup
  readonly kept: readonly PaperSetup[]
  readonly onChange: (setup: PaperSetup) => void
  readonly onKeep: () => void
  readonly onForget: () => void
  readonly onBegin: () => void
  /** What went wrong. */
  readonly children: ReactNode
}) {
  const { setup, kept, onChange, onKeep, onForget, onBegin } = props
  const change = (some: Partial<PaperSetup>) => onChange({ ...setup, ...some })
  const nameId = useId()
  const same = kept.find((k) => k.name === setup.name)
  const all = [USUAL_PAPER, ...kept.filter((k) => k.name !== USUAL_PAPER.name)]
  return (
    <form
      className="panel stack setup"
      onSubmit={(event) => {
        event.preventDefault()
        onBegin()
      }}
    >
      <p>
        {count(setup.count, 'item')} in {count(setup.ms / MINUTE_MS, 'minute')}, easy ones first, answers
        only. Nothing is said until the end.
      </p>
      {all.length > 1 && (
        <div className="row">
          <span>Paper</span>
          <Select
            className="kept"
            aria-label="Paper"
            value={setup.name}
            options={all.map(({ name }) => ({ value: name, label: name }))}
            optionRender={({ label }) => <bdi>{label}</bdi>}
            labelRender={({ label }) => <bdi>{label}</bdi>}
            onChange={(name) => onChange(all.find((p) => p.name === name)!)}
          />
        </div>
      )}
      <Numbers setup={setup} change={change} />
      <Checkbox checked={setup.back} onChange={(event) => change({ back: event.target.checked })}>
        Going back to skipped items is allowed
      </Checkbox>
      <Kinds without={setup.without} onChange={(without) => change({ without })} />
      <label htmlFor={nameId}>Name of this paper</label>
      <div className="row">
        <Input
          id={nameId}
          className="paper-name"
          value={setup.name}
          maxLength={40}
          onChange={(event) => change({ name: event.target.value })}
        />
        <Button disabled={setup.name.trim() === '' || same === setup} onClick={onKeep}>
          Keep
        </Button>
        {same && <Button onClick={onForget}>Forget</Button>}
      </div>
      {props.children}
      <Button type="primary" size="large" htmlType="submit" disabled={setup.name.trim() === ''}>
        Begin the paper
      </Button>
    </form>
  )
}

function Numbers(props: {
  readonly setup: PaperSetup
  readonly change: (some: Partial<PaperSetup>) => void
}) {
  const { setup, change } = props
  const { marks } = setup
  const [fewest, most] = PAPER_LIMITS.count
  const [shortest, longest] = PAPER_LIMITS.minutes
  const [lowest, highest] = PAPER_LIMITS.marks
  const points = (name: string, of: 'right' | 'wrong' | 'skipped', value: number) => (
    <Numeric
      label={name}
      value={value}
      min={lowest}
      max={highest}
      onChange={(n) => change({ marks: { ...marks, [of]: n } })}
    />
  )
  return (
    <div className="numbers">
      <Numeric
        label="Items"
        value={setup.count}
        min={fewest}
        max={most}
        onChange={(n) => change({ count: n })}
      />
      <Numeric
        label="Minutes"
        value={setup.ms / MINUTE_MS}
        min={shortest}
        max={longest}
        onChange={(n) => change({ ms: n * MINUTE_MS })}
      />
      <fieldset className="points">
        <legend>Points for an item</legend>
        {points('right', 'right', marks.right)}
        {points('wrong', 'wrong', marks.wrong)}
        {points('skipped', 'skipped', marks.skipped ?? marks.blank)}
      </fieldset>
    </div>
  )
}

function Numeric(props: {
  readonly label: string
  readonly value: number
  readonly min: number
  readonly max: number
  readonly onChange: (value: number) => void
}) {
  const { label, value, min, max, onChange } = props
  const id = useId()
  return (
    <div>
      <label htmlFor={id}>{label}</label>
      <InputNumber
        id={id}
        value={value}
        min={min}
        max={max}
        precision={0}
        onChange={(n) => n !== null && onChange(n)}
      />
    </div>
  )
}

/** Which kinds come on the paper: all that are not left out. */
function Kinds(props: {
  readonly without: readonly string[]
  readonly onChange: (without: readonly string[]) => void
}) {
  const { without, onChange } = props
  const taken = PAPER_POOL.length - without.length
  return (
    <Fold
      summary={
        without.length === 0 ? `All ${PAPER_POOL.length} kinds` : `${taken} of ${PAPER_POOL.length} kinds`
      }
    >
      {() => (
        <>
          <div className="row">
            <Button size="small" onClick={() => onChange([])}>
              All
            </Button>
            <Button size="small" onClick={() => onChange(PAPER_POOL.slice(1).map((k) => k.technique.id))}>
              Only one
            </Button>
          </div>
          <div className="kinds">
            {PAPER_POOL.map(({ technique: { id, name } }) => (
              <Checkbox
                key={id}
                checked={!without.includes(id)}
                disabled={taken === 1 && !without.includes(id)}
                onChange={(event) =>
                  onChange(event.target.checked ? without.filter((w) => w !== id) : [...without, id])
                }
              >
                {name}
              </Checkbox>
            ))}
          </div>
        </>
      )}
    </Fold>
  )
}
