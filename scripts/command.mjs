/** npm run -s work | diagnose | problems: the command line over the core. */
import { ensureBuilt } from './prepare.mjs'

ensureBuilt({ coreOnly: true })
const { runCommand } = await import('../core/dist/command/index.js')
const [name = '', ...args] = process.argv.slice(2)
const { code, out, err } = runCommand(name, args)
process.stdout.write(out)
process.stderr.write(err)
process.exitCode = code
