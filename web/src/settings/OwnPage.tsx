import { check, type LearnerWire, settingsSchema } from '@tachymetra/core/wire'
import { Button } from 'antd'
import { useState } from 'react'
import { changeLearner, useLearnerSettingsQuery } from '../data/learnerSettings.js'
import { LearnerSelect } from '../forms/LearnerSelect.js'
import { Guard, lazily } from '../frame/Guard.js'
import { Loading } from '../frame/Loading.js'
import { OneLearner } from '../frame/OneLearner.js'
import { Trouble } from '../frame/Trouble.js'
import Calendar from './Calendar.js'
import { Cautions } from './Cautions.js'
import { Daily } from './Daily.js'
import { Ease } from './Ease.js'
import { Levels } from './Levels.js'
import type { Change, OwnPageName } from './section.js'
import { Targets } from './Targets.js'
import { Variants } from './Variants.js'

const EditLearner = lazily(() => import('../forms/EditLearner.js'))
const ApplyTo = lazily(() => import('./ApplyTo.js'))

/** One page of what can be set for the chosen learner. */
export default function OwnPage({ page }: { readonly page: OwnPageName }) {
  return (
    <OneLearner>
      {(learner, all) => (
        <>
          <div className="row">
            <h2 id="whose">Settings for</h2>
            <LearnerSelect learner={learner} all={all} labelledBy="whose" />
            <Doing learner={learner} all={all} page={page} />
          </div>
          <Own key={learner.id} learner={learner} page={page} />
        </>
      )}
    </OneLearner>
  )
}

/** What can be done with the learner as a whole, and with the page's settings for others. */
function Doing(props: {
  readonly learner: LearnerWire
  readonly all: readonly LearnerWire[]
  readonly page: OwnPageName
}) {
  const { learner, all, page } = props
  const [open, setOpen] = useState<'edit' | 'apply'>()
  const close = () => setOpen(undefined)
  return (
    <>
      {all.length > 1 && <Button onClick={() => setOpen('apply')}>Apply to several</Button>}
      <Button onClick={() => setOpen('edit')}>Rename or remove</Button>
      <Guard waiting={null}>
        {open === 'edit' && <EditLearner learner={learner} onClose={close} />}
        {open === 'apply' && <ApplyTo learner={learner} all={all} page={page} onClose={close} />}
      </Guard>
    </>
  )
}

function Own({ learner, page }: { readonly learner: LearnerWire; readonly page: OwnPageName }) {
  const query = useLearnerSettingsQuery(learner.id)
  const [fault, setFault] = useState<Error>()
  const [savedAt, setSavedAt] = useState<number>()
  if (query.isPending) return <Loading />
  if (query.isLoadingError) return <Trouble error={query.error} retry={() => query.refetch()} />
  /** The same rules as on the server; what they refuse is not kept. */
  const change: Change = (part) => {
    const checked = check(settingsSchema, part)
    if ('error' in checked) return setFault(new Error(checked.error))
    setFault(undefined)
    void changeLearner(learner.id, part).then(() => setSavedAt(Date.now()))
  }
  const section = { learner, settings: query.data, change }
  return (
    <>
      {fault && <Trouble error={fault} />}
      <p className="saved" role="status" key={savedAt}>
        {savedAt !== undefined && 'Saved'}
      </p>
      {page === 'reading' && (
        <>
          <Ease {...section} />
          <Cautions {...section} />
        </>
      )}
      {page === 'plan' && (
        <>
          <Daily {...section} />
          <Calendar {...section} />
        </>
      )}
      {page === 'levels' && (
        <>
          <Levels {...section} />
          <Targets {...section} />
        </>
      )}
      {page === 'ways' && <Variants {...section} />}
    </>
  )
}
