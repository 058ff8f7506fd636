/** Looks for the likely causes of a wrong answer aside from the page. */
import { readProblem } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import { causesOf } from '@tachymetra/core/session'
import type { Answered, Asked } from './causes.js'

addEventListener('message', ({ data }: MessageEvent<Asked & { readonly n: number }>) => {
  const { n, technique, expression, variant, answer, nth } = data
  const exercise = { technique: techniqueById(technique), problem: readProblem(expression), variant }
  postMessage({ n, causes: causesOf(exercise, answer, nth) } satisfies Answered)
})
