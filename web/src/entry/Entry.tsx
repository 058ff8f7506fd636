import type { AnyQuestion } from '@tachymetra/core/question'
import { type ReactNode, useEffect, useRef } from 'react'
import { useNeeds } from '../data/needs.js'
import { useSettings } from '../data/settings.js'
import { Keypad } from './Keypad.js'
import './entry.css'

interface Props {
  readonly kind: AnyQuestion['kind']
  /** What is typed and not yet confirmed. */
  readonly text: string
  /** Id of what asks, or the question itself where nothing on the page does. */
  readonly labelledBy?: string
  readonly label?: string
  readonly describedBy?: string
  readonly onKey: (key: string) => void
  readonly onErase: () => void
  /** One of a few answers, pressed whole by its letter; left out where nothing is chosen. */
  readonly onChoose?: (letter: string) => void
  /** Left out where an answer is taken by itself. */
  readonly onEnter?: () => void
  /** The field is there for assistive technology only: the answer is entered otherwise, on a frame. */
  readonly hidden?: boolean
  /** What is typed is shown where it belongs, so that the field need not be seen. */
  readonly inPlace?: boolean
  /** Stands between the field and its keys: what is said of the entry. */
  readonly children?: ReactNode
}

/** Where an answer of any kind is written: the field, and for touch or choosing the keys it is written with. */
export function Entry(props: Props) {
  const { kind, text, onKey, onErase, onEnter, hidden = false, inPlace = false, children } = props
  const field = useRef<HTMLInputElement>(null)
  const { choices } = kind
  const keys = [...kind.keys, ...(kind.alsoTyped ?? [])]
  // Choices are pressed; where the answer may be typed as well, what is typed is seen.
  const unseen = hidden || inPlace || (choices && !kind.alsoTyped)
  const { decimal } = useSettings().numbers
  const { keypad, ownKeyboard } = useNeeds()
  useEffect(() => field.current?.focus(), [])
  /** What another keyboard, dictation or handwriting has put in place of what stood there, as keys that were pressed. */
  const retype = (next: string) => {
    let same = 0
    while (same < text.length && text[same] === next[same]) same += 1
    for (let i = same; i < text.length; i += 1) onErase()
    for (const key of next.slice(same)) if (keys.includes(key.toUpperCase()) || keys.includes(key)) onKey(key)
  }
  return (
    <>
      <div className={unseen ? 'sr-only' : 'entry-line'}>
        <input
          ref={field}
          className={`entry${text.length > 11 ? ' long' : ''}`}
          aria-label={props.label}
          aria-labelledby={props.labelledBy}
          aria-describedby={props.describedBy}
          value={text.replace('-', '−').replace('.', decimal)}
          {...(ownKeyboard
            ? {
                inputMode: keys.every((k) => /\d/.test(k))
                  ? 'numeric'
                  : keys.every((k) => /[\d.-]/.test(k))
                    ? 'decimal'
                    : 'text',
                onChange: (event) => retype(event.target.value.replace('−', '-').replace(',', '.')),
                onKeyDown: (event) => {
                  if (event.key !== 'Enter') return
                  // Or the press would go on to the button that has the focus next.
                  event.preventDefault()
                  onEnter?.()
                },
              }
            : { readOnly: true, inputMode: 'none' })}
          autoComplete="off"
          data-testid="entry"
        />
      </div>
      {children}
      {!hidden &&
        (choices ? (
          <div className="row choices">
            {choices.map((c) => (
              <button
                key={c.id}
                type="button"
                className="choice"
                aria-pressed={text === c.key}
                onClick={() => (props.onChoose ?? onKey)(c.key)}
              >
                <kbd>{c.key.toUpperCase()}</kbd> {c.name}
              </button>
            ))}
          </div>
        ) : (
          keypad && (
            <Keypad
              keys={kind.keys}
              onKey={onKey}
              onErase={onErase}
              {...(onEnter && { enter: { label: 'Enter', act: onEnter } })}
            />
          )
        ))}
    </>
  )
}
