/** Seeks the cause of a wrong answer away from the page, within a time that nobody minds waiting. */
import { diagnose, readDecimal, readProblem, techniqueById } from '@tachymetra/core'
import type { Answered, Asked } from './causes.js'

const PATIENCE_MS = 250

addEventListener('message', ({ data }: MessageEvent<Asked & { n: number }>) => {
  const until = performance.now() + PATIENCE_MS
  const technique = techniqueById(data.technique)
  const { causes } = diagnose(
    technique,
    readProblem(data.expression),
    data.school,
    readDecimal(data.answer)!,
    Number.POSITIVE_INFINITY,
    () => performance.now() > until,
  )
  postMessage({ n: data.n, causes } satisfies Answered)
})
