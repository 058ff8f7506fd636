import 'virtual:controls.css'
import '@fontsource/atkinson-hyperlegible-mono/latin-400.css'
import '@fontsource/atkinson-hyperlegible-next/latin-400.css'
import '@fontsource/atkinson-hyperlegible-next/latin-600.css'
import '@fontsource/atkinson-hyperlegible-next/latin-700.css'
import './palette.css'
import './seeing.css'
import './base.css'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { App } from './App.js'
import { makeUp } from './data/insecure.js'
import { keepProgram } from './data/newVersion.js'
import { askAhead, followChanges, recordChanged } from './data/queries.js'
import { followOtherTabs } from './data/settings.js'
import { fetchAhead } from './frame/Guard.js'
import { endHere } from './kept/kept.js'
import { flush, startOutbox } from './kept/outbox.js'
import { followServer } from './wire/api.js'
import { queryClient } from './wire/queryClient.js'

makeUp()
// What cannot be had now is asked for again by the page itself.
const asked = askAhead(location.pathname).catch(() => undefined)
// Whoever loads a session anew waits for its problem: its page is fetched while the rest is made.
if (location.pathname.startsWith('/bench/')) import('./bench/Bench.js').catch(() => undefined)
startOutbox(recordChanged)
followServer(() => {
  void flush()
  void queryClient.invalidateQueries()
})
// What was left in the middle is kept, whichever page comes next.
void endHere()
followOtherTabs()
followChanges()
fetchAhead()
keepProgram()

/** How long the first picture waits for what is to stand on it, in milliseconds: drawing it twice takes longer. */
const PATIENCE_MS = location.pathname === '/' ? 400 : 0
const draw = () =>
  createRoot(document.getElementById('root')!).render(
    <StrictMode>
      <App />
    </StrictMode>,
  )
void Promise.race([asked, new Promise((go) => setTimeout(go, PATIENCE_MS))]).then(draw)
