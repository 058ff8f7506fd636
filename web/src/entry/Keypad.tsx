import { type Needs, useNeeds } from '../data/needs.js'
import { useSettings } from '../data/settings.js'
import './entry.css'

const ERASE = '⌫'
const NAMES: Record<string, string> = {
  [ERASE]: 'delete',
  '.': 'decimal point',
  '-': 'minus',
  '+': 'plus',
  '=': 'set',
  r: 'remainder',
  '/': 'over',
  ' ': 'and',
  ':': 'to',
}
const SHOWN: Record<string, string> = { '-': '−', ' ': 'and' }
const DIGITS = '0123456789'

interface Props {
  /** The keys the answer is written with. */
  readonly keys: readonly string[]
  readonly onKey: (key: string) => void
  readonly onErase: () => void
  /** The wide key; without it there is none, where nothing is to be committed. */
  readonly enter?: { readonly label: string; readonly act: () => void }
}

/**
 * Digits stand in rows of three, as on a calculator or as on a telephone, with whatever else is written beside them; other
 * signs in rows of three.
 */
function laidOut(keys: readonly string[], order: Needs['keypadOrder']): readonly string[] {
  const others = keys.filter((k) => !DIGITS.includes(k))
  if (others.length === keys.length) return [...others.slice(0, 3), ERASE, ...others.slice(3)]
  const beside = [others.at(-1) ?? '', others.at(-2) ?? '']
  const rows = ['789', '456', '123']
  const [top, middle, bottom] = (order === 'telephone' ? rows.toReversed() : rows).map((row) => [...row])
  return [
    ...[...top!, ERASE],
    ...[...middle!, beside[0]!],
    ...[...bottom!, beside[1]!],
    '0',
    ...others.slice(0, -2),
  ]
}

const COLUMNS = 4

/** Large keys for touch, so that no system keyboard has to come up. They act on touch, not on release. */
export function Keypad({ keys, onKey, onErase, enter }: Props) {
  const { decimal } = useSettings().numbers
  const { keypadOrder, keypadSide } = useNeeds()
  const laid = laidOut(keys, keypadOrder)
  // Enter takes what is left of the last row, or one of its own.
  const left = COLUMNS - (laid.length % COLUMNS)
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
    <fieldset className={`keypad ${keypadSide}`} aria-label="Answer keys">
      {laid.map((key, i) =>
        key === '' ? (
          <span key={i} />
        ) : (
          <button
            key={key}
            type="button"
            aria-label={NAMES[key]}
            {...acts(() => (key === ERASE ? onErase() : onKey(key)))}
          >
            {key === '.' ? decimal : (SHOWN[key] ?? key)}
          </button>
        ),
      )}
      {enter && (
        <button
          type="button"
          className="enter"
          style={{ gridColumn: `span ${left > 1 ? left : COLUMNS}` }}
          {...acts(enter.act)}
        >
          {enter.label}
        </button>
      )}
    </fieldset>
  )
}
