import { Outlet } from 'react-router'
import { useLearner } from '../data/queries.js'
import { Pages } from '../frame/Pages.js'
import './settings.css'

/** Everything that can be set: for this browser, for a learner, for everybody. */
export default function SettingsPage() {
  const learner = useLearner()
  return (
    <div className="settings">
      <div className="stack settings-pages">
        <h1>Settings</h1>
        <Pages label="Settings of everyone here" pages={HERE} />
        {learner && (
          <>
            <h2>
              <bdi>{learner.name}</bdi>
            </h2>
            <Pages label={`Settings of ${learner.name}`} pages={LEARNER} />
          </>
        )}
      </div>
      <div className="stack loose">
        <Outlet />
      </div>
    </div>
  )
}

const HERE = [
  { to: '/settings', name: 'This browser' },
  { to: '/settings/everybody', name: 'Everybody' },
  { to: '/settings/waiting', name: 'Not on the server' },
  { to: '/about', name: 'About' },
]
const LEARNER = [
  { to: '/settings/learner', name: 'Reading and time' },
  { to: '/settings/learner/plan', name: 'Plan and calendar' },
  { to: '/settings/learner/levels', name: 'Levels and targets' },
  { to: '/settings/learner/ways', name: 'Ways of doing it' },
]
