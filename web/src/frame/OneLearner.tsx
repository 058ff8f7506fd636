import type { LearnerWire } from '@tachymetra/core/wire'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { useLearnerSettingsQuery } from '../data/learnerSettings.js'
import { useLearner, useLearners } from '../data/queries.js'
import { Loading } from './Loading.js'
import { Trouble } from './Trouble.js'

/** What a page shows of the chosen learner, once it is known who that is. */
export function OneLearner({
  children,
}: {
  readonly children: (learner: LearnerWire, all: readonly LearnerWire[]) => ReactNode
}) {
  const learners = useLearners()
  const learner = useLearner()
  // What is shown before it is known what is set for them would be changed under their hands.
  const settings = useLearnerSettingsQuery(learner?.id)
  if (learners.isPending || (learner && settings.isPending)) return <Loading />
  if (learners.isLoadingError) return <Trouble error={learners.error} retry={() => learners.refetch()} />
  if (!learner)
    return (
      <p>
        No learners yet. <Link to="/">Add one</Link>
      </p>
    )
  return children(learner, learners.data)
}
