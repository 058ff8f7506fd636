import type { DrillId } from '@tachymetra/core/drill'
import type { LearnerWire } from '@tachymetra/core/wire'
import { useEffect, useState } from 'react'
import { useSearchParams } from 'react-router'
import { flush } from '../data/outbox.js'
import { usePlan } from '../data/plan.js'
import { beginVisit, finishVisited, type Visit } from '../data/visited.js'
import { Loading } from '../parts/Loading.js'
import { OneLearner } from '../parts/OneLearner.js'
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
  readonly set: Visit
}

function Chooser({ learner }: { readonly learner: LearnerWire }) {
  const plan = usePlan(learner)
  const [search] = useSearchParams()
  const [under, setUnder] = useState<Under>()
  // What a reload or another page has cut off is kept as it was left.
  useEffect(() => {
    void finishVisited().then(flush)
  }, [])
  if (!plan) return <Loading />
  if (under)
    return (
      <DrillRun
        key={under.set.id}
        drill={under.drill}
        set={under.set}
        times={plan.input.times}
        onAgain={() => setUnder({ ...under, set: beginVisit(learner.id, under.set.start.recipe) })}
        onEnd={() => setUnder(undefined)}
      />
    )
  return (
    <Choosing
      learner={learner}
      mastery={plan.input.mastery}
      trick={search.get('trick') ?? undefined}
      onDrill={(drill, recipe) => setUnder({ drill, set: beginVisit(learner.id, recipe) })}
    />
  )
}
