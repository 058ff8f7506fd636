import { isDrawable } from '@tachymetra/core/set'
import { useParams } from 'react-router'
import { useSession } from '../data/queries.js'
import { Loading } from '../frame/Loading.js'
import { NotInRecord } from '../frame/Missing.js'
import { useKept } from '../kept/kept.js'
import type { LocalSession } from '../kept/store.js'
import { usePractice } from '../practice/usePractice.js'
import { PaperRun } from './PaperRun.js'
import { Review } from './Review.js'
import { type Kept, keptOf } from './results.js'
import './paper.css'

/** A paper under way, from wherever it was left, or one that is over, to be gone through. */
export default function PaperPage() {
  const { id = '' } = useParams()
  const session = useKept(id)
  if (session === undefined) return <Loading />
  if (session === null) return <Recorded id={id} />
  return <Paper key={session.id} kept={session} />
}

function Paper({ kept }: { readonly kept: LocalSession }) {
  const practice = usePractice(kept)
  const { session, ended } = practice
  return ended || !isDrawable(kept) ? <Review paper={keptOf(session)} /> : <PaperRun practice={practice} />
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
