/**
 * npm run sweep: how everything is taken that people say while they work, and how wrong values are, at many problems a
 * level, on all processors. PROBLEMS=200 a level (as it is), ONLY=multiply-crosswise for one technique, SEED=7.
 */
import { availableParallelism } from 'node:os'
import { isMainThread, parentPort, Worker } from 'node:worker_threads'
import { ensureBuilt, ensureInstalled, runBin } from './prepare.mjs'

const problems = Number(process.env.PROBLEMS ?? 200)
const seed = Number(process.env.SEED ?? 7)
const WHOLE = { ...process.env, THOROUGH: '1' }

if (isMainThread) {
  ensureInstalled()
  ensureBuilt()
  await sweepAll()
  // What the tests look at in part is looked at whole.
  if (!process.env.ONLY) process.exitCode ||= runBin('vitest', ['run', 'core'], { env: WHOLE })
} else {
  const { techniqueById } = await import('../core/dist/registry/techniques.js')
  const { seeded } = await import('../core/dist/number/random.js')
  const { heardOver, truthOver, wrongOver } = await import('../core/dist/kit/sweep.js')
  parentPort.on('message', (id) => {
    const technique = techniqueById(id)
    const heard = heardOver(technique, problems, seeded(seed))
    const wrong = wrongOver(technique, Math.max(1, Math.round(problems / 20)), seeded(seed + 1))
    const told = truthOver(technique, Math.max(1, Math.round(problems / 20)), seeded(seed + 2))
    parentPort.postMessage({ id, heard, wrong, told })
  })
}

async function sweepAll() {
  const { TECHNIQUES } = await import('../core/dist/registry/techniques.js')
  const left = TECHNIQUES.map((t) => t.id).filter((id) => !process.env.ONLY || id === process.env.ONLY)
  const all = { said: 0, decided: 0, refused: [], credited: [], remarks: 0, untrue: [] }
  const wrong = {}
  const take = ({ id, heard, wrong: taken, told }) => {
    all.said += heard.said
    all.decided += heard.decided
    all.refused.push(...heard.refused)
    all.credited.push(...heard.credited)
    all.remarks += told.remarks
    all.untrue.push(...told.faults)
    for (const [key, value] of Object.entries(taken)) wrong[key] = (wrong[key] ?? 0) + value
    process.stdout.write(`${id}: ${heard.said} said, ${heard.refused.length} refused\n`)
  }
  await Promise.all(Array.from({ length: availableParallelism() }, () => drain(left, take)))
  tell(all, wrong)
}

/** One thread takes techniques until none is left. */
function drain(left, take) {
  const worker = new Worker(new URL(import.meta.url))
  return new Promise((resolve, reject) => {
    const next = () => {
      const id = left.shift()
      if (id) worker.postMessage(id)
      else resolve(worker.terminate())
    }
    worker.on('message', (found) => {
      take(found)
      next()
    })
    worker.on('error', reject)
    next()
  })
}

function tell(all, wrong) {
  const share = (some, of) => `${some} of ${of} (${((100 * some) / Math.max(1, of)).toFixed(1)} %)`
  process.stdout.write(`
Said on the way: ${all.said}; told as against the decision of their step: ${all.decided}; refused or counted: ${all.refused.length}
Ends a problem without being its answer: ${all.credited.length}
Remarks on mistakes whose numbers were looked at: ${all.remarks}, with the questions and reasons beside them; not so: ${all.untrue.length}
One-decision mistakes that are so far: ${share(wrong.decisiveSoFar, wrong.decisive)}
Other known mistakes that are so far at first: ${share(wrong.slipSoFar, wrong.slip)}; said again they are told: ${share(wrong.toldLater, wrong.slipSoFar)}
Parts left out that are so far at first: ${share(wrong.leftOutSoFar, wrong.leftOut)}
Wrong digits at a one-decision step that are so far: ${share(wrong.digitSoFar, wrong.digit)}
Wrong totals of a list that are so far: ${share(wrong.totalSoFar, wrong.total)}; of its columns alone: ${share(wrong.columnSoFar, wrong.column)}
`)
  const faults = [...all.refused, ...all.credited, ...all.untrue]
  for (const line of faults.slice(0, 40)) process.stdout.write(`${line}\n`)
  if (faults.length > 0) process.exitCode = 1
}
