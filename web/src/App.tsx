import { QueryClientProvider } from '@tanstack/react-query'
import { ConfigProvider } from 'antd'
import { type ReactElement, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { BrowserRouter, Link, NavLink, Outlet, Route, Routes, useLocation } from 'react-router'
import { useLearnerSettingsQuery } from './data/learnerSettings.js'
import { useLearner, useLearners } from './data/queries.js'
import { changeSettings, currentSettings, type Settings, useSettings } from './data/settings.js'
import { Connection } from './frame/Connection.js'
import { Gone } from './frame/Gone.js'
import { Guard } from './frame/Guard.js'
import { Missing } from './frame/Missing.js'
import { usePageChange } from './frame/usePageChange.js'
import { OF_RECORD, OF_SETTINGS, Record as RecordPage, SettingsPage, VIEWS, WALL, WallPage } from './views.js'
import { queryClient } from './wire/queryClient.js'
import './page.css'
import { antTheme, type Light, lightUp, type Palette } from './theme.js'

const routes = (views: Readonly<Record<string, ReactElement>>) =>
  Object.entries(views).map(([path, element]) => <Route key={path} path={path} element={element} />)

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
            <Route
              path={WALL}
              element={
                <Guard at="board">
                  <WallPage />
                </Guard>
              }
            />
            <Route element={<Page />}>
              {routes(VIEWS)}
              <Route element={<RecordPage />}>{routes(OF_RECORD)}</Route>
              <Route element={<SettingsPage />}>{routes(OF_SETTINGS)}</Route>
              <Route path="*" element={<Lost />} />
            </Route>
          </Routes>
        </BrowserRouter>
      </QueryClientProvider>
    </ConfigProvider>
  )
}

/** What the system says of itself, followed as it changes. */
function useMedia(asked: string): boolean {
  const [matches, setMatches] = useState(() => matchMedia(asked).matches)
  useEffect(() => {
    const query = matchMedia(asked)
    const follow = () => setMatches(query.matches)
    query.addEventListener('change', follow)
    return () => query.removeEventListener('change', follow)
  }, [asked])
  return matches
}

/** Day or night: as chosen, else as the system has it. */
function useLight(): readonly [Light, Palette] {
  const { theme, contrast } = useSettings()
  const dark = useMedia('(prefers-color-scheme: dark)')
  const wished = useMedia('(prefers-contrast: more)')
  const more = contrast === 'more' || wished
  const light = theme === 'system' ? (dark ? 'night' : 'day') : theme
  // The page has to be in its light before its colours can be read.
  const palette = useMemo(() => lightUp(light, more), [light, more])
  return [light, palette]
}

const THEMES: { value: Settings['theme']; label: string }[] = [
  { value: 'system', label: 'Theme: system' },
  { value: 'day', label: 'Theme: day' },
  { value: 'night', label: 'Theme: night' },
]

/** Pixels of the browser's own text, over the usual 16. */
const BROWSERS_OWN = Number.parseFloat(getComputedStyle(document.documentElement).fontSize) / 16

/** The size of everything on the page, as the browser has it times what is set; and how digits and contrast are. */
function useTextSize(): number {
  const { textSize, zero } = useSettings()
  useLayoutEffect(() => {
    document.documentElement.style.fontSize = textSize === 1 ? '' : `${100 * textSize}%`
    document.documentElement.dataset.zero = zero
  }, [textSize, zero])
  return textSize * BROWSERS_OWN
}

/** Keeps to how the learner of this tab is to see it. */
function useOwnLook(): void {
  const learner = useLearner()
  const settings = useLearnerSettingsQuery(learner?.id).data
  useEffect(() => {
    if (!settings) return
    const { textSize, zero, contrast } = settings
    const now = currentSettings()
    if (textSize !== now.textSize || zero !== now.zero || contrast !== now.contrast)
      changeSettings({ textSize, zero, contrast })
  }, [settings])
}

function Page() {
  useOwnLook()
  const { theme, learnerId } = useSettings()
  const learners = useLearners()
  const { pathname } = useLocation()
  const atBench = pathname.startsWith('/bench')
  const main = useRef<HTMLElement>(null)
  usePageChange(main)
  const demo = learners.data?.find((l) => l.id === learnerId)?.demo ?? learners.data?.some((l) => l.demo)
  return (
    <>
      <a className="skip" href="#content">
        Skip to the content
      </a>
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
            <Connection />
            {!atBench && (
              <>
                <NavLink to="/help">Help</NavLink>
                <NavLink to="/settings">Settings</NavLink>
              </>
            )}
            {/* The browser's own: it stands on every page, and the bench does without the library's. */}
            <select
              aria-label="Theme"
              className="light-select"
              value={theme}
              onChange={({ target }) => changeSettings({ theme: target.value as Settings['theme'] })}
            >
              {THEMES.map(({ value, label }) => (
                <option key={value} value={value}>
                  {label}
                </option>
              ))}
            </select>
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
          <NavLink to="/papers">Papers</NavLink>
          <NavLink to="/choose">Choose</NavLink>
          <NavLink to="/compare">Compare</NavLink>
          <NavLink to="/record">Record</NavLink>
          <NavLink to="/board">Board</NavLink>
        </nav>
      </header>
      <main id="content" ref={main} tabIndex={-1}>
        <Gone />
        <Guard at={pathname}>
          <Outlet />
        </Guard>
      </main>
    </>
  )
}

function Lost() {
  return (
    <Missing head="There is no such page">
      The address may be mistyped; everything there is stands above.
    </Missing>
  )
}
