/** Asking for the likely causes of a wrong answer; the search runs in a worker, and finds what the server will find. */
import type { Cause } from '@tachymetra/core/diagnose'
import type { Variant } from '@tachymetra/core/technique'

export interface Asked {
  readonly technique: string
  readonly expression: string
  readonly variant: Variant
  readonly answer: string
  /** Which of the attempt's wrong answers it is, from 0. */
  readonly nth: number
}

export interface Answered {
  readonly n: number
  readonly causes: readonly Cause[]
}

let worker: Worker | undefined
let asked = 0

/** @returns a function that takes the question back. */
export function askForCauses(question: Asked, answer: (causes: readonly Cause[]) => void): () => void {
  worker ??= new Worker(new URL('./causes.worker.ts', import.meta.url), { type: 'module' })
  asked += 1
  const n = asked
  const to = worker
  const hear = ({ data }: MessageEvent<Answered>) => {
    if (data.n !== n) return
    to.removeEventListener('message', hear)
    answer(data.causes)
  }
  to.addEventListener('message', hear)
  to.postMessage({ n, ...question })
  return () => to.removeEventListener('message', hear)
}
