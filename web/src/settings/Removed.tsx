import { KEPT_REMOVED_DAYS, type RemovedLearner } from '@tachymetra/core/wire'
import { Button, Popconfirm } from 'antd'
import { useEraseLearner, useRemoved, useTakeBack } from '../data/queries.js'
import { Trouble } from '../frame/Trouble.js'
import { dayName } from '../words/words.js'

const DAY_MS = 86_400_000

/** The day on which nothing can be had back any more. */
const until = ({ removedAt }: RemovedLearner) =>
  dayName(new Date(Date.parse(removedAt) + KEPT_REMOVED_DAYS * DAY_MS).toISOString().slice(0, 10))

/** Learners who were removed: each can be had back, or erased at once. */
export function Removed() {
  const removed = useRemoved()
  const takeBack = useTakeBack()
  const erase = useEraseLearner()
  const fault = takeBack.error ?? erase.error
  if (!removed.data || removed.data.length === 0) return null
  return (
    <section className="stack" aria-labelledby="removed">
      <h2 id="removed">Removed learners</h2>
      <p>Nothing of theirs is lost for {KEPT_REMOVED_DAYS} days; then it is erased.</p>
      <ul className="plain-list">
        {removed.data.map((one) => (
          <li key={one.id} className="row">
            <span>
              <bdi>{one.name}</bdi>
            </span>
            <span className="faint">until {until(one)}</span>
            <Button onClick={() => takeBack.mutate(one.id)}>
              Bring back
              <span className="sr-only">
                : <bdi>{one.name}</bdi>
              </span>
            </Button>
            <Popconfirm
              title={
                <>
                  Erase everything of <bdi>{one.name}</bdi> now?
                </>
              }
              description="It cannot be undone. Backups you have kept elsewhere are not touched."
              okText="Erase now"
              cancelText="Keep"
              onConfirm={() => erase.mutate(one.id)}
            >
              <Button danger>
                Erase now
                <span className="sr-only">
                  : <bdi>{one.name}</bdi>
                </span>
              </Button>
            </Popconfirm>
          </li>
        ))}
      </ul>
      {fault && <Trouble error={fault} />}
    </section>
  )
}
