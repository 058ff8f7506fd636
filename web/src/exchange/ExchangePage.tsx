import type { LearnerWire } from '@tachymetra/core/wire'
import { Button } from 'antd'
import { useOutletContext } from 'react-router'
import { BringIn } from './BringIn.js'
import './exchange.css'

const FILES = [
  {
    name: 'Attempts as CSV',
    file: 'attempts.csv',
    holds: 'Every problem with every entry and its time. Can be imported again.',
  },
  {
    name: 'Facts as CSV',
    file: 'facts.csv',
    holds: 'Every fact that was asked, right or not, and how long it took. Can be imported again.',
  },
  { name: 'Levels as CSV', file: 'levels.csv', holds: 'Every change of level, and why.' },
  {
    name: 'Description of the tables',
    file: 'datapackage.json',
    holds: 'Tells programs what each column holds (a Frictionless data package).',
  },
  {
    name: 'Learning records (xAPI)',
    file: 'statements.json',
    holds: 'For a record store. The learner is named by a number only.',
  },
]

/** A learner's record taken out in open formats, and attempts and facts brought in. */
export default function ExchangePage() {
  const learner = useOutletContext<LearnerWire>()
  return (
    <div className="exchange">
      <section className="stack" aria-labelledby="out">
        <h2 id="out">Export</h2>
        <dl className="files">
          {FILES.map(({ name, file, holds }) => (
            <div key={file}>
              <dt>
                <Button href={`/api/learners/${learner.id}/${file}`} download>
                  {name}
                </Button>
              </dt>
              <dd>{holds}</dd>
            </div>
          ))}
        </dl>
      </section>
      <BringIn learner={learner} />
    </div>
  )
}
