import { type RefObject, useEffect, useRef } from 'react'
import { useLocation, useNavigationType } from 'react-router'

const PROGRAM = 'Tachymetra'

/**
 * What a change of page means for whoever does not see it: its heading is the title of the window and has the focus, and
 * it is read from its top. What takes the focus by itself, such as an entry, keeps it. Where what had the focus has gone from
 * the page, the heading takes it, so that the way on begins there and not at the very top.
 */
export function usePageChange(main: RefObject<HTMLElement | null>): void {
  const { pathname } = useLocation()
  const action = useNavigationType()
  const first = useRef(true)
  useEffect(() => {
    const element = main.current!
    let arriving = !first.current
    let had: Element | undefined
    const remember = ({ target }: FocusEvent) => {
      if (target instanceof Element) had = target
    }
    const toHead = (head: HTMLElement) => {
      head.tabIndex = -1
      head.focus({ preventScroll: true })
    }
    first.current = false
    // Going back, the browser shows what was in view before.
    if (arriving && action !== 'POP') window.scrollTo(0, 0)
    const look = () => {
      const head = element.querySelector('h1')
      const title = head?.textContent ? `${head.textContent} · ${PROGRAM}` : PROGRAM
      if (document.title !== title) document.title = title
      if (!head) return
      if (had && !had.isConnected) {
        had = undefined
        if (document.activeElement === document.body) toHead(head)
      }
      if (!arriving) return
      arriving = false
      if (!element.contains(document.activeElement)) toHead(head)
    }
    look()
    const watcher = new MutationObserver(look)
    watcher.observe(element, { childList: true, subtree: true, characterData: true })
    element.addEventListener('focusin', remember)
    return () => {
      watcher.disconnect()
      element.removeEventListener('focusin', remember)
    }
  }, [pathname])
}
