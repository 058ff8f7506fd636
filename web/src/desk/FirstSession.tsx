import { plainRecipe } from '@tachymetra/core/set'
import { Button } from 'antd'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { beginSession } from '../data/begin.js'
import { Trouble } from '../frame/Trouble.js'
import { Hands } from '../working/Hand.js'

/** Short, and easy enough to end well: three sums of two small numbers, every step asked. */
const FIRST = plainRecipe([{ kind: 'level', technique: 'add-running-total', level: 1, count: 3 }], 'guided')

const SEVEN = [{ what: 'seven', value: { units: 7n, scale: 0 } }]

/** What somebody who has never practised begins with. */
export function FirstSession({ learnerId }: { readonly learnerId: string }) {
  const navigate = useNavigate()
  const [trouble, setTrouble] = useState<Error>()
  return (
    <section className="first-session" aria-labelledby="first">
      <div className="stack">
        <h2 id="first">Your first session</h2>
        <p>
          Three short sums, one step at a time, without a clock. Each key is explained when you need it. It
          takes about two minutes.
        </p>
        <p>What has to be remembered on the way can be kept on one hand, as here seven.</p>
        <div>
          <Button
            type="primary"
            size="large"
            onClick={() => beginSession(learnerId, FIRST, true).then((path) => navigate(path), setTrouble)}
          >
            Begin the first session
          </Button>
        </div>
        {trouble && <Trouble error={trouble} />}
      </div>
      <Hands holds={SEVEN} />
    </section>
  )
}
