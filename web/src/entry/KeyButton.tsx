import { useEffect, useRef } from 'react'

interface Props {
  readonly label: string
  readonly shortcut?: string
  readonly onPress: () => void
  readonly disabled?: boolean
  /** The one to press next. */
  readonly main?: boolean
  /** Takes the focus as it comes, where what had it has gone. */
  readonly focused?: boolean
  /** Ids of what tells more of it. */
  readonly describedBy?: string
}

/** A button with its shortcut. Plain HTML, since it is drawn anew with every key; a press leaves the focus on the entry. */
export function KeyButton({
  label,
  shortcut,
  onPress,
  disabled = false,
  main = false,
  focused = false,
  describedBy,
}: Props) {
  const button = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    if (focused) button.current?.focus({ preventScroll: true })
  }, [focused])
  return (
    <button
      ref={button}
      type="button"
      aria-describedby={describedBy}
      className={`key-button${main ? ' main' : ''}`}
      // Not `disabled`: a button that has the focus keeps it.
      aria-disabled={disabled || undefined}
      onMouseDown={(event) => event.preventDefault()}
      onClick={disabled ? undefined : onPress}
    >
      {label} {shortcut && <kbd>{shortcut}</kbd>}
    </button>
  )
}
