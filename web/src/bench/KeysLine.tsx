import type { TypedFrom } from '@tachymetra/core/session'
import { KeyButton } from '../entry/KeyButton.js'

/** What can be done at a problem besides answering it, each with its key. */
export function KeysLine(props: {
  /** What comes next, once the problem is done. */
  readonly next: string | undefined
  readonly hintOpen: boolean
  /** Is there a clock, and is it shown? */
  readonly clock: boolean | undefined
  /** Which end is typed first, where there is a choice. */
  readonly from: TypedFrom | undefined
  /** Is it shown what each rod is worth? Undefined where no beads are moved. */
  readonly rodValues: boolean | undefined
  readonly act: Readonly<
    Record<'enter' | 'hint' | 'show' | 'skip' | 'turn' | 'stop' | 'clock' | 'rods' | 'help', () => void>
  >
}) {
  const { next, hintOpen, clock, from, rodValues, act } = props
  return (
    <>
      {next && (
        <div className="row keys-line">
          <KeyButton label={next} shortcut="Enter" onPress={act.enter} main focused />
        </div>
      )}
      <div className="row keys-line">
        {!next && (
          <>
            <KeyButton label="Hint" shortcut="H" onPress={act.hint} disabled={hintOpen} />
            <KeyButton label="Show" shortcut="S" onPress={act.show} />
            <KeyButton label="Skip" shortcut="N" onPress={act.skip} />
          </>
        )}
        {!next && from && (
          <KeyButton
            label={from === 'left' ? 'Write from the right' : 'Write from the left'}
            shortcut="R"
            onPress={act.turn}
          />
        )}
        {rodValues !== undefined && (
          <KeyButton
            label={rodValues ? 'Hide the digits' : 'Show the digits'}
            shortcut="V"
            onPress={act.rods}
          />
        )}
        <KeyButton label="Stop" shortcut="Esc" onPress={act.stop} />
        {clock !== undefined && (
          <KeyButton label={clock ? 'Hide the clock' : 'Show the clock'} shortcut="T" onPress={act.clock} />
        )}
        <KeyButton label="Keys" shortcut="?" onPress={act.help} />
      </div>
    </>
  )
}
