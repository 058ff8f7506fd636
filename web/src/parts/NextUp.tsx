import { itemName } from '@tachymetra/core'
import type { LearnerWire } from '@tachymetra/core/wire'
import { Button } from 'antd'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { usePlan } from '../data/plan.js'
import { beginItem } from '../data/sitting.js'
import { Trouble } from './Trouble.js'

/**
 * The next item of today's plan, one button away; nothing when all of it is done. It waits until the server has been
 * heard anew, since what was just finished changes what comes next.
 */
export function NextUp({ learner }: { readonly learner: LearnerWire }) {
  const navigate = useNavigate()
  const plan = usePlan(learner)
  const [finishedAt] = useState(() => Date.now())
  const [trouble, setTrouble] = useState<Error>()
  const next = plan && plan.heardAt > finishedAt ? plan.items[0] : undefined
  if (!next) return null
  return (
    <>
      <Button
        type="primary"
        onClick={() => beginItem(learner.id, next).then((path) => navigate(path), setTrouble)}
      >
        Next today: {itemName(next)}
      </Button>
      {trouble && <Trouble error={trouble} />}
    </>
  )
}
