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
import { startOutbox } from './data/outbox.js'
import { followChanges, recordChanged } from './data/queries.js'
import { followOtherTabs } from './data/settings.js'
import { fetchAhead } from './parts/Guard.js'

startOutbox(recordChanged)
followOtherTabs()
followChanges()
fetchAhead()
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <App />
  </StrictMode>,
)
