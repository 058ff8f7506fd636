import { isDrawable } from '@tachymetra/core/set'
import { useEffect, useState } from 'react'
import { useParams } from 'react-router'
import { leftSession } from '../data/leaving.js'
import { useSession } from '../data/queries.js'
import type { LocalAttempt, LocalSession } from '../data/store.js'
import { Loading } from '../parts/Loading.js'
import { NotInRecord } from '../parts/Missing.js'
import { PaperRun } from './PaperRun.js'
import { Review } from './Review.js'
import { type Kept, keptOf } from './results.js'
import './paper.css'

/** A paper under way, from wherever it was left, or one that is over, to be gone through. */
export default function PaperPage() {
  const { id = '' } = useParams()
  const [session, setSession] = useState<LocalSession | null>()
  const [over, setOver] = useState<readonly LocalAttempt[]>()
  useEffect(() => {
    setSession(undefined)
    setOver(undefined)
    leftSession(id).then(
      (found) => setSession(found ?? null),
      () => setSession(null),
    )
  }, [id])
  if (session === undefined) return <Loading />
  if (session === null) return <Recorded id={id} />
  if (over) return <Review paper={keptOf(session, over)} />
  if (session.ended || !isDrawable(session)) return <Review paper={keptOf(session, session.attempts)} />
  return <PaperRun key={session.id} session={session} onOver={setOver} />
}

/** A paper of the record, begun in another browser or long ago. */
function Recorded({ id }: { readonly id: string }) {
  const session = useSession(id)
  if (session.isPending) return <Loading />
  if (session.isLoadingError)
    return <NotInRecord what="paper" error={session.error} retry={() => session.refetch()} />
  const { recipe, startedAt, learnerId, attempts } = session.data
  const kept: Kept = {
    id,
    learnerId,
    recipe,
    startedAt,
    answers: attempts.map((a) => ({ ...a, ms: a.totalMs, entries: undefined, record: undefined, awayMs: 0 })),
  }
  return <Review paper={kept} />
}
