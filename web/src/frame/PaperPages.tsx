import { Pages } from './Pages.js'

const PAGES = [
  { to: '/papers', name: 'Paper' },
  { to: '/papers/rounds', name: 'Rounds' },
  { to: '/papers/trials', name: 'Trials' },
  { to: '/papers/own', name: 'Own problems' },
  { to: '/papers/sheets', name: 'Printed sheets' },
]

/** The pages of sets that are made up before they are worked. */
export function PaperPages() {
  return <Pages label="Papers and other sets" pages={PAGES} />
}
