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
import { flush, startOutbox } from './data/outbox.js'
import { followChanges, recordChanged } from './data/queries.js'
import { followOtherTabs } from './data/settings.js'
import { finishVisited } from './data/visited.js'
import { fetchAhead } from './parts/Guard.js'

startOutbox(recordChanged)
// What was left in the middle is kept, whichever page comes next.
void finishVisited().then(flush)
followOtherTabs()
followChanges()
fetchAhead()
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <App />
  </StrictMode>,
)
