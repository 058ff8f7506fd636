import { Link } from 'react-router'
import { canBeKept, takeNewVersion, useOffered } from '../data/newVersion.js'
import { useWaiting } from '../kept/outbox.js'
import { useReached } from '../wire/api.js'
import { useLasting } from './useLasting.js'

/** Sending takes a moment after every answer; only what waits longer is worth a word. */
const WORTH_A_WORD_MS = 3000

/** Quiet while the server answers and all is sent; otherwise says what is still here and why. */
export function Connection() {
  const { unsent, refused, trouble } = useWaiting()
  const away = useLasting(!useReached(), WORTH_A_WORD_MS)
  const waiting = useLasting(unsent > 0, WORTH_A_WORD_MS)
  const quiet = !waiting && !away && refused.length === 0
  return (
    <>
      {/* Always there, so that what comes into it is read out. */}
      <span className={quiet ? 'sr-only' : 'waiting'} role="status">
        {/* The count is for the eye: it would be read out anew after every answer. */}
        {waiting && <span aria-hidden="true">{unsent} </span>}
        {waiting && 'saved here, waiting for the server'}
        {waiting && trouble && `. ${trouble}`}
        {!waiting && away && 'The server does not answer'}
        {(waiting || away) && !canBeKept() && '. Leave this page open: to load it anew needs the server'}
        {(waiting || away) && refused.length > 0 && '; '}
        {refused.length > 0 && <Link to="/settings/waiting">{refused.length} refused by the server</Link>}
      </span>
      <NewVersion />
    </>
  )
}

function NewVersion() {
  return useOffered() ? (
    <button type="button" className="key-button" onClick={() => void takeNewVersion()}>
      Load the new version
    </button>
  ) : null
}
