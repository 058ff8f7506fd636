import type { BoardPart, BoardPlan } from '@tachymetra/core/set'
import { MOST_NAME } from '@tachymetra/core/set'
import { count } from '@tachymetra/core/words'
import { Button, Input, Popconfirm } from 'antd'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import {
  type KeptPlan,
  keepShowing,
  keptShowing,
  useForgetPlan,
  useKeepPlan,
  usePlans,
} from '../data/board.js'
import { freshSeed } from '../data/fresh.js'
import { KeyButton } from '../entry/KeyButton.js'
import { useDoing } from '../forms/useDoing.js'
import { Trouble } from '../frame/Trouble.js'
import { wakeSound } from '../sound/sound.js'
import { Words } from '../written/Words.js'
import { PartForm } from './PartForm.js'
import { partWords } from './partWords.js'
import { RoomSoFar } from './RoomSoFar.js'
import { beginning } from './wall.js'
import './board.css'

const empty = (): KeptPlan => ({ id: crypto.randomUUID(), name: '', parts: [] })

/** Lessons for the wall: put together, kept by name, begun. */
export default function BoardPage() {
  const navigate = useNavigate()
  const plans = usePlans()
  const keep = useKeepPlan()
  const forget = useForgetPlan()
  const [plan, setPlan] = useState<KeptPlan>(empty)
  const [fault, doing] = useDoing()
  const begun = keptShowing()
  const begin = ({ name, parts }: BoardPlan) => {
    wakeSound()
    const lesson = { name: name || 'Lesson', parts }
    keepShowing({ plan: lesson, seed: freshSeed(), place: beginning(lesson, 0) })
    void navigate('/board/now')
  }
  const parts = (next: readonly BoardPart[]) => setPlan({ ...plan, parts: next })
  const name = plan.name.trim()
  const taken = plans.data?.some((p) => p.name === name && p.id !== plan.id) ?? false
  return (
    <div className="stack loose">
      <h1>The board</h1>
      <p>
        One screen for a whole room: a problem with seconds on the clock, then each step asked before it is
        told. Page Down brings the next thought, so a clicker is enough.{' '}
        {begun && (
          <Link to="/board/now">
            Go on with <bdi>{begun.plan.name}</bdi>
          </Link>
        )}
      </p>
      <div className="board-page">
        <PartForm
          onAdd={(part) => parts([...plan.parts, part])}
          onShow={(part) => begin({ name: '', parts: [part] })}
        />
        <div className="stack loose">
          <section className="stack" aria-labelledby="lesson">
            <h2 id="lesson">This lesson</h2>
            {plan.parts.length === 0 ? (
              <p>Nothing yet. Add a part, or show one on the board at once.</p>
            ) : (
              <Parts parts={plan.parts} onChange={parts} />
            )}
            <div className="row">
              <label htmlFor="plan-name">Name</label>
              <Input
                id="plan-name"
                value={plan.name}
                maxLength={MOST_NAME}
                style={{ width: '14rem' }}
                onChange={(event) => setPlan({ ...plan, name: event.target.value })}
              />
              <Button
                disabled={name === '' || taken || plan.parts.length === 0}
                onClick={() => void doing(async () => void (await keep.mutateAsync({ ...plan, name })))}
              >
                Keep
              </Button>
              <Button type="primary" disabled={plan.parts.length === 0} onClick={() => begin(plan)}>
                Begin the lesson
              </Button>
              {plan.parts.length > 0 && <Button onClick={() => setPlan(empty())}>Clear</Button>}
            </div>
            {taken && <p className="said-slip">There is a lesson of this name already.</p>}
            {fault && <Trouble error={fault} />}
          </section>
          <section className="stack" aria-labelledby="kept-lessons">
            <h2 id="kept-lessons">Kept lessons</h2>
            {plans.isLoadingError && <Trouble error={plans.error} retry={() => plans.refetch()} />}
            {plans.data?.length === 0 && <p>None yet.</p>}
            <ul className="plain-list board-parts">
              {plans.data?.map((kept) => (
                <li key={kept.id}>
                  <span className="name">
                    <strong>
                      <bdi>{kept.name}</bdi>
                    </strong>{' '}
                    <span className="faint">{count(kept.parts.length, 'part')}</span>
                  </span>
                  <Button
                    size="small"
                    type="primary"
                    onClick={() => begin(kept)}
                    aria-label={`Begin: ${kept.name}`}
                  >
                    Begin
                  </Button>
                  <Button size="small" onClick={() => setPlan(kept)} aria-label={`Change: ${kept.name}`}>
                    Change
                  </Button>
                  <Popconfirm
                    title={
                      <>
                        Delete <bdi>{kept.name}</bdi>?
                      </>
                    }
                    okText="Delete"
                    cancelText="Cancel"
                    onConfirm={() => forget.mutate(kept.id)}
                  >
                    <Button size="small" aria-label={`Delete: ${kept.name}`}>
                      Delete
                    </Button>
                  </Popconfirm>
                </li>
              ))}
            </ul>
          </section>
          <RoomSoFar />
        </div>
      </div>
    </div>
  )
}

/** The parts in their order: each can be moved up, or taken out. */
function Parts(props: {
  readonly parts: readonly BoardPart[]
  readonly onChange: (parts: readonly BoardPart[]) => void
}) {
  const { parts, onChange } = props
  return (
    <ol className="plain-list board-parts" aria-label="Parts of this lesson">
      {parts.map((part, i) => (
        <li key={i}>
          <span className="name">
            {i + 1}. <Words>{partWords(part)}</Words>
          </span>
          {i > 0 && (
            <KeyButton
              label={`Move part ${i + 1} up`}
              onPress={() => onChange(parts.with(i, parts[i - 1]!).with(i - 1, part))}
            />
          )}
          <KeyButton label={`Take part ${i + 1} out`} onPress={() => onChange(parts.toSpliced(i, 1))} />
        </li>
      ))}
    </ol>
  )
}
