import type { WayItem } from '@tachymetra/core/drill'
import type { Times } from '@tachymetra/core/learner'
import { printProblem } from '@tachymetra/core/problem'
import { foreseenMs } from '@tachymetra/core/report'
import { seconds } from '@tachymetra/core/words'
import { Link } from 'react-router'
import { useNeeds } from '../data/needs.js'
import { Checks } from '../parts/Checks.js'
import { Fold } from '../parts/Fold.js'
import { Mark } from '../parts/Mark.js'
import type { Looked } from './looked.js'

/** What there is to say once an item is answered. */
export function Revealed(props: { readonly looked: Looked; readonly times: Times; readonly right: boolean }) {
  const { looked, times, right } = props
  return (
    <div className="revealed">
      <p className={right ? 'said-right' : ''}>
        <Mark right={right} /> {right ? 'Right. ' : 'Answered after another try. '}
        {looked.truth}
      </p>
      {looked.drill === 'ways' && <Costs item={looked.item} times={times} />}
      {looked.drill === 'fits' && looked.item.missed === undefined && (
        <p>
          <Link to={`/learn/${looked.item.trick.id}?p=${encodeURIComponent(printProblem(looked.problem))}`}>
            Its steps on these numbers
          </Link>
        </p>
      )}
      {looked.drill === 'checking' && (
        <Fold summary="Every check of this answer">
          {() => <Checks problem={looked.item.problem} answer={looked.item.claimed} />}
        </Fold>
      )}
    </div>
  )
}

/** What each way takes: its effort, and by one's own times. */
function Costs({ item, times }: { readonly item: WayItem; readonly times: Times }) {
  const { calm } = useNeeds()
  const ways = item.ways
    .map(({ technique, work, effort }) => ({
      technique,
      effort,
      ms: work && !calm ? foreseenMs(times, technique, work) : undefined,
    }))
    .toSorted((a, b) => a.effort - b.effort)
  const least = ways[0]!.ms
  return (
    <table className="costs">
      <thead>
        <tr>
          <th scope="col">Way</th>
          <th scope="col">Effort in the head</th>
          {least !== undefined && <th scope="col">By your times</th>}
        </tr>
      </thead>
      <tbody>
        {ways.map(({ technique, effort, ms }) => (
          <tr key={technique.id}>
            <th scope="row">{technique.name}</th>
            <td>{Number.isFinite(effort) ? effort : 'does not fit'}</td>
            {least !== undefined && <td>{ms === undefined ? '' : `about ${seconds(ms)}`}</td>}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
