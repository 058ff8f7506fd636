/** npm run -s work | diagnose | problems: the command line over the core. */
import { parseArgs } from 'node:util'
import { ensureBuilt } from './prepare.mjs'

ensureBuilt({ coreOnly: true })
const { runCommand, withSigns } = await import('../core/dist/command/index.js')
const [name = '', ...args] = process.argv.slice(2)
const { code, out, err } = runCommand(name, (options) =>
  parseArgs({ args: withSigns(args), options, allowPositionals: true }),
)
process.stdout.write(out)
process.stderr.write(err)
process.exitCode = code
