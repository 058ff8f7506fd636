/** npm run bench [core] [slips] [ways] [coach] [store] [worst] [stall] [crash] [million] [browser] [open] [room] [frame] [flash]: speed, always beside something measured in the same run; slips: how many are recognised; ways: how often a trick is least work; coach: how well it judges; crash: what a kill leaves behind. */
import { ensureBuilt, fail } from './prepare.mjs'

const PARTS = [
  'core',
  'slips',
  'ways',
  'coach',
  'store',
  'worst',
  'stall',
  'crash',
  'million',
  'browser',
  'open',
  'room',
  'frame',
  'flash',
]
const asked = process.argv.slice(2)
const unknown = asked.find((part) => !PARTS.includes(part))
if (unknown) fail(`There is no benchmark "${unknown}". Known: ${PARTS.join(', ')}.`, 2)
ensureBuilt()
for (const part of asked.length ? asked : PARTS) {
  const { run } = await import(`./bench/${part}.mjs`)
  await run()
}
