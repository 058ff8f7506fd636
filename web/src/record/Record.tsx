import type { Within } from '@tachymetra/core/pages'
import type { LearnerWire } from '@tachymetra/core/wire'
import { Outlet, useOutletContext, useSearchParams } from 'react-router'
import { AsOf } from '../charts/AsOf.js'
import { LearnerSelect } from '../forms/LearnerSelect.js'
import { OneLearner } from '../frame/OneLearner.js'
import { linksOf, Pages } from '../frame/Pages.js'
import './record.css'

const PAGES = linksOf({
  record: 'Days',
  'record/pace': 'Pace',
  'record/mistakes': 'Mistakes',
  'record/latest': 'Latest mistakes',
  'record/facts': 'Facts',
  'record/levels': 'Levels',
  'record/sessions': 'Sessions',
  'record/sheet': 'Progress sheet',
  'record/exchange': 'Export and import',
} satisfies { readonly [A in Within<'record'>]: string })

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
