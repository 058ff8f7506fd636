import { itemCount } from '@tachymetra/core/set'
import { Button } from 'antd'
import { useNavigate } from 'react-router'
import { sessionPath } from '../data/begin.js'
import { happenedIn, useUnfinished } from '../kept/kept.js'
import { flush } from '../kept/outbox.js'
import { setName } from '../words/setName.js'
import { Words } from '../written/Words.js'

/** A session that was left before its end, one button away; or let go of. */
export function GoOn({ learnerId }: { readonly learnerId: string }) {
  const navigate = useNavigate()
  const session = useUnfinished(learnerId)
  if (!session) return null
  const done = session.attempts.length
  const letGo = async () => {
    // What was begun is kept as it was left.
    await happenedIn(session, { kind: 'ended' })
    await flush()
  }
  return (
    <section className="go-on row spread" aria-labelledby="go-on">
      <div>
        <h2 id="go-on">Go on where you stopped</h2>
        <p>
          <Words>{setName(session.recipe)}</Words>: problem {done + 1} of {itemCount(session.recipe)}
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
