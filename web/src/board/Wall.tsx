import { factById } from '@tachymetra/core/facts'
import { printProblem } from '@tachymetra/core/problem'
import { OWN_LEVEL } from '@tachymetra/core/registry'
import { type BoardPart, type BoardPlan, MOST_HANDS, problemsIn } from '@tachymetra/core/set'
import { useEffect, useMemo, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import { storeCount, type WallPlace } from '../data/board.js'
import { changeSettings, useSettings } from '../data/settings.js'
import { useKeys } from '../entry/useKeys.js'
import { wakeSound } from '../sound/sound.js'
import { practiceWords } from '../words/setName.js'
import { CoachKeys } from './CoachKeys.js'
import { AskedWall, FactWall, FlashWall, FrameWall, PatternWall, WaysWall } from './parts.js'
import { useClock } from './useClock.js'
import { checksAt, type View, Worked } from './Worked.js'
import { askedAt, moved, pressesAt, type WallMove, workedAt } from './wall.js'
import './board.css'

/** Where no seconds were set and the clock is wanted all the same. */
const USUAL_MS = 10_000
const HASTE_MS = 300

/** The whole screen for the room: what stands on the board, driven by four keys, a clicker or a touch. */
export function Wall(props: {
  readonly plan: BoardPlan
  readonly seed: number
  readonly place: WallPlace
  readonly onGo: (place: WallPlace) => void
}) {
  const { plan, seed, place, onGo } = props
  const navigate = useNavigate()
  const { theme } = useSettings()
  const part = plan.parts[place.part]!
  const most = useMemo(() => pressesAt(part, place, seed), [part, place, seed])
  const worked = useMemo(() => workedAt(part, place, seed), [part, place, seed])
  const asked = useMemo(() => askedAt(part, place), [part, place])
  const [view, setView] = useState<View>('work')
  const [check, setCheck] = useState(0)
  const here = `${place.part} ${place.n} ${place.level} ${place.moves}`
  const ended = place.presses >= most
  const clocked = 'clock' in part ? part.clock : undefined
  const wait = part.kind === 'facts' ? part.waitMs : undefined
  // Once it is thought aloud, or the answer stands there, no time runs.
  const resting = place.presses > 0
  const clock = useClock(here, resting ? undefined : (wait ?? (clocked?.ms || undefined)), () => {
    if (clocked?.round || part.kind === 'facts') go('answer')
  })
  const shown = worked
    ? { ...worked.shown, expression: printProblem(worked.shown.problem) }
    : asked && { ...asked, level: OWN_LEVEL }
  const hands = useHands(here, shown)
  const lastMove = useRef(0)
  const go = (move: WallMove) => {
    wakeSound()
    lastMove.current = performance.now()
    const next = moved(plan, place, move, seed)
    if (next.part !== place.part || next.n !== place.n || next.moves !== place.moves) setView('work')
    onGo(next)
  }
  const look = (which: View) => setView(view === which ? 'work' : which)
  const act = {
    onward: () => go('onward'),
    back: () => go('back'),
    next: () => go('next'),
    harder: () => go('harder'),
    easier: () => go('easier'),
    clock: () => {
      wakeSound()
      clock.toggle(USUAL_MS)
    },
    paper: () => look('paper'),
    // One check after another, then the working again.
    checks: () => {
      const more = view === 'checks' && worked !== undefined && check + 1 < checksAt(worked)
      setCheck(more ? check + 1 : 0)
      if (!more) look('checks')
    },
    pattern: () => look('pattern'),
    light: () => changeSettings({ theme: theme === 'night' ? 'day' : 'night' }),
    full: () => void fullScreen(),
    nextPart: () => go('next-part'),
    backPart: () => go('back-part'),
    leave: () => {
      if (document.fullscreenElement) void document.exitFullscreen()
      void navigate('/board')
    },
  }
  useKeys(
    {
      PageDown: act.onward,
      ArrowRight: act.onward,
      ' ': act.onward,
      PageUp: act.back,
      ArrowLeft: act.back,
      ArrowUp: act.harder,
      ArrowDown: act.easier,
      n: act.next,
      c: act.clock,
      // Clickers have a key that darkens the screen: here it is the clock.
      b: act.clock,
      '.': act.clock,
      w: act.paper,
      k: act.checks,
      x: act.pattern,
      d: act.light,
      f: act.full,
      End: act.nextPart,
      Home: act.backPart,
      Enter: () => (hands.typed === '' ? act.onward() : hands.store()),
      Backspace: hands.erase,
      Escape: act.leave,
    },
    shown ? { keys: [...'0123456789'], press: hands.press } : undefined,
    true,
  )
  const wall = useRef<HTMLElement>(null)
  useEffect(() => wall.current?.focus(), [])
  return (
    <main className="wall" ref={wall} tabIndex={-1} aria-label="The board">
      <h1 className="sr-only">
        <bdi>{plan.name}</bdi>
      </h1>
      {/* Touched at the left it goes back, anywhere else onward; a key does the same. */}
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: the keys are listened to by the whole page */}
      {/* biome-ignore lint/a11y/noStaticElementInteractions: the same */}
      <div
        className="wall-stage"
        onClick={(event) => {
          // A touch that has just stopped a list, or a second one in haste, is no wish to go on.
          if (part.kind === 'frame' || performance.now() - lastMove.current < HASTE_MS) return
          if (event.clientX < innerWidth / 4) act.back()
          else act.onward()
        }}
      >
        <Shown {...{ part, place, seed, worked, asked, view, check }} here={here} onShown={act.onward} />
      </div>
      {clock.left !== undefined && !resting && (
        <p className={`wall-clock${clock.left === 0 ? ' over' : ''}`} role="timer">
          {clock.left === 0 ? 'Time' : clock.left}
        </p>
      )}
      <CoachKeys
        act={act}
        ended={ended}
        hands={hands.typed || hands.said}
        levels={part.kind === 'technique'}
        worked={worked !== undefined}
        where={whereWords(plan, place, problemsIn(part), shown)}
      />
    </main>
  )
}

/** What stands on the board now. */
function Shown(props: {
  readonly here: string
  readonly part: BoardPart
  readonly place: WallPlace
  readonly seed: number
  readonly worked: ReturnType<typeof workedAt>
  readonly asked: ReturnType<typeof askedAt>
  readonly view: View
  readonly check: number
  readonly onShown: () => void
}) {
  const { here, part, place, seed, worked, asked, view, check, onShown } = props
  return (
    <>
      {worked && <Worked {...worked} presses={place.presses} view={view} check={check} />}
      {asked && <AskedWall asked={asked} presses={place.presses} />}
      {part.kind === 'ways' && <WaysWall part={part} presses={place.presses} />}
      {part.kind === 'facts' && (
        <FactWall card={factById(part.facts[place.n]!)!.card} told={place.presses > 0} />
      )}
      {part.kind === 'flash' && (
        <FlashWall key={here} part={part} seed={seed + place.n} presses={place.presses} onShown={onShown} />
      )}
      {part.kind === 'frame' && <FrameWall />}
      {part.kind === 'pattern' && <PatternWall {...part} shown={place.presses} />}
    </>
  )
}

/** "Part 2 of 5, problem 3 of 4" */
function whereWords(
  { parts }: BoardPlan,
  { part, n }: WallPlace,
  of: number,
  shown: { readonly technique: string; readonly level: number } | undefined,
): string {
  const which = parts.length > 1 ? `Part ${part + 1} of ${parts.length}` : ''
  const what = shown && practiceWords(shown)
  return [which, of > 1 && `problem ${n + 1} of ${of}`, what].filter(Boolean).join(', ')
}

async function fullScreen(): Promise<void> {
  try {
    if (document.fullscreenElement) await document.exitFullscreen()
    else await document.documentElement.requestFullscreen()
  } catch {
    // A browser that does not allow it shows the board in its window.
  }
}

/** Hands that are up, keyed in as a number and kept with the problem. */
function useHands(
  here: string,
  shown: { readonly technique: string; readonly level: number; readonly expression: string } | undefined,
) {
  const [typed, setTyped] = useState('')
  const [said, setSaid] = useState('')
  const id = useRef({ here, id: crypto.randomUUID() })
  if (id.current.here !== here) id.current = { here, id: crypto.randomUUID() }
  useEffect(() => {
    setTyped('')
    setSaid('')
  }, [here])
  return {
    typed,
    said,
    press: (key: string) => setTyped((t) => (Number(t + key) > MOST_HANDS ? t : t + key)),
    erase: () => setTyped((t) => t.slice(0, -1)),
    store: () => {
      if (!shown) return
      const { technique, level, expression } = shown
      const count = { id: id.current.id, at: new Date().toISOString(), technique, level, expression }
      storeCount({ ...count, right: Number(typed) }).then(
        () => setSaid(`${Number(typed)} right, kept`),
        () => setSaid('not kept: this browser keeps nothing'),
      )
      setTyped('')
    },
  }
}
