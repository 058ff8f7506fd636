/** Serves what is built: migrates, loads the demo when needed, prints the address, runs until Ctrl-C. */
import { readSettings, StartError, serve } from '../server/dist/main.js'
import { fail, say } from './prepare.mjs'

/** Whatever hangs, it ends after so long. */
const LONGEST_STOP_MS = 8000

try {
  const { url, stop } = await serve(readSettings(process.env, process.argv.slice(2)), say)
  let stopping = false
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => {
      if (stopping) process.exit(1)
      stopping = true
      say('Stopping.')
      setTimeout(() => process.exit(1), LONGEST_STOP_MS).unref()
      stop().finally(() => process.exit(0))
    })
  process.stdout.write(`Tachymetra is at ${url}  (Ctrl-C stops it)\n`)
} catch (error) {
  if (!(error instanceof StartError)) throw error
  fail(error.message)
}
