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
}

/** A button with its shortcut. Plain HTML, since it is drawn anew with every key; a press leaves the focus on the entry. */
export function KeyButton({
  label,
  shortcut,
  onPress,
  disabled = false,
  main = false,
  focused = false,
}: Props) {
  const button = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    if (focused) button.current?.focus({ preventScroll: true })
  }, [focused])
  return (
    <button
      ref={button}
      type="button"
      className={`key-button${main ? ' main' : ''}`}
      disabled={disabled}
      onMouseDown={(event) => event.preventDefault()}
      onClick={onPress}
    >
      {label} {shortcut && <kbd>{shortcut}</kbd>}
    </button>
  )
}
