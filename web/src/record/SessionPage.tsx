import { extraTimeWords } from '@tachymetra/core/words'
import { Link, useParams } from 'react-router'
import { useBests, useSession, useZone } from '../data/queries.js'
import { AttemptTable, PaceFigures } from '../parts/figures.js'
import { Loading } from '../parts/Loading.js'
import { NotInRecord } from '../parts/Missing.js'
import { setName } from '../parts/setName.js'
import { when } from '../parts/words.js'

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
        {setName(recipe)}, {when(startedAt, timeZone)}
      </h1>
      {extra && <p className="faint">{extra}</p>}
      <PaceFigures paces={paces} bests={bests.data} />
      <h2>Attempts</h2>
      <AttemptTable attempts={attempts} linked />
    </div>
  )
}
