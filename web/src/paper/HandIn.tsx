import { count } from '@tachymetra/core/words'
import { KeyButton } from '../entry/KeyButton.js'
import { useKeys } from '../entry/useKeys.js'

/** Asked before a paper is handed in with items left. */
export function HandIn(props: {
  readonly left: number
  readonly onYes: () => void
  readonly onNo: () => void
}) {
  const { left, onYes, onNo } = props
  useKeys({ y: onYes, Escape: onNo, Enter: onNo }, undefined, true)
  return (
    <div className="hand-in row" role="alertdialog" aria-label="Hand in?">
      <span>{count(left, 'item')} left without an answer. Hand in now?</span>
      <KeyButton label="Hand in" shortcut="Y" onPress={onYes} />
      <KeyButton label="Go on" shortcut="Enter" onPress={onNo} main focused />
    </div>
  )
}
