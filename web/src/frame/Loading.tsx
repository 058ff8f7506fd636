/** Shown while something is on its way from the server. */
export function Loading() {
  return (
    <p className="faint" role="status">
      Loading…
    </p>
  )
}
