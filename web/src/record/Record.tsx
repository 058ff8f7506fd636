import type { LearnerWire } from '@tachymetra/core/wire'
import { Outlet, useOutletContext, useSearchParams } from 'react-router'
import { AsOf } from '../charts/AsOf.js'
import { LearnerSelect } from '../forms/LearnerSelect.js'
import { OneLearner } from '../frame/OneLearner.js'
import { Pages } from '../frame/Pages.js'
import './record.css'

const PAGES = [
  { to: '/record', name: 'Days' },
  { to: '/record/pace', name: 'Pace' },
  { to: '/record/mistakes', name: 'Mistakes' },
  { to: '/record/latest', name: 'Latest mistakes' },
  { to: '/record/facts', name: 'Facts' },
  { to: '/record/levels', name: 'Levels' },
  { to: '/record/sessions', name: 'Sessions' },
  { to: '/record/sheet', name: 'Progress sheet' },
  { to: '/record/exchange', name: 'Export and import' },
]

/** What a learner has done, a page for each side of it. */
export default function Record() {
  const [params] = useSearchParams()
  const technique = params.get('technique')
  // What is looked at by technique stays so from page to page.
  const pages = technique ? PAGES.map((p) => ({ ...p, to: `${p.to}?technique=${technique}` })) : PAGES
  return (
    <OneLearner>
      {(learner, all) => (
        <div className="stack loose">
          <div className="row no-print">
            <h1 id="whose">The record of</h1>
            <LearnerSelect learner={learner} all={all} labelledBy="whose" />
          </div>
          <div className="no-print">
            <Pages label={`Record of ${learner.name}`} pages={pages} />
          </div>
          <AsOf learnerId={learner.id} what="The record is" />
          <Outlet key={learner.id} context={learner} />
        </div>
      )}
    </OneLearner>
  )
}

/** Whose record it is, for a page of it. */
export const useItsLearner = () => useOutletContext<LearnerWire>()
