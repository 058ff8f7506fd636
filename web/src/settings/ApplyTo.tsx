import type { LearnerSettings } from '@tachymetra/core/learner'
import type { LearnerWire } from '@tachymetra/core/wire'
import { Button, Checkbox, Modal } from 'antd'
import { useState } from 'react'
import { changeLearner, learnerSettings } from '../data/learnerSettings.js'
import { useDoing } from '../forms/useDoing.js'
import { useReturnFocus } from '../forms/useReturnFocus.js'
import { Trouble } from '../frame/Trouble.js'
import type { OwnPageName } from './section.js'

/** What goes along with each page. Cautions are each learner's own, and so are busy times: they never do. */
const PARTS: readonly {
  readonly page: OwnPageName
  readonly name: string
  readonly keys: readonly (keyof LearnerSettings)[]
}[] = [
  {
    page: 'reading',
    name: 'Size, time and words',
    keys: [
      ...(['textSize', 'zero', 'contrast', 'extraTime', 'ownPace', 'wording', 'calm'] as const),
      ...(['readAloud', 'keypad', 'keypadSide', 'keypadOrder', 'ownKeyboard', 'ownAbacus'] as const),
    ],
  },
  { page: 'plan', name: 'Every day', keys: ['minutes', 'at', 'decks', 'pinned', 'banned'] },
  { page: 'levels', name: 'Level rules and targets', keys: ['rules', 'targets'] },
  { page: 'ways', name: 'Ways of doing it', keys: ['variants'] },
]

type Before = readonly (readonly [id: string, part: Partial<LearnerSettings>])[]

const pick = (settings: LearnerSettings, keys: readonly (keyof LearnerSettings)[]) =>
  Object.fromEntries(keys.map((key) => [key, settings[key]])) as Partial<LearnerSettings>

/** Sets for several learners what is set for one; what they had can be put back. */
export default function ApplyTo(props: {
  readonly learner: LearnerWire
  readonly all: readonly LearnerWire[]
  readonly page: OwnPageName
  readonly onClose: () => void
}) {
  const { learner, all, page, onClose } = props
  useReturnFocus()
  const others = all.filter((l) => l.id !== learner.id)
  const [parts, setParts] = useState<readonly string[]>([page])
  const [to, setTo] = useState<readonly string[]>([])
  const [before, setBefore] = useState<Before>()
  const [said, setSaid] = useState('')
  const [fault, doing] = useDoing()
  const keys = PARTS.filter((p) => parts.includes(p.page)).flatMap((p) => p.keys)

  const apply = () =>
    doing(async () => {
      const own = pick(await learnerSettings(learner.id), keys)
      // All are read before any is changed: one that cannot be read leaves everybody as they are.
      const had = await Promise.all(
        to.map(async (id) => [id, pick(await learnerSettings(id), keys)] as const),
      )
      for (const id of to) await changeLearner(id, own)
      setBefore(had)
      setSaid(`Saved for ${to.length} ${to.length === 1 ? 'learner' : 'learners'}.`)
    })
  const undo = () =>
    doing(async () => {
      for (const [id, part] of before ?? []) await changeLearner(id, part)
      setBefore(undefined)
      setSaid('Undone: everybody has the settings they had before.')
    })
  return (
    <Modal
      open
      title={
        <>
          Apply the settings of <bdi>{learner.name}</bdi> to several
        </>
      }
      footer={null}
      onCancel={onClose}
    >
      <div className="stack">
        <fieldset>
          <legend>What</legend>
          <Checkbox.Group
            className="ticked-learners"
            value={[...parts]}
            options={PARTS.map((p) => ({ value: p.page, label: p.name }))}
            onChange={setParts}
          />
        </fieldset>
        <fieldset>
          <legend>To whom</legend>
          <Checkbox
            checked={to.length === others.length}
            indeterminate={to.length > 0 && to.length < others.length}
            onChange={(event) => setTo(event.target.checked ? others.map((l) => l.id) : [])}
          >
            everybody
          </Checkbox>
          <Checkbox.Group
            className="ticked-learners"
            value={[...to]}
            options={others.map((l) => ({ value: l.id, label: <bdi>{l.name}</bdi> }))}
            onChange={setTo}
          />
        </fieldset>
        <p role="status">{said}</p>
        {fault && <Trouble error={fault} />}
        <div className="row">
          <Button type="primary" disabled={to.length === 0 || keys.length === 0} onClick={() => void apply()}>
            Apply
          </Button>
          {before && <Button onClick={() => void undo()}>Undo</Button>}
          <Button onClick={onClose}>{said ? 'Close' : 'Cancel'}</Button>
        </div>
      </div>
    </Modal>
  )
}
