import { judgeRecord } from '@tachymetra/core/session'
import { itemCount } from '@tachymetra/core/set'
import { Button } from 'antd'
import { useEffect, useState } from 'react'
import { useNavigate } from 'react-router'
import { sessionPath } from '../data/begin.js'
import { flush } from '../data/outbox.js'
import { endSession, keepAttempt, type LocalSession, stopped, unfinishedSession } from '../data/store.js'
import { setName } from '../parts/setName.js'

/** A session that was left before its end, one button away; or let go of. */
export function GoOn({ learnerId }: { readonly learnerId: string }) {
  const navigate = useNavigate()
  const [session, setSession] = useState<LocalSession>()
  useEffect(() => {
    unfinishedSession(learnerId).then(setSession, () => undefined)
  }, [learnerId])
  if (!session) return null
  const done = session.attempts.length
  const letGo = async () => {
    setSession(undefined)
    // What was begun is kept as it was left.
    const record = session.open && stopped(session.open)
    if (record) await keepAttempt({ record, verdict: judgeRecord(record) })
    await endSession(session.id)
    await flush()
  }
  return (
    <section className="go-on row spread" aria-labelledby="go-on">
      <div>
        <h2 id="go-on">Go on where you stopped</h2>
        <p>
          {setName(session.recipe)}: problem {done + 1} of {itemCount(session.recipe)}
        </p>
      </div>
      <span className="row">
        <Button onClick={() => void letGo()}>Not any more</Button>
        <Button type="primary" onClick={() => navigate(sessionPath(session))}>
          Go on
        </Button>
      </span>
    </section>
  )
}
