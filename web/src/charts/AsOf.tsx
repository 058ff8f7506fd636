import { useHeardFrom, useReached } from '../wire/api.js'
import { when } from '../words/words.js'

/** Says from when it is what is shown of a learner, while the server does not answer. */
export function AsOf({ learnerId, what }: { readonly learnerId: string; readonly what: string }) {
  const reached = useReached()
  const times = Object.entries(useHeardFrom()).flatMap(([path, at]) => (path.includes(learnerId) ? [at] : []))
  if (reached || times.length === 0) return null
  const from = when(new Date(Math.min(...times)).toISOString())
  return (
    <p className="faint" role="status">
      {what} as of {from}: the server does not answer. What you do now is kept here and sent later.
    </p>
  )
}
