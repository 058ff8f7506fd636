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
import { followServer } from './data/api.js'
import { makeUp } from './data/insecure.js'
import { keepProgram } from './data/newVersion.js'
import { flush, startOutbox } from './data/outbox.js'
import { followChanges, recordChanged } from './data/queries.js'
import { queryClient } from './data/queryClient.js'
import { followOtherTabs } from './data/settings.js'
import { finishVisited } from './data/visited.js'
import { fetchAhead } from './parts/Guard.js'

makeUp()
startOutbox(recordChanged)
followServer(() => {
  void flush()
  void queryClient.invalidateQueries()
})
// What was left in the middle is kept, whichever page comes next.
void finishVisited().then(flush)
followOtherTabs()
followChanges()
fetchAhead()
keepProgram()
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <App />
  </StrictMode>,
)
