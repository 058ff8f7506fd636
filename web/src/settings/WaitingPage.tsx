import { count } from '@tachymetra/core/words'
import { Button, Popconfirm } from 'antd'
import { useEffect, useState } from 'react'
import { handOut } from '../data/files.js'
import { useLearners } from '../data/queries.js'
import { useDoing } from '../forms/useDoing.js'
import { Trouble } from '../frame/Trouble.js'
import { throwAway, tryAgain, useWaiting } from '../kept/outbox.js'
import { type Parcel, parcels } from '../kept/store.js'

/** What is in this browser and not on the server: what waits, and what the server has refused. */
export default function WaitingPage() {
  const waiting = useWaiting()
  const { data: learners } = useLearners()
  const [kept, setKept] = useState<readonly Parcel[]>([])
  const [fault, doing] = useDoing()
  // Read again whenever something was sent or refused.
  useEffect(() => {
    void parcels().then((all) => setKept(all.map(([, parcel]) => parcel)))
  }, [waiting])
  const refused = kept.filter((p) => p.refused !== undefined)
  const nameOf = (parcel: Parcel) => {
    const { learnerId } = parcel.body as { learnerId?: string }
    return learners?.find((l) => l.id === (learnerId ?? parcel.learnerId))?.name
  }
  return (
    <section className="stack" aria-labelledby="waiting-head">
      <h2 id="waiting-head">Not on the server</h2>
      <p>
        {waiting.unsent === 0
          ? 'Nothing waits to be sent.'
          : `${count(waiting.unsent, 'thing')} wait here until the server answers; nothing needs to be done.`}
      </p>
      {refused.length === 0 ? (
        <p>Nothing was refused.</p>
      ) : (
        <>
          <p>The server refused {count(refused.length, 'thing')}. They stay here until you decide.</p>
          <ul className="stack tight" aria-label="Refused by the server">
            {refused.map((parcel, i) => (
              <li key={`${parcel.path} ${i}`}>
                {[WHAT[kindOf(parcel)], nameOf(parcel)].filter(Boolean).join(' of ')}: {parcel.refused}
              </li>
            ))}
          </ul>
          <div className="row">
            <Button
              onClick={() =>
                handOut('refused.json', 'application/json', JSON.stringify(refused, undefined, 2))
              }
            >
              Save them as a file
            </Button>
            <Button onClick={() => void doing(tryAgain)}>Try again</Button>
            <Popconfirm
              title="Throw them away? They are nowhere else."
              okText="Throw away"
              cancelText="Keep"
              onConfirm={() => doing(throwAway)}
            >
              <Button danger>Throw away</Button>
            </Popconfirm>
          </div>
        </>
      )}
      {fault && <Trouble error={fault} />}
    </section>
  )
}

const WHAT = {
  sessions: 'A session',
  attempts: 'A problem worked',
  recalls: 'A fact recalled',
  learners: 'A change of settings',
  board: 'A count of hands',
  other: 'Something',
} as const

function kindOf({ path }: Parcel): keyof typeof WHAT {
  const first = path.split('/')[1] ?? ''
  return first in WHAT ? (first as keyof typeof WHAT) : 'other'
}
