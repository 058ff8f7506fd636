import type { ReactNode } from 'react'

/** Something that may be wider than a telephone: it scrolls by itself, by keys as well, and not the page. */
export function Wide({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
    <section className="wide" aria-label={label} tabIndex={0}>
      {children}
    </section>
  )
}
