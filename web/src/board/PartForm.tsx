import { techniqueById } from '@tachymetra/core/registry'
import {
  BOARD_LIMITS,
  BOARD_WAYS,
  type BoardPart,
  type Choosable,
  type Filled,
  type PartKind,
  partOf,
} from '@tachymetra/core/set'
import { variantOf } from '@tachymetra/core/technique'
import { Button, Checkbox, Select } from 'antd'
import { useId, useState } from 'react'
import { useOwnSets } from '../data/given.js'
import { useLearnerSettings } from '../data/learnerSettings.js'
import { useLearner } from '../data/queries.js'
import { TechniquePick } from '../forms/TechniquePick.js'
import { VariantChoice } from '../forms/VariantChoice.js'
import { WhichSet } from '../forms/WhichSet.js'
import { Trouble } from '../frame/Trouble.js'
import { deckOptions } from '../words/decks.js'
import { ClockFields, Problems, Whole } from './fields.js'
import { BEGIN, KINDS, supplyOf } from './filled.js'

/** One part of a lesson, to be added or shown at once. */
export function PartForm(props: {
  readonly onAdd: (part: BoardPart) => void
  readonly onShow: (part: BoardPart) => void
}) {
  const learner = useLearner()
  const { papers } = useLearnerSettings(learner?.id)
  const own = useOwnSets(learner?.id).data ?? []
  const [kind, setKind] = useState<PartKind>('technique')
  const [filled, setFilled] = useState(BEGIN)
  const [fault, setFault] = useState<Error>()
  const id = useId()
  const made = (use: (part: BoardPart) => void) => {
    setFault(undefined)
    try {
      use(partOf(kind, filled, supplyOf({ own, papers })))
    } catch (error) {
      setFault(error as Error)
    }
  }
  const change = (some: Partial<Filled>) => setFilled({ ...filled, ...some })
  return (
    <form
      className="panel stack"
      onSubmit={(event) => {
        event.preventDefault()
        made(props.onAdd)
      }}
    >
      <label htmlFor={id} className="stack">
        <strong>What is shown</strong>
        <Select id={id} value={kind} options={[...KINDS]} onChange={setKind} />
      </label>
      <Fields kind={kind} filled={filled} kept={{ own, papers }} change={change} />
      {fault && <Trouble error={fault} />}
      <div className="row">
        <Button type="primary" htmlType="submit">
          Add to the lesson
        </Button>
        <Button onClick={() => made(props.onShow)}>Show it now</Button>
      </div>
    </form>
  )
}

const WAY_WORDS: Readonly<Record<(typeof BOARD_WAYS)[number], string>> = {
  flash: 'one after another',
  'tape-left': 'gliding to the left',
  'tape-right': 'gliding to the right',
  'tape-down': 'gliding down',
}

function Fields(props: {
  readonly kind: PartKind
  readonly filled: Filled
  readonly kept: Choosable
  readonly change: (some: Partial<Filled>) => void
}) {
  const { kind, filled, kept, change } = props
  const technique = techniqueById(filled.technique)
  const clock = <ClockFields clock={filled.clock} onChange={(next) => change({ clock: next })} />
  switch (kind) {
    case 'technique':
      return (
        <>
          <TechniquePick
            label="Technique"
            value={filled.technique}
            onChange={(id) => change({ technique: id, level: 1, variant: {} })}
          />
          <Select
            aria-label="Level"
            value={filled.level}
            options={technique.levels.map(({ name }, k) => ({ value: k + 1, label: `${k + 1}: ${name}` }))}
            onChange={(level) => change({ level })}
          />
          <VariantChoice
            technique={technique}
            variant={variantOf(technique, filled.variant)}
            onChange={(key, value) => change({ variant: { ...filled.variant, [key]: value } })}
          />
          <Whole
            name="How many"
            value={filled.count}
            most={BOARD_LIMITS.count}
            onChange={(count) => change({ count })}
          />
          {clock}
        </>
      )
    case 'typed':
      return (
        <>
          <Problems text={filled.text} onChange={(text) => change({ text })} />
          {clock}
        </>
      )
    case 'set':
      return (
        <>
          <WhichSet which={filled.which} kept={kept} onChange={(which) => change({ which })} />
          {clock}
        </>
      )
    case 'ways':
      return (
        <>
          <Problems text={filled.text} onChange={(text) => change({ text })} />
          {filled.ways.map((way, i) => (
            <TechniquePick
              key={i}
              label={i === 0 ? 'One way' : 'The other way'}
              value={way}
              onChange={(id) => change({ ways: i === 0 ? [id, filled.ways[1]] : [filled.ways[0], id] })}
            />
          ))}
        </>
      )
    case 'facts':
      return (
        <>
          <Select
            aria-label="Deck of facts"
            value={filled.deck}
            showSearch={{ optionFilterProp: 'label' }}
            options={deckOptions()}
            onChange={(deck) => change({ deck })}
          />
          <Whole
            name="How many"
            value={filled.count}
            most={BOARD_LIMITS.count}
            onChange={(count) => change({ count })}
          />
          <Whole
            name="Seconds until the answer"
            value={filled.waitMs / 1000}
            most={30}
            onChange={(s) => change({ waitMs: 1000 * s })}
          />
        </>
      )
    case 'flash':
      return <FlashFields filled={filled} change={change} />
    case 'pattern':
      return (
        <>
          <Whole
            name="Digits of the first number"
            value={filled.first}
            most={8}
            onChange={(first) => change({ first })}
          />
          <Whole
            name="Digits of the second"
            value={filled.second}
            most={8}
            onChange={(second) => change({ second })}
          />
        </>
      )
    case 'frame':
      return <p>A large frame whose beads are moved by touch or mouse.</p>
  }
}

function FlashFields({ filled, change }: Pick<Parameters<typeof Fields>[0], 'filled' | 'change'>) {
  return (
    <>
      <Select
        aria-label="How they come"
        value={filled.way}
        options={BOARD_WAYS.map((value) => ({ value, label: WAY_WORDS[value] }))}
        onChange={(way) => change({ way })}
      />
      <Whole
        name="Numbers"
        value={filled.numbers}
        least={2}
        most={30}
        onChange={(numbers) => change({ numbers })}
      />
      <Whole
        name="Digits"
        value={filled.digits}
        most={BOARD_LIMITS.digits}
        onChange={(digits) => change({ digits })}
      />
      <Whole
        name="Milliseconds each"
        value={filled.showMs}
        least={BOARD_LIMITS.showMs[0]}
        most={BOARD_LIMITS.showMs[1]}
        onChange={(showMs) => change({ showMs })}
      />
      <Checkbox checked={filled.minus} onChange={(event) => change({ minus: event.target.checked })}>
        With subtraction
      </Checkbox>
      <p className="faint">
        Never more than three a second, whatever is set: flashing can be dangerous for some people. Ask the
        room first whether anybody is sensitive to it; a tape glides instead.
      </p>
    </>
  )
}
