/** What the server said, as long as it may be held for true. */
import { notifyManager, QueryClient } from '@tanstack/react-query'
import { Refusal } from './api.js'

// What is ticked is ticked before the next picture: a box would fall back for a moment else.
notifyManager.setScheduler(queueMicrotask)

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 10_000,
      // A refusal stays a refusal; a server that does not answer may be starting up.
      retry: (count, error) => !(error instanceof Refusal) && count < 2,
      networkMode: 'always',
    },
    mutations: { networkMode: 'always' },
  },
})
