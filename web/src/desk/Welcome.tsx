import { Button } from 'antd'
import { Link } from 'react-router'
import { useLoadDemo } from '../data/queries.js'
import { Trouble } from '../frame/Trouble.js'

/** What an empty program shows: what it is, and the ways to begin. */
export function Welcome({ onAdd }: { readonly onAdd: () => void }) {
  const demo = useLoadDemo()
  return (
    <div className="stack welcome">
      <h1>Who is going to practise?</h1>
      <p>
        Tachymetra trains arithmetic in the head and on the abacus: it asks for every step, checks it at once,
        times the answer and names the mistake behind a wrong one.
        <br />
        Every day it says what to practise next. There are no learners yet. Everything stays on this machine.
      </p>
      <ul className="plain-list">
        <li>
          <Button type="primary" size="large" autoFocus onClick={onAdd}>
            Add a learner
          </Button>
          <span>A name or nickname is all that is asked; several at once if you like.</span>
        </li>
        <li>
          <Button loading={demo.isPending} onClick={() => demo.mutate()}>
            Look around with the demo
          </Button>
          <span>Eight invented learners with six weeks of practice; gone again with one button.</span>
        </li>
        <li>
          <Link to="/settings/everybody">Restore a backup</Link>
          <span>Everything from another machine, or from before.</span>
        </li>
      </ul>
      {demo.error && <Trouble error={demo.error} />}
    </div>
  )
}
