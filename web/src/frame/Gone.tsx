import { useEffect, useRef, useState } from 'react'
import { useLearner, useLearners, useRemoved, useTakeBack } from '../data/queries.js'
import { changeSettings, useSettings } from '../data/settings.js'
import { Trouble } from './Trouble.js'

/** Says so when the learner of this tab has been removed, here or elsewhere, and who is shown instead. */
export function Gone() {
  const { learnerId } = useSettings()
  const { data: all } = useLearners()
  const here = all?.find((l) => l.id === learnerId)
  const seen = useRef(here)
  const [gone, setGone] = useState<{ readonly id: string; readonly name: string }>()
  useEffect(() => {
    if (here) seen.current = here
    else if (all && seen.current?.id === learnerId) setGone(seen.current)
  }, [here, all, learnerId])
  return gone && !here && gone.id === learnerId ? <Notice key={gone.id} {...gone} /> : null
}

function Notice({ id, name }: { readonly id: string; readonly name: string }) {
  const now = useLearner()
  const removed = useRemoved()
  const takeBack = useTakeBack()
  const kept = removed.data?.some((r) => r.id === id)
  return (
    <div className="row gone" role="status">
      <span>
        <bdi>{name}</bdi> was {kept ? 'removed' : 'erased'}.{' '}
        {now && (
          <>
            Shown now: <bdi>{now.name}</bdi>.
          </>
        )}
      </span>
      {kept && (
        <button type="button" className="key-button" onClick={() => takeBack.mutate(id)}>
          Undo
          <span className="sr-only">
            : bring <bdi>{name}</bdi> back
          </span>
        </button>
      )}
      {now && (
        <button type="button" className="key-button" onClick={() => changeSettings({ learnerId: now.id })}>
          OK
        </button>
      )}
      {takeBack.error && <Trouble error={takeBack.error} />}
    </div>
  )
}
