import { type DrillId, drillById, practiceName } from '@tachymetra/core/drill'
import type { Times } from '@tachymetra/core/learner'
import { OWN_LEVEL } from '@tachymetra/core/registry'
import { figuresOf, JUDGE, type Progress } from '@tachymetra/core/session'
import { useEffect, useRef, useState } from 'react'
import { keepVisited, type Visit } from '../data/visited.js'
import { KeyButton } from '../parts/KeyButton.js'
import { Mark } from '../parts/Mark.js'
import { Trouble } from '../parts/Trouble.js'
import { DrillItem } from './DrillItem.js'

interface Result {
  readonly says: string
  readonly right: boolean
}

/** A drill from its first item to what it came to. */
export function DrillRun(props: {
  readonly drill: DrillId
  readonly set: Visit
  readonly times: Times
  readonly onAgain: () => void
  readonly onEnd: () => void
}) {
  const { drill, set, times, onAgain, onEnd } = props
  const [results, setResults] = useState<readonly Result[]>([])
  const [trouble, setTrouble] = useState<Error>()
  const last = useRef<Result>(undefined)
  const n = results.length + 1
  const item = set.items[n - 1]
  const keep = (
    progress: Progress,
    begun: { id: string; startedAt: string },
    events: Parameters<typeof keepVisited>[2]['events'],
    text: string,
  ) => {
    if (progress.outcome !== undefined)
      last.current = { says: drillById(drill)!.read(text).says, right: figuresOf(progress).right }
    const record = {
      ...begun,
      sessionId: set.id,
      n,
      technique: drill,
      variant: {},
      level: OWN_LEVEL,
      expression: text,
      support: 'answer',
      judge: JUDGE,
      events,
    } as const
    keepVisited(set, progress, record).catch(setTrouble)
  }
  return (
    <div className="stack loose">
      <h1>
        {practiceName(drill)}{' '}
        {item && (
          <span className="faint aside">
            {n} of {set.items.length}
          </span>
        )}
      </h1>
      {trouble && <Trouble error={trouble} />}
      {item?.kind === 'drill' ? (
        <DrillItem
          key={n}
          drill={drill}
          text={item.text}
          times={times}
          onChange={(progress, begun, events) => keep(progress, begun, events, item.text)}
          onNext={() => setResults([...results, last.current!])}
          onStop={onEnd}
        />
      ) : (
        <Ended results={results} onAgain={onAgain} onEnd={onEnd} />
      )}
    </div>
  )
}

/** What a drill came to. */
function Ended(props: {
  readonly results: readonly Result[]
  readonly onAgain: () => void
  readonly onEnd: () => void
}) {
  const { results, onAgain, onEnd } = props
  const head = useRef<HTMLParagraphElement>(null)
  useEffect(() => head.current?.focus(), [])
  const right = results.filter((r) => r.right).length
  return (
    <>
      <p className="big drill-end" ref={head} tabIndex={-1}>
        {right === results.length
          ? `All ${right} right first time.`
          : `${right} of ${results.length} right first time.`}
      </p>
      <ul className="plain-list drill-results">
        {results.map(({ says, right: was }) => (
          <li key={says}>
            <Mark right={was} /> {says}
          </li>
        ))}
      </ul>
      <div className="row">
        <KeyButton label="Again" onPress={onAgain} main />
        <KeyButton label="Choose something else" onPress={onEnd} />
      </div>
    </>
  )
}
