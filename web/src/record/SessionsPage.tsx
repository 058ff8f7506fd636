import { rightPerMinute } from '@tachymetra/core/learner'
import { SUPPORT_NAMES } from '@tachymetra/core/session'
import type { SessionWire } from '@tachymetra/core/wire'
import { seconds, slipName, times } from '@tachymetra/core/words'
import { Button, Table } from 'antd'
import { Link } from 'react-router'
import { useSessions } from '../data/queries.js'
import { Loading } from '../frame/Loading.js'
import { Trouble } from '../frame/Trouble.js'
import { practiceNames } from '../words/setName.js'
import { minuteWords, when } from '../words/words.js'
import { written } from '../written/written.js'
import { useItsLearner } from './Record.js'
import { TechniqueChoice } from './TechniqueChoice.js'
import { useChosenTechnique } from './useChosen.js'

/** Every session, newest first; each leads to its problems. */
export default function SessionsPage() {
  const learner = useItsLearner()
  const { id: learnerId, timeZone } = learner
  const [technique, choose] = useChosenTechnique()
  const sessions = useSessions(learnerId, technique)
  if (sessions.isPending) return <Loading />
  if (sessions.isLoadingError) return <Trouble error={sessions.error} retry={() => sessions.refetch()} />
  return (
    <section className="stack" aria-labelledby="sessions">
      <div className="row">
        <h2 id="sessions">Sessions</h2>
        <TechniqueChoice learner={learner} chosen={technique} all="all techniques" onChoose={choose} />
      </div>
      <Table<SessionWire>
        size="small"
        rowKey="id"
        dataSource={sessions.data.pages.flatMap((p) => p.sessions)}
        pagination={false}
        scroll={{ x: 'max-content' }}
        locale={{ emptyText: 'None yet.' }}
        columns={[
          {
            title: 'When',
            render: (_, s) => <Link to={`/record/session/${s.id}`}>{when(s.startedAt, timeZone)}</Link>,
          },
          { title: 'What', render: (_, s) => practiceNames(s.paces).join('; ') },
          { title: 'Support', render: (_, s) => s.paces.map((p) => SUPPORT_NAMES[p.support]).join(', ') },
          { title: 'Right', render: (_, s) => s.paces.map((p) => `${p.right} of ${p.attempts}`).join(', ') },
          {
            title: 'Median time',
            render: (_, s) => written(s.paces.map((p) => seconds(p.medianMs)).join(', ')),
          },
          {
            title: 'Right a minute',
            render: (_, s) => written(s.paces.map((p) => minuteWords(rightPerMinute(p))).join(', ')),
          },
          {
            title: 'Mistakes',
            render: (_, s) => s.slips.map((x) => `${slipName(x.id)} ${times(x.count)}`).join(', '),
          },
        ]}
      />
      {sessions.hasNextPage && (
        <div>
          <Button onClick={() => sessions.fetchNextPage()} loading={sessions.isFetchingNextPage}>
            Earlier sessions
          </Button>
        </div>
      )}
    </section>
  )
}
