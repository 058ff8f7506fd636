/**
 * A page that comes over plain http from another machine has fewer of the browser's tools: what the program cannot do
 * without is made here.
 */

/** A random UUID (RFC 9562, version 4). */
function randomUUID(): `${string}-${string}-${string}-${string}-${string}` {
  const bytes = crypto.getRandomValues(new Uint8Array(16))
  bytes[6] = (bytes[6]! & 0x0f) | 0x40
  bytes[8] = (bytes[8]! & 0x3f) | 0x80
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('')
  const cut = (from: number, to: number) => hex.slice(from, to)
  return `${cut(0, 8)}-${cut(8, 12)}-${cut(12, 16)}-${cut(16, 20)}-${cut(20, 32)}`
}

/** To be run before anything else. */
export function makeUp(): void {
  if (typeof crypto.randomUUID !== 'function') crypto.randomUUID = randomUUID
}
