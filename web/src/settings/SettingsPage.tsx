import type { Within } from '@tachymetra/core/pages'
import { Outlet } from 'react-router'
import { useLearner } from '../data/queries.js'
import { linksOf, Pages } from '../frame/Pages.js'
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

const HERE = linksOf({
  settings: 'This browser',
  'settings/everybody': 'Everybody',
  'settings/waiting': 'Not on the server',
  about: 'About',
} satisfies { readonly [A in Exclude<Within<'settings'>, Within<'settings/learner'>> | 'about']: string })
const LEARNER = linksOf({
  'settings/learner': 'Reading and time',
  'settings/learner/plan': 'Plan and calendar',
  'settings/learner/levels': 'Levels and targets',
  'settings/learner/ways': 'Ways of doing it',
} satisfies { readonly [A in Within<'settings/learner'>]: string })
