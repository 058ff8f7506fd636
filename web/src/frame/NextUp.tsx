import { itemName } from '@tachymetra/core/plan'
import type { LearnerWire } from '@tachymetra/core/wire'
import { Button } from 'antd'
import { useEffect, useState } from 'react'
import { useNavigate } from 'react-router'
import { beginItem } from '../data/begin.js'
import { usePlan } from '../data/plan.js'
import { recordChanged, useProgress } from '../data/queries.js'
import { flush } from '../kept/outbox.js'
import { Words } from '../written/Words.js'
import { Trouble } from './Trouble.js'

/**
 * The next item of today's plan, one button away; nothing when all of it is done. It waits until all that was
 * just done has been sent and the server heard after that, since it changes what comes next; or could not be heard.
 */
export function NextUp({ learner }: { readonly learner: LearnerWire }) {
  const navigate = useNavigate()
  const plan = usePlan(learner)
  const [sentAt, setSentAt] = useState(Number.POSITIVE_INFINITY)
  const [trouble, setTrouble] = useState<Error>()
  // Where the server cannot be heard, what was planned before still holds.
  const { isRefetchError } = useProgress(learner.id)
  const heard = plan && (plan.heardAt >= sentAt || (isRefetchError && sentAt < Number.POSITIVE_INFINITY))
  const next = heard ? plan.items[0] : undefined
  useEffect(() => {
    void flush().then(() => {
      setSentAt(Date.now())
      recordChanged()
    })
  }, [])
  if (!next) return null
  return (
    <>
      <Button
        type="primary"
        onClick={() => beginItem(learner.id, next).then((path) => navigate(path), setTrouble)}
      >
        Next today: <Words>{itemName(next)}</Words>
      </Button>
      {trouble && <Trouble error={trouble} />}
    </>
  )
}
