import type { DrillId } from '@tachymetra/core/drill'
import type { LearnerWire } from '@tachymetra/core/wire'
import { useEffect, useState } from 'react'
import { useSearchParams } from 'react-router'
import { ownSession } from '../data/begin.js'
import { usePlan } from '../data/plan.js'
import { Loading } from '../frame/Loading.js'
import { OneLearner } from '../frame/OneLearner.js'
import { endHere } from '../kept/kept.js'
import type { LocalSession } from '../kept/store.js'
import { Choosing } from './Choosing.js'
import { DrillRun } from './DrillRun.js'
import './choose.css'

/** Choosing a way and checking an answer, practised by themselves. */
export default function ChoosePage() {
  return <OneLearner>{(learner) => <Chooser key={learner.id} learner={learner} />}</OneLearner>
}

/** A drill under way: the set of its items. */
interface Under {
  readonly drill: DrillId
  readonly set: LocalSession
}

function Chooser({ learner }: { readonly learner: LearnerWire }) {
  const plan = usePlan(learner)
  const [search] = useSearchParams()
  const [under, setUnder] = useState<Under>()
  // What a reload or another page has cut off is kept as it was left.
  useEffect(() => {
    void endHere()
  }, [])
  if (!plan) return <Loading />
  if (under)
    return (
      <DrillRun
        key={under.set.id}
        drill={under.drill}
        set={under.set}
        times={plan.input.times}
        onAgain={() => setUnder({ ...under, set: ownSession(learner.id, under.set.recipe) })}
        onEnd={() => setUnder(undefined)}
      />
    )
  return (
    <Choosing
      learner={learner}
      mastery={plan.input.mastery}
      trick={search.get('trick') ?? undefined}
      onDrill={(drill, recipe) => setUnder({ drill, set: ownSession(learner.id, recipe) })}
    />
  )
}
