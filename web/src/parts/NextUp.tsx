import { itemName } from '@tachymetra/core'
import type { LearnerWire } from '@tachymetra/core/wire'
import { Button } from 'antd'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { usePlan } from '../data/plan.js'
import { beginItem } from '../data/sitting.js'
import { Trouble } from './Trouble.js'

/** The next item of today's plan, one button away; nothing when all of it is done. */
export function NextUp({ learner, but }: { readonly learner: LearnerWire; readonly but?: string }) {
  const navigate = useNavigate()
  const plan = usePlan(learner)
  const [trouble, setTrouble] = useState<Error>()
  // What was just finished may not have reached the server yet.
  const next = plan?.items.find((item) => item.id !== but)
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
