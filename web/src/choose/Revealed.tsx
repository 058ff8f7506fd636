import { choiceCosts, type WayItem } from '@tachymetra/core/drill'
import type { Times } from '@tachymetra/core/learner'
import { printProblem } from '@tachymetra/core/problem'
import type { AnyQuestion } from '@tachymetra/core/question'
import { foreseenMs } from '@tachymetra/core/report'
import { mistaken, type Progress } from '@tachymetra/core/session'
import { seconds } from '@tachymetra/core/words'
import { Link } from 'react-router'
import { useNeeds } from '../data/needs.js'
import { Fold } from '../frame/Fold.js'
import { Checks } from '../working/Checks.js'
import { Mark } from '../working/Mark.js'
import { Words } from '../written/Words.js'
import type { Looked } from './looked.js'

/** What there is to say once an item is answered. */
export function Revealed(props: {
  readonly looked: Looked
  readonly times: Times
  readonly progress: Progress
}) {
  const { looked, times, progress } = props
  const shown = progress.entries.some((e) => e.verdict === 'given')
  const right = !shown && !progress.entries.some(mistaken)
  return (
    <div className="revealed">
      <p className={right ? 'said-right' : ''}>
        <Mark right={right} /> {right ? 'Right. ' : shown ? 'Shown. ' : 'Answered after another try. '}
        <Words>{looked.truth}</Words>
      </p>
      {looked.drill === 'ways' && (
        <Costs item={looked.item} times={times} chosen={progress.entries[0]?.text ?? ''} />
      )}
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
function Costs(props: {
  readonly item: WayItem
  readonly times: Times
  /** The first choice: as its key or its id. */
  readonly chosen: string
}) {
  const { item, times } = props
  const { calm } = useNeeds()
  const [{ kind }] = item.questions as [AnyQuestion]
  const chosen = String(kind.read(props.chosen))
  const foreseen = item.ways.map(({ technique, work }) =>
    work && !calm ? foreseenMs(times, technique, work) : undefined,
  )
  const ways = item.ways
    .map((way, i) => ({ ...way, ms: foreseen[i] }))
    .toSorted((a, b) => a.effort - b.effort)
  const least = ways[0]!.ms
  const costs = choiceCosts(item, chosen, foreseen)
  return (
    <>
      {costs && (
        <p>
          <Words>{costs}</Words>
        </p>
      )}
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
              <th scope="row">
                {technique.name} {technique.id === chosen && <strong>your choice</strong>}
              </th>
              <td>{Number.isFinite(effort) ? effort : 'does not fit'}</td>
              {least !== undefined && (
                <td>
                  <Words>{ms === undefined ? '' : `about ${seconds(ms)}`}</Words>
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
