import { OWN_LEVEL, TECHNIQUES, type Technique, techniqueById } from '@tachymetra/core'
import type { SittingWire } from '@tachymetra/core/wire'
import { Button, Select, Table } from 'antd'
import { lazy, Suspense, useState } from 'react'
import { Link } from 'react-router'
import { usePace, useSittings } from '../data/queries.js'
import { changeSettings } from '../data/settings.js'
import { Loading } from '../parts/Loading.js'
import { OneLearner } from '../parts/OneLearner.js'
import { Trouble } from '../parts/Trouble.js'
import { SUPPORT_NAMES, seconds, slipName, when } from '../parts/words.js'

const PaceChart = lazy(() => import('./PaceChart.js'))

/** What a learner has done: pace and accuracy over time, and every sitting. */
export default function Record() {
  return (
    <OneLearner>
      {(learner, all) => (
        <div className="stack" style={{ gap: '1.5rem' }}>
          <div className="row">
            <h1 id="whose">The record of</h1>
            <Select
              aria-labelledby="whose"
              value={learner.id}
              options={all.map((l) => ({ value: l.id, label: l.name }))}
              onChange={(id) => changeSettings({ learnerId: id })}
              showSearch={{ optionFilterProp: 'label' }}
              style={{ minWidth: '13rem' }}
            />
          </div>
          <PaceSection key={learner.id} learnerId={learner.id} />
          <Sittings learnerId={learner.id} timeZone={learner.timeZone} />
        </div>
      )}
    </OneLearner>
  )
}

function PaceSection({ learnerId }: { readonly learnerId: string }) {
  const pace = usePace(learnerId)
  const [chosen, setChosen] = useState<string>()
  if (pace.isPending) return <Loading />
  if (pace.isError) return <Trouble error={pace.error} retry={() => pace.refetch()} />
  const practised = TECHNIQUES.filter((t: Technique) => pace.data.some((p) => p.technique === t.id))
  const technique = practised.find((t) => t.id === chosen) ?? practised[0]
  if (!technique) return <p>Nothing practised yet.</p>
  return (
    <section className="stack">
      <div className="row spread">
        <h2>Pace and accuracy</h2>
        <Select
          aria-label="Technique"
          value={technique.id}
          options={practised.map((t) => ({ value: t.id, label: t.name }))}
          onChange={setChosen}
          style={{ minWidth: '13rem' }}
        />
      </div>
      <Suspense fallback={<div className="chart" />}>
        <PaceChart technique={technique} points={pace.data.filter((p) => p.technique === technique.id)} />
      </Suspense>
    </section>
  )
}

function Sittings({ learnerId, timeZone }: { readonly learnerId: string; readonly timeZone: string }) {
  const sittings = useSittings(learnerId)
  if (sittings.isPending) return <Loading />
  if (sittings.isError) return <Trouble error={sittings.error} retry={() => sittings.refetch()} />
  return (
    <section className="stack">
      <h2>Sittings</h2>
      <Table<SittingWire>
        size="small"
        rowKey="id"
        dataSource={sittings.data.pages.flatMap((p) => p.sittings)}
        pagination={false}
        scroll={{ x: 'max-content' }}
        locale={{ emptyText: 'None yet.' }}
        columns={[
          {
            title: 'When',
            render: (_, s) => <Link to={`/record/sitting/${s.id}`}>{when(s.startedAt, timeZone)}</Link>,
          },
          { title: 'Technique', render: (_, s) => techniqueById(s.technique).name },
          { title: 'Level', render: (_, s) => (s.level === OWN_LEVEL ? 'own' : s.level) },
          { title: 'Support', render: (_, s) => s.paces.map((p) => SUPPORT_NAMES[p.support]).join(', ') },
          { title: 'Right', render: (_, s) => s.paces.map((p) => `${p.right} of ${p.attempts}`).join(', ') },
          { title: 'Median time', render: (_, s) => s.paces.map((p) => seconds(p.medianMs)).join(', ') },
          {
            title: 'Slips',
            render: (_, s) => s.slips.map((x) => `${x.count} × ${slipName(x.id)}`).join(', '),
          },
        ]}
      />
      {sittings.hasNextPage && (
        <div>
          <Button onClick={() => sittings.fetchNextPage()} loading={sittings.isFetchingNextPage}>
            Earlier sittings
          </Button>
        </div>
      )}
    </section>
  )
}
