/** What the runner listens to while an attempt is under way: the same keys do the same, whatever is practised. */
import { changeSettings, useSettings } from '../data/settings.js'
import { type KeyTarget, useKeys } from '../entry/useKeys.js'
import type { AttemptOnScreen } from './useAttempt.js'

/** What can be done in practice, and its key. */
const KEYS = {
  enter: 'Enter',
  erase: 'Backspace',
  stop: 'Escape',
  hint: 'h',
  show: 's',
  skip: 'n',
  clock: 't',
  check: 'c',
  turn: 'r',
  rods: 'v',
  help: '?',
} as const

type Act = keyof typeof KEYS

/** What the runner knows how to do; the rest is the view's own. */
type Known = 'enter' | 'erase' | 'stop' | 'hint' | 'show' | 'skip' | 'clock'

interface View {
  /** Of what the runner knows, what this view offers besides Enter and Backspace. */
  readonly offers?: readonly Known[]
  /** What is done otherwise here, or only here; undefined where its key does nothing. */
  readonly own?: Partial<Record<Act, (() => void) | undefined>>
  /** Keys of this view alone: arrows over a table, beads. */
  readonly more?: Readonly<Record<string, () => void>>
  /** Which of several questions is open. */
  readonly of?: number
  /** Where a key goes that writes; to the attempt where it is left out. */
  readonly press?: (key: string) => void
  /** False while something else has the keys. */
  readonly active?: boolean
  readonly onNext?: () => void
  readonly onStop?: () => void
}

/** @returns what can be done, for buttons to do the same; and where written keys go, undefined while nothing is asked */
export function useAnswering(
  attempt: AttemptOnScreen,
  { offers = [], own = {}, more = {}, of, press, active = true, onNext, onStop }: View,
): { readonly act: Readonly<Record<Known, () => void>>; readonly target: KeyTarget | undefined } {
  const { clock } = useSettings()
  const { progress } = attempt
  const done = progress.outcome !== undefined
  const act = {
    enter: () => (done ? onNext?.() : attempt.confirm(of)),
    erase: attempt.erase,
    // An attempt with entries is kept as stopped; one not yet begun leaves no trace.
    stop: () => {
      if (!done && progress.entries.length > 0) attempt.note('stopped')
      onStop?.()
    },
    hint: () => {
      if (!progress.hintOpen && progress.walks[0]?.next) attempt.note('hint')
    },
    show: () => attempt.note('given'),
    skip: () => (done ? onNext?.() : attempt.note('skipped')),
    clock: () => changeSettings({ clock: !clock }),
  }
  const offered = Object.fromEntries(
    (['enter', 'erase', ...offers] as const).map((name) => [name, act[name]]),
  )
  const commands = Object.entries({ ...offered, ...own }).flatMap(([name, does]) =>
    does ? [[KEYS[name as Act], does] as const] : [],
  )
  const kind = attempt.question(of)?.kind
  const target = kind && {
    keys: [...kind.keys, ...(kind.alsoTyped ?? [])],
    press: press ?? ((key: string) => attempt.press(key, of)),
  }
  useKeys({ ...Object.fromEntries(commands), ...more }, target, active)
  return { act, target }
}
