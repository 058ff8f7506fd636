/** Runs a simulated learner away from the page, day by day. */
import { simulate } from '@tachymetra/core/simulate'
import type { SimulationAsked, SimulationSaid } from './SimulatePage.js'

addEventListener('message', ({ data }: MessageEvent<SimulationAsked>) => {
  for (const input of data.runs)
    for (const day of simulate(input)) postMessage({ policy: input.policy, day } satisfies SimulationSaid)
  postMessage({ done: true } satisfies SimulationSaid)
})
