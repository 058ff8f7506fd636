/** The program kept in this browser: it opens without its server, and a new version of it is offered. */
import { registerSW } from 'virtual:pwa-register'
import { shared } from '../wire/shared.js'

/** How often a page that stays open asks for a new version, in milliseconds. */
const ASK_MS = 3_600_000

const offered = shared(false)
/** Is there a new version that waits to be taken? */
export const useOffered = offered.use

let take: (reload?: boolean) => Promise<void> = async () => {}
/** Takes it, in every tab. */
export const takeNewVersion = () => take(true)

/** Can the program be kept here? Not where the page comes over plain http from another machine. */
export const canBeKept = () => 'serviceWorker' in navigator && window.isSecureContext

export function keepProgram(): void {
  if (!canBeKept()) return
  take = registerSW({
    onNeedRefresh: () => offered.set(true),
    onRegisteredSW: (_url, registration) => {
      if (registration) setInterval(() => void registration.update().catch(() => undefined), ASK_MS)
    },
  })
}
