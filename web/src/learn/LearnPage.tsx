import { type Mastery, masteryOf } from '@tachymetra/core/curriculum'
import { TECHNIQUES } from '@tachymetra/core/registry'
import { FAMILIES } from '@tachymetra/core/technique'
import { MASTERY_NAMES } from '@tachymetra/core/words'
import { Link } from 'react-router'
import { useLearnerSettings } from '../data/learnerSettings.js'
import { useLearner, useProgress } from '../data/queries.js'
import './learn.css'

/** Every technique by family, in the order they are best learnt, each with its page. */
export default function LearnPage() {
  const learner = useLearner()
  return (
    <div className="stack loose">
      <h1>Learn</h1>
      <p>
        Each page shows when a technique helps, its steps on your own numbers, why it works, and what goes
        wrong.
      </p>
      {learner ? <Known key={learner.id} learnerId={learner.id} /> : <Families mastery={undefined} />}
    </div>
  )
}

/** With how far the learner is, once that is known. */
function Known({ learnerId }: { readonly learnerId: string }) {
  const settings = useLearnerSettings(learnerId)
  const progress = useProgress(learnerId).data
  return (
    <Families mastery={progress && masteryOf({ ...settings, ...progress, now: new Date().toISOString() })} />
  )
}

function Families({ mastery }: { readonly mastery: readonly Mastery[] | undefined }) {
  const stateOf = (id: string) => mastery?.find((m) => m.technique.id === id && m.worked)?.state
  return (
    <div className="families">
      {FAMILIES.map((family) => (
        <section key={family} className="panel" aria-labelledby={family}>
          <h2 id={family}>{family}</h2>
          <ul className="plain-list">
            {TECHNIQUES.filter((t) => t.family === family).map((t) => {
              const state = stateOf(t.id)
              return (
                <li key={t.id}>
                  <Link to={`/learn/${t.id}`}>{t.name}</Link>
                  {state && <span className="faint"> {MASTERY_NAMES[state]}</span>}
                </li>
              )
            })}
          </ul>
        </section>
      ))}
    </div>
  )
}
