import { QueryClientProvider } from '@tanstack/react-query'
import { ConfigProvider, Select } from 'antd'
import { useEffect, useLayoutEffect, useMemo, useState } from 'react'
import { BrowserRouter, Link, NavLink, Outlet, Route, Routes, useLocation } from 'react-router'
import { useLearnerSettingsQuery } from './data/learnerSettings.js'
import { useWaiting } from './data/outbox.js'
import { queryClient, useLearner, useLearners } from './data/queries.js'
import { changeSettings, currentSettings, type Settings, useSettings } from './data/settings.js'
import { Desk } from './desk/Desk.js'
import { Gone } from './parts/Gone.js'
import { Guard, lazily } from './parts/Guard.js'
import { Missing } from './parts/Missing.js'
import './page.css'
import { antTheme, type Light, lightUp, type Palette } from './theme.js'

const Bench = lazily(() => import('./bench/Bench.js'))
const Compare = lazily(() => import('./compare/Compare.js'))
const LearnPage = lazily(() => import('./learn/LearnPage.js'))
const LessonPage = lazily(() => import('./learn/LessonPage.js'))
const Flash = lazily(() => import('./flash/Flash.js'))
const GridPage = lazily(() => import('./flash/GridPage.js'))
const FactsPage = lazily(() => import('./facts/FactsPage.js'))
const FreeFrame = lazily(() => import('./soroban/FreeFrame.js'))
const SettingsPage = lazily(() => import('./settings/SettingsPage.js'))
const Mine = lazily(() => import('./settings/Mine.js'))
const OwnPage = lazily(() => import('./settings/OwnPage.js'))
const Everybody = lazily(() => import('./settings/Everybody.js'))
const ExchangePage = lazily(() => import('./exchange/ExchangePage.js'))
const SheetPage = lazily(() => import('./record/SheetPage.js'))
const SimulatePage = lazily(() => import('./simulate/SimulatePage.js'))
const Record = lazily(() => import('./record/Record.js'))
const DaysPage = lazily(() => import('./record/DaysPage.js'))
const PacePage = lazily(() => import('./record/PacePage.js'))
const MistakesPage = lazily(() => import('./record/MistakesPage.js'))
const KnownFactsPage = lazily(() => import('./record/FactsPage.js'))
const LevelsPage = lazily(() => import('./record/LevelsPage.js'))
const SessionsPage = lazily(() => import('./record/SessionsPage.js'))
const SessionPage = lazily(() => import('./record/SessionPage.js'))
const HelpPage = lazily(() => import('./help/HelpPage.js'))
const AboutPage = lazily(() => import('./help/AboutPage.js'))
const AttemptPage = lazily(() => import('./record/AttemptPage.js'))

export function App() {
  const [light, palette] = useLight()
  const textSize = useTextSize()
  const { numbers } = useSettings()
  useLayoutEffect(() => {
    document.documentElement.style.setProperty('--point', `"${numbers.decimal}"`)
  }, [numbers.decimal])
  return (
    <ConfigProvider
      theme={antTheme(light, palette, textSize)}
      button={{ autoInsertSpace: false }}
      wave={{ disabled: true }}
    >
      {/* All that stands on the page is made anew when numbers are to be written in another way. */}
      <QueryClientProvider client={queryClient} key={Object.values(numbers).join()}>
        <BrowserRouter>
          <Routes>
            <Route element={<Page />}>
              <Route index element={<Desk />} />
              <Route path="bench/:sessionId" element={<Bench />} />
              <Route path="flash" element={<Flash />} />
              <Route path="grid" element={<GridPage />} />
              <Route path="facts" element={<FactsPage />} />
              <Route path="soroban" element={<FreeFrame />} />
              <Route path="compare" element={<Compare />} />
              <Route path="learn" element={<LearnPage />} />
              <Route path="learn/:id" element={<LessonPage />} />
              <Route path="record" element={<Record />}>
                <Route index element={<DaysPage />} />
                <Route path="pace" element={<PacePage />} />
                <Route path="mistakes" element={<MistakesPage />} />
                <Route path="facts" element={<KnownFactsPage />} />
                <Route path="levels" element={<LevelsPage />} />
                <Route path="sessions" element={<SessionsPage />} />
                <Route path="sheet" element={<SheetPage />} />
                <Route path="exchange" element={<ExchangePage />} />
              </Route>
              <Route element={<SettingsPage />}>
                <Route path="settings" element={<Mine />} />
                <Route path="settings/learner" element={<OwnPage page="reading" />} />
                <Route path="settings/learner/plan" element={<OwnPage page="plan" />} />
                <Route path="settings/learner/levels" element={<OwnPage page="levels" />} />
                <Route path="settings/learner/ways" element={<OwnPage page="ways" />} />
                <Route path="settings/everybody" element={<Everybody />} />
                <Route path="about" element={<AboutPage />} />
              </Route>
              <Route path="help" element={<HelpPage />} />
              <Route path="simulate" element={<SimulatePage />} />
              <Route path="record/session/:id" element={<SessionPage />} />
              <Route path="record/attempt/:id" element={<AttemptPage />} />
              <Route path="*" element={<Lost />} />
            </Route>
          </Routes>
        </BrowserRouter>
      </QueryClientProvider>
    </ConfigProvider>
  )
}

/** Day or night: as chosen, else as the system has it. */
function useLight(): readonly [Light, Palette] {
  const { theme } = useSettings()
  const [dark, setDark] = useState(() => matchMedia('(prefers-color-scheme: dark)').matches)
  useEffect(() => {
    const query = matchMedia('(prefers-color-scheme: dark)')
    const follow = () => setDark(query.matches)
    query.addEventListener('change', follow)
    return () => query.removeEventListener('change', follow)
  }, [])
  const light = theme === 'system' ? (dark ? 'night' : 'day') : theme
  // The page has to be in its light before its colours can be read.
  const palette = useMemo(() => lightUp(light), [light])
  return [light, palette]
}

const THEMES: { value: Settings['theme']; label: string }[] = [
  { value: 'system', label: 'Theme: system' },
  { value: 'day', label: 'Theme: day' },
  { value: 'night', label: 'Theme: night' },
]

/** The size of everything on the page, as the browser has it times what is set. */
function useTextSize(): number {
  const { textSize } = useSettings()
  useLayoutEffect(() => {
    document.documentElement.style.fontSize = textSize === 1 ? '' : `${100 * textSize}%`
  }, [textSize])
  return textSize
}

/** Keeps to what is set for the learner of this tab. */
function useOwnTextSize(): void {
  const learner = useLearner()
  const textSize = useLearnerSettingsQuery(learner?.id).data?.textSize
  useEffect(() => {
    if (textSize !== undefined && textSize !== currentSettings().textSize) changeSettings({ textSize })
  }, [textSize])
}

function Page() {
  useOwnTextSize()
  const { theme, learnerId } = useSettings()
  const learners = useLearners()
  const { pathname } = useLocation()
  const atBench = pathname.startsWith('/bench')
  const demo = learners.data?.find((l) => l.id === learnerId)?.demo ?? learners.data?.some((l) => l.demo)
  return (
    <>
      <header className={`page-head${atBench ? ' at-bench' : ''}`}>
        <div className="row spread">
          <span className="name">
            <Link to="/">Tachymetra</Link>
          </span>
          {demo && !atBench && (
            <span className="demo-note">
              Demo data: the tally room of Lantern Wharf and everyone in it are invented.
            </span>
          )}
          <span className="row">
            <WaitingSign />
            {!atBench && (
              <>
                <NavLink to="/help">Help</NavLink>
                <NavLink to="/settings">Settings</NavLink>
              </>
            )}
            <Select
              aria-label="Theme"
              size="small"
              variant="borderless"
              value={theme}
              options={THEMES}
              onChange={(value) => changeSettings({ theme: value })}
              className="light-select"
            />
          </span>
        </div>
        <nav className="head-rule" aria-label="Pages">
          <NavLink to="/" end>
            Desk
          </NavLink>
          {atBench && (
            <Link to="." aria-current="page">
              Bench
            </Link>
          )}
          <NavLink to="/learn">Learn</NavLink>
          <NavLink to="/facts">Facts</NavLink>
          <NavLink to="/soroban">Soroban</NavLink>
          <Link to="/flash" aria-current={['/flash', '/grid'].includes(pathname) ? 'page' : undefined}>
            Flash
          </Link>
          <NavLink to="/compare">Compare</NavLink>
          <NavLink to="/record">Record</NavLink>
        </nav>
      </header>
      <main>
        <Gone />
        <Guard at={pathname}>
          <Outlet />
        </Guard>
      </main>
    </>
  )
}

/** Quiet while all is sent; otherwise says what is still here and why. */
function WaitingSign() {
  const { unsent, refused } = useWaiting()
  if (unsent === 0 && refused.length === 0) return null
  return (
    <span className="waiting" role="status" title={refused.join('\n')}>
      {unsent > 0 && `${unsent} saved here, waiting for the server`}
      {unsent > 0 && refused.length > 0 && '; '}
      {refused.length > 0 && `${refused.length} refused by the server: ${refused[0]}`}
    </span>
  )
}

function Lost() {
  return (
    <Missing head="There is no such page">
      The address may be mistyped; everything there is stands above.
    </Missing>
  )
}
