import { check, KEPT_REMOVED_DAYS, type LearnerWire, learnerNameSchema } from '@tachymetra/core/wire'
import { Button, Modal, Popconfirm } from 'antd'
import { useState } from 'react'
import { useEraseLearner, useRemoveLearner, useRenameLearner } from '../data/queries.js'
import { Trouble } from '../frame/Trouble.js'
import { NameForm } from './NameForm.js'
import { useReturnFocus } from './useReturnFocus.js'

/** Another name for a learner; or the learner removed, to be had back for a while, or erased at once. */
export default function EditLearner({
  learner,
  onClose,
}: {
  readonly learner: LearnerWire
  readonly onClose: () => void
}) {
  const [name, setName] = useState(learner.name)
  useReturnFocus()
  const [removing, setRemoving] = useState(false)
  const [fault, setFault] = useState<Error>()
  const rename = useRenameLearner()
  const remove = useRemoveLearner()
  const erase = useEraseLearner()

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
  const away = async (doing: typeof erase | typeof remove) => {
    try {
      await doing.mutateAsync(learner.id)
      onClose()
    } catch (error) {
      setFault(error as Error)
    }
  }
  return (
    <Modal
      open
      title={
        <>
          {removing ? 'Remove' : 'Change'} <bdi>{learner.name}</bdi>
          {removing && '?'}
        </>
      }
      footer={null}
      onCancel={onClose}
    >
      {removing ? (
        <div className="stack">
          <p>
            <strong>Remove</strong>: <bdi>{learner.name}</bdi> is taken out of every list. Nothing is lost for{' '}
            {KEPT_REMOVED_DAYS} days, and Settings can bring <bdi>{learner.name}</bdi> back; then it is
            erased.
          </p>
          <p>
            <strong>Erase now</strong>: every session, attempt and fact is erased from this machine, and from
            the copies the program has put aside. It cannot be undone.
          </p>
          {fault && <Trouble error={fault} />}
          <div className="row">
            <Button type="primary" autoFocus loading={remove.isPending} onClick={() => void away(remove)}>
              Remove <bdi>{learner.name}</bdi>
            </Button>
            <Popconfirm
              title={
                <>
                  Erase everything of <bdi>{learner.name}</bdi> now?
                </>
              }
              okText="Erase"
              cancelText="Keep"
              onConfirm={() => away(erase)}
            >
              <Button danger loading={erase.isPending}>
                Erase now
              </Button>
            </Popconfirm>
            <Button onClick={() => setRemoving(false)}>Cancel</Button>
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
