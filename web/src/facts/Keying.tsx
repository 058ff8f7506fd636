import { middleOf, seeded } from '@tachymetra/core'
import { Button } from 'antd'
import { useRef, useState } from 'react'
import { HAS_TOUCH } from '../bench/touch.js'
import { changeLearner } from '../data/learnerSettings.js'
import { KeyButton } from '../parts/KeyButton.js'
import { Keypad } from '../parts/Keypad.js'
import { useKeys } from '../parts/useKeys.js'

const NUMBERS = 10
const DIGITS = 4

/** Ten shown numbers are copied: what that takes a digit is keying and not thought. */
export function Keying({ learnerId, onEnd }: { readonly learnerId: string; readonly onEnd: () => void }) {
  const [numbers] = useState(() => {
    const random = seeded(crypto.getRandomValues(new Int32Array(1))[0]!)
    return Array.from({ length: NUMBERS }, () => String(random.below(9n * 10n ** BigInt(DIGITS - 1)) + 1000n))
  })
  const [done, setDone] = useState(0)
  const [text, setText] = useState('')
  const [found, setFound] = useState<number>()
  const lastKeyAt = useRef<number>(undefined)
  const gaps = useRef<number[]>([])
  const shown = numbers[done]

  const press = (key: string) => {
    if (!shown || found !== undefined) return
    const now = performance.now()
    const typed = text + key
    // A wrong key is taken back at once; only right ones count.
    if (!shown.startsWith(typed)) return
    if (lastKeyAt.current !== undefined && text !== '') gaps.current.push(now - lastKeyAt.current)
    lastKeyAt.current = now
    if (typed !== shown) return setText(typed)
    setText('')
    setDone(done + 1)
    if (done + 1 < NUMBERS) return
    const ms = Math.min(5000, Math.max(20, Math.round(middleOf(gaps.current))))
    setFound(ms)
    changeLearner(learnerId, { keying: { ms, at: new Date().toISOString() } })
  }
  useKeys({ Escape: onEnd, Enter: () => found !== undefined && onEnd() }, press, true)

  if (found !== undefined)
    return (
      <div className="stack">
        <h1>{found} ms to key a digit</h1>
        <p>From now on facts are judged by the thinking alone.</p>
        <div>
          <Button type="primary" autoFocus onClick={onEnd}>
            Back to the facts
          </Button>
        </div>
      </div>
    )
  return (
    <div className="stack fact-drill">
      <p className="faint">Copy the number, no Enter: {NUMBERS - done} to go</p>
      <p className="fact-ask mono" id="copy" aria-live="polite">
        {shown}
      </p>
      <input
        className="entry"
        aria-labelledby="copy"
        value={text}
        readOnly
        inputMode="none"
        data-testid="entry"
        autoComplete="off"
      />
      {HAS_TOUCH && <Keypad onKey={press} onErase={() => setText(text.slice(0, -1))} />}
      <KeyButton label="Stop" shortcut="Esc" onPress={onEnd} />
    </div>
  )
}
