import { marked } from '@tachymetra/core/number'
import { listedOwn } from '@tachymetra/core/report'
import type { Recipe } from '@tachymetra/core/set'
import { problemsOf, type Which } from '@tachymetra/core/set'
import type { LearnerWire } from '@tachymetra/core/wire'
import { count } from '@tachymetra/core/words'
import { Button, Checkbox, InputNumber } from 'antd'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { beginSession } from '../data/begin.js'
import { freshSeed } from '../data/fresh.js'
import { useOwnSets } from '../data/given.js'
import { useLearnerSettings } from '../data/learnerSettings.js'
import { FIRST } from '../forms/firstSet.js'
import { useDoing } from '../forms/useDoing.js'
import { WhichSet } from '../forms/WhichSet.js'
import { OneLearner } from '../frame/OneLearner.js'
import { PaperPages } from '../frame/PaperPages.js'
import { Trouble } from '../frame/Trouble.js'
import { wakeSound } from '../sound/sound.js'
import { Words } from '../written/Words.js'
import './round.css'

const SECONDS = { least: 1, most: 600, usual: 6 } as const

/** A timed round: any set with seconds for each item, and a bell at which the answer comes by itself. */
export default function RoundPage() {
  return <OneLearner>{(learner) => <Round key={learner.id} learner={learner} />}</OneLearner>
}

function Round({ learner }: { readonly learner: LearnerWire }) {
  const navigate = useNavigate()
  const { papers, extraTime, calm } = useLearnerSettings(learner.id)
  const own = useOwnSets(learner.id)
  const [which, setWhich] = useState<Which>({ ...FIRST, count: 5 })
  const [seconds, setSeconds] = useState<number>(SECONDS.usual)
  const [aloud, setAloud] = useState(false)
  const [fault, doing] = useDoing()
  const start = () => {
    wakeSound()
    void doing(async () => {
      const { marks: _, ...problems } = problemsOf(
        which,
        { own: own.data ?? [], papers },
        listedOwn,
        freshSeed(),
      )
      const recipe: Recipe = {
        ...problems,
        clock: { kind: 'item', ms: 1000 * seconds },
        support: 'answer',
        answers: 'at-once',
        round: { aloud },
      }
      await navigate(await beginSession(learner.id, recipe))
    })
  }
  return (
    <div className="stack loose">
      <h1>
        Rounds{' '}
        <span className="faint aside">
          for <bdi>{learner.name}</bdi>
        </span>
      </h1>
      <PaperPages />
      <div className="round-page">
        <form
          className="panel stack"
          onSubmit={(event) => {
            event.preventDefault()
            start()
          }}
        >
          <WhichSet which={which} kept={{ own: own.data ?? [], papers }} onChange={setWhich} />
          <label htmlFor="round-seconds" className="row">
            Seconds for each
            <InputNumber
              id="round-seconds"
              min={SECONDS.least}
              max={SECONDS.most}
              precision={0}
              value={seconds}
              onChange={(n) => n && setSeconds(n)}
              style={{ width: '5.5rem' }}
            />
          </label>
          {extraTime !== 1 && (
            <p className="faint">
              <bdi>{learner.name}</bdi>{' '}
              {extraTime === null ? (
                'works without a limit: no bell rings.'
              ) : (
                <Words>{marked(`has ${extraTime} times as long.`)}</Words>
              )}
            </p>
          )}
          <Checkbox checked={aloud} onChange={(event) => setAloud(event.target.checked)}>
            Each problem is read aloud
          </Checkbox>
          {fault && <Trouble error={fault} />}
          <Button type="primary" size="large" htmlType="submit">
            To the start
          </Button>
        </form>
        <section className="stack" aria-labelledby="how">
          <h2 id="how">How a round goes</h2>
          <ol className="round-steps">
            <li>Ready, go: the first problem stands there, and {calm ? 'its time' : 'the clock'} runs.</li>
            <li>Answer before the bell. At the bell the answer comes by itself.</li>
            <li>Then its working on the same numbers, right or wrong. Enter brings the next problem.</li>
            <li>At the end: how many were right, and how many right answers that is in a minute.</li>
          </ol>
          <p className="faint">
            Try {count(5, 'problem')} before you learn a technique and five after it: the difference shows how
            much it helps.
          </p>
        </section>
      </div>
    </div>
  )
}
