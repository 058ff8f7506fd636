/** npm run build: builds what has changed since it was last built. */
import { ensureBuilt } from './prepare.mjs'

ensureBuilt()
