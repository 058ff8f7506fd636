import { useEffect } from 'react'

/** Gives the focus back to what had it, when a dialog is closed. */
export function useReturnFocus(): void {
  useEffect(() => {
    const before = document.activeElement
    return () => {
      // The dialog itself lets go of the focus as it goes.
      setTimeout(() => {
        if (before instanceof HTMLElement && before.isConnected && document.activeElement === document.body)
          before.focus()
      })
    }
  }, [])
}
