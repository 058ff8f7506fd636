import type { Outlook } from '@tachymetra/core/plan'
import { useCallback, useEffect, useState } from 'react'

export interface ForecastAsked {
  readonly paces: readonly number[]
  readonly targetMs: number
}

export type ForecastSaid = { readonly share: number } | { readonly outlook: Outlook }

/**
 * A forecast worked out in a worker.
 * @returns how far it is (a share), then what it says; and a way to stop it, which ends the worker.
 */
export function useForecast(asked: ForecastAsked | undefined): {
  readonly said: ForecastSaid | undefined
  readonly stop: () => void
} {
  const [said, setSaid] = useState<ForecastSaid>()
  const [worker, setWorker] = useState<Worker>()
  useEffect(() => {
    setSaid(undefined)
    if (!asked) return
    const its = new Worker(new URL('./forecast.worker.ts', import.meta.url), { type: 'module' })
    its.addEventListener('message', ({ data }: MessageEvent<ForecastSaid>) => setSaid(data))
    its.postMessage(asked)
    setWorker(its)
    return () => its.terminate()
  }, [asked])
  const stop = useCallback(() => {
    worker?.terminate()
    setSaid({ outlook: { silent: 'Stopped.' } })
  }, [worker])
  return { said, stop }
}
