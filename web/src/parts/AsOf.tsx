import { useIsFetching, useQueryClient } from '@tanstack/react-query'
import { useReached } from '../data/api.js'
import { when } from './words.js'

/** Says from when it is what is shown of a learner, while the server does not answer. */
export function AsOf({ learnerId, what }: { readonly learnerId: string; readonly what: string }) {
  const reached = useReached()
  const client = useQueryClient()
  // Looked at again with every answer that comes, or does not.
  useIsFetching()
  if (reached) return null
  const shown = client.getQueryCache().findAll({ queryKey: ['record', learnerId], type: 'active' })
  const times = shown.map((query) => query.state.dataUpdatedAt).filter((at) => at > 0)
  if (times.length === 0) return null
  const from = when(new Date(Math.min(...times)).toISOString())
  return (
    <p className="faint" role="status">
      {what} as of {from}: the server does not answer. What you do now is kept here and sent later.
    </p>
  )
}
