/** Runs simulated learners away from the page, each until everything is learnt or the weeks are over. */
import { type SimulatedDay, simulate } from '@tachymetra/core/simulate'
import type { Run, SimulationAsked } from './outcome.js'

addEventListener('message', ({ data }: MessageEvent<SimulationAsked>) => {
  for (const input of data.runs) {
    const days: SimulatedDay[] = []
    for (const day of simulate(input)) {
      days.push(day)
      if (day.halfway === input.goal.length) break
    }
    postMessage({ policy: input.policy, seed: input.seed, days } satisfies Run)
  }
})
