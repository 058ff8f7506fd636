import { check, type LearnerWire, learnerNameSchema } from '@tachymetra/core/wire'
import { Button, Modal } from 'antd'
import { useState } from 'react'
import { useRemoveLearner, useRenameLearner } from '../data/queries.js'
import { NameForm } from './NameForm.js'
import { Trouble } from './Trouble.js'

/** Another name for a learner, or the learner removed with everything recorded of them. */
export default function EditLearner({
  learner,
  onClose,
}: {
  readonly learner: LearnerWire
  readonly onClose: () => void
}) {
  const [name, setName] = useState(learner.name)
  const [removing, setRemoving] = useState(false)
  const [fault, setFault] = useState<Error>()
  const rename = useRenameLearner()
  const remove = useRemoveLearner()

  const save = async () => {
    const given = check(learnerNameSchema, { name: name.trim() })
    if ('error' in given) return setFault(new Error(given.error))
    try {
      await rename.mutateAsync({ id: learner.id, name: given.value.name })
      onClose()
    } catch (error) {
      setFault(error as Error)
    }
  }
  const removeAll = async () => {
    try {
      await remove.mutateAsync(learner.id)
      onClose()
    } catch (error) {
      setFault(error as Error)
    }
  }
  return (
    <Modal
      open
      title={removing ? `Remove ${learner.name}?` : `Change ${learner.name}`}
      footer={null}
      onCancel={onClose}
    >
      {removing ? (
        <div className="stack">
          <p>
            Every session, attempt and fact of {learner.name} is deleted from this machine. It cannot be taken
            back.
          </p>
          {fault && <Trouble error={fault} />}
          <div className="row">
            <Button danger type="primary" loading={remove.isPending} onClick={removeAll}>
              Remove {learner.name} and all their data
            </Button>
            <Button autoFocus onClick={() => setRemoving(false)}>
              Keep
            </Button>
          </div>
        </div>
      ) : (
        <NameForm
          name={name}
          fault={fault}
          onName={(next) => {
            setName(next)
            setFault(undefined)
          }}
          onSave={() => void save()}
        >
          <div className="row">
            <Button type="primary" htmlType="submit" loading={rename.isPending}>
              Save
            </Button>
            <Button danger onClick={() => setRemoving(true)}>
              Remove...
            </Button>
          </div>
        </NameForm>
      )}
    </Modal>
  )
}
