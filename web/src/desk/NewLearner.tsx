import { settingsForAge } from '@tachymetra/core/learner'
import { check, newLearnerSchema } from '@tachymetra/core/wire'
import { Button, Input, Modal, Radio } from 'antd'
import { useState } from 'react'
import { beginWith } from '../data/learnerSettings.js'
import { useAddLearner } from '../data/queries.js'
import { NameForm } from '../forms/NameForm.js'
import { useReturnFocus } from '../forms/useReturnFocus.js'
import { Trouble } from '../frame/Trouble.js'

/** The youngest of each age that settings are suggested for. */
const AGES = [
  { value: 8, label: '8 or younger' },
  { value: 9, label: '9 to 11' },
  { value: 12, label: '12 to 15' },
  { value: 16, label: '16 or older' },
]

/** Asks for a name, or a list of them; and for an age, which is not kept. The same rules are checked on the server. */
export default function NewLearner({ onClose }: { readonly onClose: (added?: string) => void }) {
  const [names, setNames] = useState('')
  useReturnFocus()
  const [several, setSeveral] = useState(false)
  const [age, setAge] = useState<number>()
  const [fault, setFault] = useState<Error>()
  const [saving, setSaving] = useState(false)
  const add = useAddLearner()

  /** Adds them in order; those that were added are struck from the list, so that a fault loses nobody. */
  const save = async () => {
    const { timeZone } = Intl.DateTimeFormat().resolvedOptions()
    const lines = names.split('\n').map((name) => name.trim())
    const wanted = several ? lines.filter((name) => name !== '') : lines
    let first: string | undefined
    setSaving(true)
    try {
      if (wanted.length === 0) throw new Error('There is no name yet.')
      for (const [i, name] of wanted.entries()) {
        setNames(wanted.slice(i).join('\n'))
        const given = check(newLearnerSchema, { id: crypto.randomUUID(), name, timeZone })
        if ('error' in given) throw new Error(given.error)
        const { id } = await add.mutateAsync(given.value)
        if (age !== undefined) await beginWith(id, settingsForAge(age))
        first ??= id
      }
      onClose(first)
    } catch (error) {
      setFault(error as Error)
    }
    setSaving(false)
  }
  const onNames = (next: string) => {
    setNames(next)
    setFault(undefined)
  }

  const askAge = (
    <fieldset className="ages">
      <legend>Age, if you like</legend>
      <Radio.Group value={age} options={AGES} onChange={(event) => setAge(event.target.value)} />
      <p className="faint">
        It sets text size, time limits and wording to begin with, each to be changed in Settings. The age
        itself is not kept.
      </p>
    </fieldset>
  )
  return (
    <Modal
      open
      title={several ? 'Add learners' : 'Add a learner'}
      okText="Add"
      confirmLoading={saving}
      onOk={save}
      onCancel={() => onClose()}
    >
      {several ? (
        <div className="stack">
          <label htmlFor="learner-names">Names or nicknames, one on each line</label>
          <Input.TextArea
            id="learner-names"
            value={names}
            autoFocus
            rows={10}
            onChange={(event) => onNames(event.target.value)}
          />
          {askAge}
          {fault && <Trouble error={fault} />}
        </div>
      ) : (
        <NameForm name={names} fault={fault} onName={onNames} onSave={() => void save()}>
          {askAge}
          <div>
            <Button type="link" style={{ padding: 0 }} onClick={() => setSeveral(true)}>
              Several at once, from a list
            </Button>
          </div>
        </NameForm>
      )}
    </Modal>
  )
}
