import type { Holdings, ProblemDetails } from '@tachymetra/core/wire'
import { useQuery } from '@tanstack/react-query'
import { Button, Popconfirm } from 'antd'
import { useState } from 'react'
import { useLearners, useRemoveDemo } from '../data/queries.js'
import { FilePick } from '../forms/FilePick.js'
import { Trouble } from '../frame/Trouble.js'
import { call, Refusal, Unreachable } from '../wire/api.js'
import { queryClient } from '../wire/queryClient.js'
import { when } from '../words/words.js'

/** Sends a file as it is. @throws Refusal with the server's reason, Unreachable when there is no answer */
async function upload(path: string, file: File): Promise<Holdings> {
  const response = await fetch(`/api${path}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: file,
  }).catch(() => {
    throw new Unreachable()
  })
  if (response.ok) return (await response.json()) as Holdings
  const details = (await response.json().catch(() => undefined)) as ProblemDetails | undefined
  throw new Refusal(response.status, details?.code, details?.detail ?? 'The server refused this file.')
}

/** Everything of everybody in one file, and back from it. */
export default function Backup() {
  const held = useQuery({
    queryKey: ['holdings'],
    queryFn: () => call<Holdings>('GET', '/holdings'),
    staleTime: 0,
  })
  const [picked, setPicked] = useState<{ file: File; holds: Holdings }>()
  const [busy, setBusy] = useState(false)
  const [said, setSaid] = useState('')
  const [fault, setFault] = useState<Error>()
  const doing = async (work: () => Promise<void>) => {
    setBusy(true)
    setSaid('')
    setFault(undefined)
    try {
      await work()
    } catch (error) {
      setPicked(undefined)
      setFault(error as Error)
    }
    setBusy(false)
  }
  const look = (file: File) =>
    doing(async () => setPicked({ file, holds: await upload('/restore/look', file) }))
  const restore = ({ file }: { file: File }) =>
    doing(async () => {
      await upload('/restore', file)
      setPicked(undefined)
      await queryClient.invalidateQueries()
      setSaid('Restored. What was here before is kept in the data folder.')
    })
  const learners = useLearners()
  const removeDemo = useRemoveDemo()
  const invented = learners.data?.filter((l) => l.demo).length ?? 0
  return (
    <section className="stack" aria-labelledby="backup">
      <h2 id="backup">Everything in one file</h2>
      <p>
        {held.data && `Here: ${words(held.data)}. `}A backup holds all learners with all that is recorded and
        set. Store it as safely as other records about children.
      </p>
      <div className="row">
        <Button href="/api/backup" download>
          Take a backup
        </Button>
        <FilePick
          label="Restore from a backup"
          accept=".tachymetra"
          busy={busy}
          onPick={(file) => void look(file)}
        />
      </div>
      {picked && (
        <div className="stack panel" role="alertdialog" aria-label="Restore this backup?">
          <p>
            <strong>
              <bdi>{picked.file.name}</bdi>
            </strong>{' '}
            holds {words(picked.holds)}. It takes the place of everything that is here now
            {held.data && ` (${words(held.data)})`}.
          </p>
          <div className="row">
            <Button danger type="primary" loading={busy} onClick={() => void restore(picked)}>
              Replace everything with it
            </Button>
            <Button autoFocus onClick={() => setPicked(undefined)}>
              Leave things as they are
            </Button>
          </div>
        </div>
      )}
      {invented > 0 && (
        <div>
          <Popconfirm
            title="Take the demo out?"
            description="The invented learners go, with everything practised as one of them."
            okText="Take it out"
            cancelText="Keep it"
            onConfirm={() => removeDemo.mutate()}
          >
            <Button danger loading={removeDemo.isPending}>
              Take the demo out: {invented} invented {invented === 1 ? 'learner' : 'learners'}
            </Button>
          </Popconfirm>
        </div>
      )}
      {removeDemo.error && <Trouble error={removeDemo.error} />}
      <p role="status">{said}</p>
      {fault && <Trouble error={fault} />}
    </section>
  )
}

function words({ learners, attempts, recalls, latest }: Holdings): string {
  const people = learners === 1 ? '1 learner' : `${learners} learners`
  const last = latest ? `, the latest of ${when(latest)}` : ''
  return `${people}, ${attempts} attempts and ${recalls} recalls${last}`
}
