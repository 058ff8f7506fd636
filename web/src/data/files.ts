/** Files handed to the learner, and files taken from them. */

/** Puts a file made here into the browser's downloads. */
export function handOut(name: string, type: string, contents: BlobPart): void {
  const url = URL.createObjectURL(new Blob([contents], { type }))
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  // The browser has taken hold of it by the next turn.
  setTimeout(() => URL.revokeObjectURL(url))
}
