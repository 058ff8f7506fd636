/** How often one random slip is recognised from the final answer alone, technique by technique. */

import { recognition } from '../../core/dist/kit/testing.js'
import { TECHNIQUES } from '../../core/dist/registry/index.js'

const CASES = 10_000

export function run() {
  process.stdout.write(
    `\nSlips recognised from the answer, of ${CASES} random ones each: named first, among the first three\n`,
  )
  for (const technique of TECHNIQUES) {
    const { first, firstThree } = recognition(technique, CASES, 2)
    process.stdout.write(
      `  ${technique.id.padEnd(32)} ${(100 * first).toFixed(1).padStart(6)} %  ${(100 * firstThree).toFixed(1).padStart(6)} %\n`,
    )
  }
}
