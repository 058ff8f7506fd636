import type { Recipe } from '@tachymetra/core/set'
import { count, seconds } from '@tachymetra/core/words'
import { useEffect, useRef, useState } from 'react'
import { useNeeds } from '../data/needs.js'
import { KeyButton } from '../entry/KeyButton.js'
import { useKeys } from '../entry/useKeys.js'
import { wakeSound } from '../sound/sound.js'
import { setName } from '../words/setName.js'
import { Words } from '../written/Words.js'

/** How long each word stands before the next. */
const STANDS_MS = 900

const WORDS = ['Ready', 'Go'] as const

/** The start of a round or a trial: it begins at a press, after "ready" and "go". */
export function ReadyGo(props: {
  readonly recipe: Recipe
  readonly items: number
  readonly onGo: () => void
  readonly onStop: () => void
}) {
  const { recipe, items, onGo, onStop } = props
  const { calm } = useNeeds()
  // Which word stands there; undefined until it is started.
  const [at, setAt] = useState<number>()
  const latest = useRef(onGo)
  latest.current = onGo
  useEffect(() => {
    if (at === undefined) return
    const timer = setTimeout(() => (at + 1 < WORDS.length ? setAt(at + 1) : latest.current()), STANDS_MS)
    return () => clearTimeout(timer)
  }, [at])
  const start = () => {
    wakeSound()
    if (at === undefined) setAt(0)
  }
  useKeys({ Enter: start, Escape: onStop }, undefined, true)
  const { clock, extraTime = 1 } = recipe
  const each = clock.kind === 'item' && extraTime !== null && !calm ? clock.ms * extraTime : undefined
  return (
    <div className="ready-go">
      {at === undefined ? (
        <>
          <h1>
            <Words>{setName(recipe)}</Words>
          </h1>
          <p>
            {count(items, 'problem')}
            <Words>{each !== undefined && `, ${seconds(each)} for each`}</Words>. The answer only.{' '}
            {recipe.answers === 'at-end' && 'What was right is said at the end.'}
          </p>
          <div className="row">
            <KeyButton label="Start" shortcut="Enter" onPress={start} main focused />
            <KeyButton label="Not now" shortcut="Esc" onPress={onStop} />
          </div>
        </>
      ) : (
        <p className="ready-word" aria-hidden="true">
          {WORDS[at]}
        </p>
      )}
      <p className="sr-only" role="status">
        {at !== undefined && WORDS[at]}
      </p>
    </div>
  )
}

/** Does a set begin with "ready, go"? */
export const hasStart = ({ round, trial }: Recipe): boolean => round !== undefined || trial !== undefined
