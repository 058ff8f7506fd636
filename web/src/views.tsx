/** What stands at each address. A page of the table without a view does not compile. */
import type { Address, Within } from '@tachymetra/core/pages'
import type { ReactElement } from 'react'
import { Desk } from './desk/Desk.js'
import { lazily } from './frame/Guard.js'

const Bench = lazily(() => import('./bench/Bench.js'))
const ChoosePage = lazily(() => import('./choose/ChoosePage.js'))
const PapersPage = lazily(() => import('./paper/PapersPage.js'))
const PaperPage = lazily(() => import('./paper/PaperPage.js'))
const RoundPage = lazily(() => import('./round/RoundPage.js'))
const TrialsPage = lazily(() => import('./trial/TrialsPage.js'))
const OwnProblems = lazily(() => import('./own/OwnPage.js'))
const SheetsPage = lazily(() => import('./sheet/SheetsPage.js'))
const PrintedSheet = lazily(() => import('./sheet/SheetPage.js'))
const KeyInPage = lazily(() => import('./sheet/KeyInPage.js'))
const BoardPage = lazily(() => import('./board/BoardPage.js'))
export const WallPage = lazily(() => import('./board/WallPage.js'))
const Compare = lazily(() => import('./compare/Compare.js'))
const LearnPage = lazily(() => import('./learn/LearnPage.js'))
const PatternPage = lazily(() => import('./learn/PatternPage.js'))
const LessonPage = lazily(() => import('./learn/LessonPage.js'))
const Flash = lazily(() => import('./flash/Flash.js'))
const GridPage = lazily(() => import('./flash/GridPage.js'))
const FactsPage = lazily(() => import('./facts/FactsPage.js'))
const FreeFrame = lazily(() => import('./soroban/FreeFrame.js'))
export const SettingsPage = lazily(() => import('./settings/SettingsPage.js'))
const WaitingPage = lazily(() => import('./settings/WaitingPage.js'))
const Mine = lazily(() => import('./settings/Mine.js'))
const OwnPage = lazily(() => import('./settings/OwnPage.js'))
const Everybody = lazily(() => import('./settings/Everybody.js'))
const ExchangePage = lazily(() => import('./exchange/ExchangePage.js'))
const SheetPage = lazily(() => import('./record/SheetPage.js'))
const SimulatePage = lazily(() => import('./simulate/SimulatePage.js'))
export const Record = lazily(() => import('./record/Record.js'))
const DaysPage = lazily(() => import('./record/DaysPage.js'))
const PacePage = lazily(() => import('./record/PacePage.js'))
const MistakesPage = lazily(() => import('./record/MistakesPage.js'))
const LatestPage = lazily(() => import('./record/LatestPage.js'))
const KnownFactsPage = lazily(() => import('./record/FactsPage.js'))
const LevelsPage = lazily(() => import('./record/LevelsPage.js'))
const SessionsPage = lazily(() => import('./record/SessionsPage.js'))
const SessionPage = lazily(() => import('./record/SessionPage.js'))
const HelpPage = lazily(() => import('./help/HelpPage.js'))
const AboutPage = lazily(() => import('./help/AboutPage.js'))
const AttemptPage = lazily(() => import('./record/AttemptPage.js'))

/** The board fills the whole window: no page stands around it. */
export const WALL = 'board/now' satisfies Address

type OfRecord = Within<'record'>
type OfSettings = Within<'settings'> | 'about'

/** Inside the page of a learner's record. */
export const OF_RECORD: { readonly [A in OfRecord]: ReactElement } = {
  record: <DaysPage />,
  'record/pace': <PacePage />,
  'record/mistakes': <MistakesPage />,
  'record/latest': <LatestPage />,
  'record/facts': <KnownFactsPage />,
  'record/levels': <LevelsPage />,
  'record/sessions': <SessionsPage />,
  'record/sheet': <SheetPage />,
  'record/exchange': <ExchangePage />,
}

/** Inside the page of all settings. */
export const OF_SETTINGS: { readonly [A in OfSettings]: ReactElement } = {
  settings: <Mine />,
  'settings/learner': <OwnPage page="reading" />,
  'settings/learner/plan': <OwnPage page="plan" />,
  'settings/learner/levels': <OwnPage page="levels" />,
  'settings/learner/ways': <OwnPage page="ways" />,
  'settings/everybody': <Everybody />,
  'settings/waiting': <WaitingPage />,
  about: <AboutPage />,
}

export const VIEWS: { readonly [A in Exclude<Address, OfRecord | OfSettings | typeof WALL>]: ReactElement } =
  {
    '': <Desk />,
    'bench/:sessionId': <Bench />,
    flash: <Flash />,
    grid: <GridPage />,
    facts: <FactsPage />,
    soroban: <FreeFrame />,
    choose: <ChoosePage />,
    papers: <PapersPage />,
    'papers/rounds': <RoundPage />,
    'papers/trials': <TrialsPage />,
    'papers/own': <OwnProblems />,
    'papers/sheets': <SheetsPage />,
    'papers/sheets/:code': <PrintedSheet />,
    'papers/sheets/:code/key': <KeyInPage />,
    'papers/:id': <PaperPage />,
    compare: <Compare />,
    board: <BoardPage />,
    learn: <LearnPage />,
    'learn/pattern': <PatternPage />,
    'learn/:id': <LessonPage />,
    help: <HelpPage />,
    simulate: <SimulatePage />,
    'record/session/:id': <SessionPage />,
    'record/attempt/:id': <AttemptPage />,
  }
