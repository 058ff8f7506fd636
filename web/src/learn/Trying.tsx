import { draw, type Problem, solvedWords } from '@tachymetra/core/problem'
import { levelOf } from '@tachymetra/core/registry'
import { type Exercise, moved, type Progress } from '@tachymetra/core/session'
import { type Technique, trace, type Variant } from '@tachymetra/core/technique'
import { seconds } from '@tachymetra/core/words'
import { useState } from 'react'
import { PaceBar } from '../charts/PaceBar.js'
import { freshRandom } from '../data/fresh.js'
import { useNeeds } from '../data/needs.js'
import { Entry } from '../entry/Entry.js'
import { KeyButton } from '../entry/KeyButton.js'
import { useTimeLimit } from '../practice/timers.js'
import { useAnswering } from '../practice/useAnswering.js'
import { useAttempt } from '../practice/useAttempt.js'
import { wakeSound } from '../sound/sound.js'
import { spoken } from '../words/spoken.js'
import { Mark } from '../working/Mark.js'
import { PlaceRule } from '../working/PlaceRule.js'
import { entryWords } from '../working/saying.js'
import { Words } from '../written/Words.js'

/** So many times the target of the first level there is for one that was never explained (default, common practice). */
const TRY_TIMES = 3

interface Props {
  readonly technique: Technique
  readonly variant: Variant
  /** Told of the problem when it is over, so that its steps can be shown. */
  readonly onOver: (problem: Problem) => void
}

/** One problem before anything is explained, to see what the technique is for; nothing of it is recorded. */
export function Trying({ technique, variant, onOver }: Props) {
  const { calm, extraTime } = useNeeds()
  const [tries, setTries] = useState<{ readonly n: number; readonly problem: Problem }>()
  const [ended, setEnded] = useState<Progress>()
  const limitMs =
    calm || extraTime === null ? undefined : TRY_TIMES * extraTime * levelOf(technique, 1).targetMs
  const start = () => {
    wakeSound()
    const random = freshRandom()
    const { value } = draw(levelOf(technique, 1).problems(), random).next()
    if (value) setTries({ n: (tries?.n ?? 0) + 1, problem: value })
    setEnded(undefined)
  }
  const over = (progress: Progress) => {
    setEnded(progress)
    onOver((progress.task as Exercise).problem)
  }
  return (
    <section className="trying panel stack" aria-labelledby="try">
      <h2 id="try">Try one first</h2>
      {tries && !ended ? (
        <One
          key={tries.n}
          exercise={{ technique, variant, level: 1, support: 'answer', problem: tries.problem }}
          limitMs={limitMs}
          onOver={over}
        />
      ) : (
        <>
          {ended ? (
            <Ended progress={ended} />
          ) : (
            <p>
              One problem before anything is explained
              <Words>{limitMs === undefined ? '' : `, with ${seconds(limitMs)} on the clock`}</Words>. It is
              not recorded.
            </p>
          )}
          <div className="row">
            <KeyButton
              label={ended ? 'Another' : 'Start'}
              onPress={start}
              main
              focused={ended !== undefined}
            />
          </div>
        </>
      )}
    </section>
  )
}

/** The problem, its clock and the place for the answer: over with the first answer, or when the time is up. */
function One(props: {
  readonly exercise: Exercise
  readonly limitMs: number | undefined
  readonly onOver: (progress: Progress) => void
}) {
  const { exercise, limitMs, onOver } = props
  const [task] = useState(exercise)
  const [until] = useState(() => (limitMs === undefined ? undefined : Date.now() + limitMs))
  const attempt = useAttempt({
    task,
    onChange(_, progress) {
      if (progress.entries.length > 0 || progress.outcome !== undefined) onOver(progress)
    },
  })
  const { kind } = attempt.question()!
  useTimeLimit(until, () => attempt.note('timed-out'))
  useAnswering(attempt, { offers: ['skip'], own: { stop: () => attempt.note('skipped') } })
  return (
    <>
      {limitMs !== undefined && <PaceBar targetMs={limitMs} running />}
      <PlaceRule problem={task.problem} line={BLANK} />
      <p className="sr-only" id="try-problem">
        <Words>{spoken(task.problem)}</Words>
      </p>
      <Entry
        kind={kind}
        text={attempt.typing.text}
        label="The answer?"
        describedBy="try-problem"
        onKey={attempt.press}
        onChoose={attempt.enter}
        onErase={attempt.erase}
        onEnter={() => attempt.confirm()}
      />
      {attempt.notice && (
        <p role="status">
          <Words>{attempt.notice}</Words>
        </p>
      )}
    </>
  )
}

const BLANK = { negative: false, cells: [] }

const ENDED = { done: '', skipped: 'Left out', stopped: 'Left out', 'timed-out': 'Time is up' } as const

/** What it came to. */
function Ended({ progress }: { readonly progress: Progress }) {
  const { technique, problem, variant } = progress.task as Exercise
  const { answer } = trace(technique, problem, variant)
  const [first] = progress.entries
  const typed = first && entryWords(progress.walks[0], first)
  const right = first !== undefined && moved(first)
  const solved = solvedWords(problem, answer)
  return (
    <p role="status">
      <Mark right={right} />{' '}
      <Words>{right ? 'Right' : typed ? `${typed} is not right` : ENDED[progress.outcome ?? 'done']}</Words>:{' '}
      <Words>{solved}</Words>. Its steps are below.
    </p>
  )
}
