/** Makes a PDF of many sheets aside from the page. */
import type { NewSheet } from '@tachymetra/core/set'
import { sheetsPdf } from './sheetsPdf.js'

addEventListener('message', ({ data }: MessageEvent<readonly NewSheet[]>) => {
  void sheetsPdf(data, (done) => postMessage({ done })).then(
    (bytes) => postMessage({ bytes }),
    (error: Error) => postMessage({ error: error.message }),
  )
})
