/** npm start: installs and builds when needed, then serves. */
import { ensureBuilt } from './prepare.mjs'

ensureBuilt()
await import('./serve.mjs')
