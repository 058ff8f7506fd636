import { Button } from 'antd'
import { type ComponentType, lazy, type ReactNode, Suspense } from 'react'
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary'
import { Link } from 'react-router'
import { Loading } from './Loading.js'

/** What stands in place of a page or dialog that could not be shown: what happened, and ways on. */
function Broken({ error, resetErrorBoundary }: FallbackProps) {
  const missing = /dynamically imported|module script|Failed to fetch/i.test((error as Error)?.message ?? '')
  return (
    <div className="stack" role="alert">
      <h2>{missing ? 'This could not be fetched' : 'This could not be shown'}</h2>
      <p>
        {missing
          ? 'The server did not answer, or the program was updated meanwhile. What you have done is kept.'
          : 'Something went wrong here. What you have done is kept.'}
      </p>
      <div className="row">
        <Button type="primary" onClick={resetErrorBoundary}>
          Try again
        </Button>
        <Button onClick={() => window.location.reload()}>Load the page anew</Button>
        <Link to="/" onClick={resetErrorBoundary}>
          To the desk
        </Link>
      </div>
    </div>
  )
}

/** A part of the page that may fail by itself, and what is shown while it is on its way. @param props.at tried again when it changes */
export function Guard({
  at,
  waiting = <Loading />,
  children,
}: {
  readonly at?: string
  readonly waiting?: ReactNode
  readonly children: ReactNode
}) {
  return (
    <ErrorBoundary FallbackComponent={Broken} resetKeys={[at]}>
      <Suspense fallback={waiting}>{children}</Suspense>
    </ErrorBoundary>
  )
}

const TRIES = 3
const PAUSE_MS = 400

/** What can be fetched ahead, in the order it was named. */
const ahead: (() => Promise<unknown>)[] = []

/**
 * A component fetched when it is first shown, or ahead of that once the page is at rest; fetching is tried again before it
 * is said to have failed.
 * @param large only fetched when it is shown
 */
// biome-ignore lint/suspicious/noExplicitAny: as React's own lazy has it
export function lazily<T extends ComponentType<any>>(fetched: () => Promise<{ default: T }>, large = false) {
  if (!large) {
    ahead.push(fetched)
    if (state === 'rest') fetchAhead()
  }
  const attempt = async (left: number): Promise<{ default: T }> => {
    try {
      return await fetched()
    } catch (error) {
      if (left <= 1) throw error
      await new Promise((go) => setTimeout(go, PAUSE_MS * (TRIES - left + 1)))
      return attempt(left - 1)
    }
  }
  return lazy(() => attempt(TRIES))
}

/** Milliseconds a page is left alone before the rest of the program is fetched, and between two parts of it. */
const REST_MS = 1500
const BETWEEN_MS = 150

/** At rest: once the queue has been run through, what is named later begins it anew. */
let state: 'not yet' | 'fetching' | 'rest' = 'not yet'

/** Fetches what other pages and dialogs need, one after the other, so that they open when the server is gone. */
export function fetchAhead(): void {
  state = 'fetching'
  setTimeout(fetchNext, REST_MS)
}

async function fetchNext(): Promise<void> {
  const fetched = ahead.shift()
  if (!fetched) {
    state = 'rest'
    return
  }
  // One that cannot be fetched now is fetched when it is shown.
  await fetched().catch(() => undefined)
  setTimeout(fetchNext, BETWEEN_MS)
}
