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

/** A component fetched when it is first shown; fetching is tried again before it is said to have failed. */
// biome-ignore lint/suspicious/noExplicitAny: as React's own lazy has it
export function lazily<T extends ComponentType<any>>(fetched: () => Promise<{ default: T }>) {
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
