import type { Within } from '@tachymetra/core/pages'
import { linksOf, Pages } from './Pages.js'

const PAGES = linksOf({
  papers: 'Paper',
  'papers/rounds': 'Rounds',
  'papers/trials': 'Trials',
  'papers/own': 'Own problems',
  'papers/sheets': 'Printed sheets',
} satisfies { readonly [A in Within<'papers'>]: string })

/** The pages of sets that are made up before they are worked. */
export function PaperPages() {
  return <Pages label="Papers and other sets" pages={PAGES} />
}
