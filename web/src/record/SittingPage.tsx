import { techniqueById } from '@tachymetra/core/registry'
import { Link, useParams } from 'react-router'
import { useSitting } from '../data/queries.js'
import { Loading } from '../parts/Loading.js'
import { Trouble } from '../parts/Trouble.js'
import { when } from '../parts/words.js'
import { AttemptTable, PaceFigures } from './figures.js'

/** One sitting of the record with its attempts. */
export default function SittingPage() {
  const { id = '' } = useParams()
  const sitting = useSitting(id)
  if (sitting.isPending) return <Loading />
  if (sitting.isLoadingError) return <Trouble error={sitting.error} retry={() => sitting.refetch()} />
  const { technique, level, startedAt, paces, attempts } = sitting.data
  return (
    <div className="stack" style={{ gap: '1.25rem' }}>
      <p>
        <Link to="/record">Record</Link>
      </p>
      <h1>
        {techniqueById(technique).name}, level {level}, {when(startedAt)}
      </h1>
      <PaceFigures paces={paces} />
      <h2>Attempts</h2>
      <AttemptTable attempts={attempts} linked />
    </div>
  )
}
