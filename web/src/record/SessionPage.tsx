import { extraTimeWords } from '@tachymetra/core/words'
import { Link, useParams } from 'react-router'
import { AttemptTable, PaceFigures } from '../charts/figures.js'
import { useBests, useSession, useZone } from '../data/queries.js'
import { Loading } from '../frame/Loading.js'
import { NotInRecord } from '../frame/Missing.js'
import { setName } from '../words/setName.js'
import { when } from '../words/words.js'
import { Words } from '../written/Words.js'

/** One session of the record with its attempts. */
export default function SessionPage() {
  const { id = '' } = useParams()
  const session = useSession(id)
  const timeZone = useZone(session.data?.learnerId)
  const bests = useBests(session.data?.learnerId, { before: session.data?.startedAt ?? '' })
  if (session.isPending) return <Loading />
  if (session.isLoadingError)
    return <NotInRecord what="session" error={session.error} retry={() => session.refetch()} />
  const { recipe, startedAt, paces, attempts } = session.data
  const extra = extraTimeWords(recipe.extraTime)
  return (
    <div className="stack" style={{ gap: '1.25rem' }}>
      <p>
        <Link to="/record">Record</Link>
      </p>
      <h1>
        <Words>{setName(recipe)}</Words>, {when(startedAt, timeZone)}
      </h1>
      {extra && (
        <p className="faint">
          <Words>{extra}</Words>
        </p>
      )}
      <PaceFigures paces={paces} bests={bests.data} />
      <h2>Attempts</h2>
      <AttemptTable attempts={attempts} linked />
    </div>
  )
}
