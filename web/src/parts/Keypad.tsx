const ERASE = '⌫'
const KEYS = ['7', '8', '9', ERASE, '4', '5', '6', '-', '1', '2', '3', '.', '0'] as const
const NAMES: Record<string, string> = { [ERASE]: 'rub out', '.': 'decimal point', '-': 'minus' }

interface Props {
  readonly onKey: (key: string) => void
  readonly onErase: () => void
  /** The wide key; without it there is none, where nothing is to be committed. */
  readonly enter?: { readonly label: string; readonly act: () => void }
}

/** Large keys for touch, so that no system keyboard has to come up. They act on touch, not on release. */
export function Keypad({ onKey, onErase, enter }: Props) {
  // A press by touch or mouse acts at once; `click` then only serves keyboards and screen readers.
  const acts = (act: () => void) => ({
    onPointerDown: (event: React.PointerEvent) => {
      event.preventDefault()
      act()
    },
    onClick: (event: React.MouseEvent) => {
      if (event.detail === 0) act()
    },
  })
  return (
    <fieldset className="keypad" aria-label="Number keys">
      {KEYS.map((key) => (
        <button
          key={key}
          type="button"
          aria-label={NAMES[key]}
          {...acts(() => (key === ERASE ? onErase() : onKey(key)))}
        >
          {key === '-' ? '−' : key}
        </button>
      ))}
      {enter && (
        <button type="button" className="enter" {...acts(enter.act)}>
          {enter.label}
        </button>
      )}
    </fieldset>
  )
}
