import { type RefObject, useLayoutEffect, useState } from 'react'

/** The width of an element in rem, measured before it is painted and whenever it changes; undefined until then. */
export function useWidth(element: RefObject<HTMLElement | null>): number | undefined {
  const [width, setWidth] = useState<number>()
  useLayoutEffect(() => {
    const measured = element.current
    if (!measured) return
    const rem = () => Number.parseFloat(getComputedStyle(document.documentElement).fontSize)
    const measure = () => setWidth(measured.clientWidth / rem())
    measure()
    const observer = new ResizeObserver(measure)
    observer.observe(measured)
    return () => observer.disconnect()
  }, [element])
  return width
}
