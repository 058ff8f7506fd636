/** Loaded into a server before it starts: tells its parent, when asked, how long its event loop was held up at most. */
import { monitorEventLoopDelay } from 'node:perf_hooks'

const delay = monitorEventLoopDelay({ resolution: 5 })
delay.enable()
process.on('message', () => {
  const { user, system } = process.cpuUsage()
  process.send({ maxMs: delay.max / 1e6, cpuMs: (user + system) / 1000 })
  delay.reset()
})
process.channel?.unref()
