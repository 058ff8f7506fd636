/** What the server said, as long as it may be held for true. */
import { QueryClient } from '@tanstack/react-query'
import { Refusal } from './api.js'

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
