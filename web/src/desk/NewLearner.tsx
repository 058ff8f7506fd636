import { check, newLearnerSchema } from '@tachymetra/core/wire'
import { Modal } from 'antd'
import { useState } from 'react'
import { useAddLearner } from '../data/queries.js'
import { NameForm } from '../parts/NameForm.js'

/** Asks for a name and nothing else. The same rule is checked here and on the server. */
export default function NewLearner({ onClose }: { readonly onClose: (added?: string) => void }) {
  const [name, setName] = useState('')
  const [fault, setFault] = useState<Error>()
  const add = useAddLearner()

  const save = async () => {
    const { timeZone } = Intl.DateTimeFormat().resolvedOptions()
    const given = check(newLearnerSchema, { id: crypto.randomUUID(), name: name.trim(), timeZone })
    if ('error' in given) {
      setFault(new Error(given.error))
      return
    }
    try {
      onClose((await add.mutateAsync(given.value)).id)
    } catch (error) {
      setFault(error as Error)
    }
  }

  return (
    <Modal
      open
      title="Add a learner"
      okText="Add"
      confirmLoading={add.isPending}
      onOk={save}
      onCancel={() => onClose()}
    >
      <NameForm
        name={name}
        fault={fault}
        onName={(next) => {
          setName(next)
          setFault(undefined)
        }}
        onSave={() => void save()}
      />
    </Modal>
  )
}
