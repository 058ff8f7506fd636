import { KeyButton } from '../entry/KeyButton.js'

interface Act {
  readonly onward: () => void
  readonly back: () => void
  readonly next: () => void
  readonly harder: () => void
  readonly easier: () => void
  readonly clock: () => void
  readonly paper: () => void
  readonly checks: () => void
  readonly pattern: () => void
  readonly light: () => void
  readonly full: () => void
  readonly leave: () => void
}

/** What the coach reads and touches at the foot of the board: small, since the room need not read it. */
export function CoachKeys(props: {
  readonly act: Act
  readonly ended: boolean
  readonly hands: string
  /** Are there easier and harder problems? */
  readonly levels: boolean
  readonly worked: boolean
  readonly where: string
}) {
  const { act, ended, hands, levels, worked, where } = props
  return (
    <nav className="coach-keys" aria-label="Keys of the board">
      <KeyButton label="Back" shortcut="Page Up" onPress={act.back} />
      <KeyButton label={ended ? 'Go on' : 'Next thought'} shortcut="Page Down" onPress={act.onward} main />
      <KeyButton label="Next problem" shortcut="N" onPress={act.next} />
      <KeyButton label="Clock" shortcut="C" onPress={act.clock} />
      {levels && <KeyButton label="Easier" shortcut="↓" onPress={act.easier} />}
      {levels && <KeyButton label="Harder" shortcut="↑" onPress={act.harder} />}
      {worked && <KeyButton label="On paper" shortcut="W" onPress={act.paper} />}
      {worked && <KeyButton label="Check" shortcut="K" onPress={act.checks} />}
      {worked && <KeyButton label="Pattern" shortcut="X" onPress={act.pattern} />}
      <KeyButton label="Light" shortcut="D" onPress={act.light} />
      <KeyButton label="Full screen" shortcut="F" onPress={act.full} />
      <KeyButton label="Leave" shortcut="Esc" onPress={act.leave} />
      <span className="where">
        {where}
        {worked && <> · hands up: {hands || 'type how many are right'}</>}
      </span>
    </nav>
  )
}
