/** Serves what is built: migrates, loads the demo when needed, prints the address, runs until Ctrl-C. */
import { readSettings, StartError, serve } from '../server/dist/main.js'
import { fail, say } from './prepare.mjs'

try {
  const { url } = await serve(readSettings(process.env, process.argv.slice(2)), say)
  process.stdout.write(`Tachymetra is at ${url}  (Ctrl-C stops it)\n`)
} catch (error) {
  if (!(error instanceof StartError)) throw error
  fail(error.message)
}
