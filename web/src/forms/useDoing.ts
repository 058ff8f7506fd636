import { useState } from 'react'

/** Something done on a press that may fail: what went wrong is there to be shown until the next try. */
export function useDoing(): readonly [Error | undefined, (work: () => Promise<void>) => Promise<void>] {
  const [fault, setFault] = useState<Error>()
  const doing = async (work: () => Promise<void>) => {
    setFault(undefined)
    try {
      await work()
    } catch (error) {
      setFault(error as Error)
    }
  }
  return [fault, doing]
}
