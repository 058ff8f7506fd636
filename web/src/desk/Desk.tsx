import type { LearnerWire } from '@tachymetra/core/wire'
import { Button } from 'antd'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { AsOf } from '../charts/AsOf.js'
import { useLearnerSettingsQuery } from '../data/learnerSettings.js'
import { usePlan } from '../data/plan.js'
import { useLearner, useLearners, useProgress, useTimes } from '../data/queries.js'
import { changeSettings, useSettings } from '../data/settings.js'
import { LearnerSelect } from '../forms/LearnerSelect.js'
import { Fold } from '../frame/Fold.js'
import { Guard, lazily } from '../frame/Guard.js'
import { Loading } from '../frame/Loading.js'
import { Trouble } from '../frame/Trouble.js'
import { FirstSession } from './FirstSession.js'
import { GoOn } from './GoOn.js'
import { Today } from './Today.js'
import { Welcome } from './Welcome.js'

const Choices = lazily(() => import('./Choices.js'))
const EditLearner = lazily(() => import('../forms/EditLearner.js'))
const NewLearner = lazily(() => import('./NewLearner.js'))

/** Where a session is chosen: who, which technique, how hard, how many. One button starts it. */
export function Desk() {
  const learners = useLearners()
  const learner = useLearner()
  const [adding, setAdding] = useState(false)
  const [editing, setEditing] = useState(false)
  if (learners.isPending) return <Loading />
  if (learners.isLoadingError) return <Trouble error={learners.error} retry={() => learners.refetch()} />

  // The dialog stands beside whatever else is shown: it stays open while the first of several is added.
  const dialog = (
    <Guard waiting={null}>
      {adding && (
        <NewLearner
          onClose={(added) => {
            setAdding(false)
            if (added) changeSettings({ learnerId: added })
          }}
        />
      )}
    </Guard>
  )
  return (
    <>
      {learner ? (
        <>
          <div className="row" style={{ marginBottom: '1.25rem' }}>
            <h1 id="who">Learner:</h1>
            <LearnerSelect learner={learner} all={learners.data} labelledBy="who" />
            <Button onClick={() => setAdding(true)}>Add a learner</Button>
            <Button onClick={() => setEditing(true)}>Rename or remove</Button>
          </div>
          <Guard waiting={null}>
            {editing && <EditLearner learner={learner} onClose={() => setEditing(false)} />}
          </Guard>
          <AtDesk key={learner.id} learner={learner} />
        </>
      ) : (
        <Welcome onAdd={() => setAdding(true)} />
      )}
      {dialog}
    </>
  )
}

/** The plan of the day; beneath it, on request, everything there is to choose from. */
function AtDesk({ learner }: { readonly learner: LearnerWire }) {
  const plan = usePlan(learner)
  const { choosing } = useSettings()
  const [search] = useSearchParams()
  // Whoever comes for one technique has chosen already.
  const [asked, setAsked] = useState(search.has('technique'))
  const progress = useProgress(learner.id)
  const queries = [progress, useLearnerSettingsQuery(learner.id), useTimes(learner.id)]
  const failed = queries.find((q) => q.isLoadingError)
  if (failed) return <Trouble error={failed.error!} retry={() => failed.refetch()} />
  if (!plan) return <Loading />
  const isNew = progress.data?.latest.length === 0 && progress.data.facts.length === 0
  return (
    <div className="stack" style={{ gap: '1.5rem' }}>
      <AsOf learnerId={learner.id} what="The plan is" />
      <GoOn learnerId={learner.id} />
      {isNew && <FirstSession learnerId={learner.id} />}
      <Today learner={learner} plan={plan} after={isNew} />
      <Fold
        summary="Or choose for yourself: any technique, level and support"
        open={choosing || asked}
        onToggle={(open) => {
          setAsked(false)
          changeSettings({ choosing: open })
        }}
      >
        {() => (
          <Guard>
            <Choices learnerId={learner.id} plan={plan} />
          </Guard>
        )}
      </Fold>
    </div>
  )
}
