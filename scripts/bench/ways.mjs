/** How often a trick needs the least effort in the head, or one unit more, on random problems of its own levels. */

import { leastEffortShare } from '../../core/dist/kit/rivals.js'
import { TECHNIQUES } from '../../core/dist/registry/index.js'

const PROBLEMS = 1000

export function run() {
  process.stdout.write(`\nLeast effort in the head, or one unit more, of ${PROBLEMS} random problems each\n`)
  for (const technique of TECHNIQUES.filter((t) => t.conditions || t.id === 'multiply-subtraction'))
    process.stdout.write(
      `  ${technique.id.padEnd(32)} ${(100 * leastEffortShare(technique, PROBLEMS, 7)).toFixed(0).padStart(3)} %\n`,
    )
}
