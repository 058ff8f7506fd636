import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { Refusal } from '../wire/api.js'
import { Trouble } from './Trouble.js'

/** A page for something that is not here: what may have happened, and ways on. */
export function Missing({ head, children }: { readonly head: string; readonly children: ReactNode }) {
  return (
    <div className="stack">
      <h1>{head}</h1>
      <p>{children}</p>
      <p className="row">
        <Link to="/">To the desk</Link>
        <Link to="/record">To the record</Link>
      </p>
    </div>
  )
}

/** Why something of the record cannot be shown: it is not there, or could not be fetched. */
export function NotInRecord(props: {
  readonly what: 'session' | 'problem' | 'paper' | 'sheet'
  readonly error: Error
  readonly retry: () => void
}) {
  const { what, error, retry } = props
  if (error instanceof Refusal && [404, 422].includes(error.status))
    return (
      <Missing head={`This ${what} is not in the record`}>
        The address may be mistyped, or {what === 'sheet' ? 'it was thrown away' : 'its learner was removed'}.
      </Missing>
    )
  return <Trouble error={error} retry={retry} />
}
