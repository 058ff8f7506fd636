/** A PDF of sheets, made in a worker so that the page goes on. */
import type { NewSheet } from '@tachymetra/core/set'

type Said =
  | { readonly done: number }
  | { readonly bytes: Uint8Array<ArrayBuffer> }
  | { readonly error: string }

/** @param progress told of papers that are done. @throws Error, in words, where letters cannot be set */
export function pdfOf(
  sheets: readonly NewSheet[],
  progress: (done: number) => void,
): Promise<Uint8Array<ArrayBuffer>> {
  const worker = new Worker(new URL('./pdf.worker.ts', import.meta.url), { type: 'module' })
  return new Promise<Uint8Array<ArrayBuffer>>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<Said>) => {
      if ('done' in data) progress(data.done)
      else if ('bytes' in data) resolve(data.bytes)
      else reject(new Error(data.error))
    }
    worker.onerror = () => reject(new Error('The PDF could not be made. Try Print instead.'))
    worker.postMessage(sheets)
  }).finally(() => worker.terminate())
}
