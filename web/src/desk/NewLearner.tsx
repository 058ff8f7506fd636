import { check, newLearnerSchema } from '@tachymetra/core/wire'
import { Input, Modal } from 'antd'
import { useState } from 'react'
import { useAddLearner } from '../data/queries.js'
import { Trouble } from '../parts/Trouble.js'

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
      <form
        className="stack"
        onSubmit={(event) => {
          event.preventDefault()
          void save()
        }}
      >
        <label htmlFor="new-name">Name or nickname</label>
        <Input
          id="new-name"
          value={name}
          autoFocus
          autoComplete="off"
          onChange={(event) => {
            setName(event.target.value)
            setFault(undefined)
          }}
        />
        {fault && <Trouble error={fault} />}
      </form>
    </Modal>
  )
}
