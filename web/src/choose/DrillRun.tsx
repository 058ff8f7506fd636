import { type DrillId, drillById, practiceName } from '@tachymetra/core/drill'
import type { Times } from '@tachymetra/core/learner'
import { useEffect, useRef } from 'react'
import { KeyButton } from '../entry/KeyButton.js'
import { Trouble } from '../frame/Trouble.js'
import type { LocalSession } from '../kept/store.js'
import { usePractice } from '../practice/usePractice.js'
import { Mark } from '../working/Mark.js'
import { Words } from '../written/Words.js'
import { DrillItem } from './DrillItem.js'

interface Result {
  readonly says: string
  readonly right: boolean
}

/** A drill from its first item to what it came to. */
export function DrillRun(props: {
  readonly drill: DrillId
  readonly set: LocalSession
  readonly times: Times
  readonly onAgain: () => void
  readonly onEnd: () => void
}) {
  const { drill, set, times, onAgain, onEnd } = props
  const practice = usePractice(set)
  const { session, n, item, turn, items } = practice
  const results = session.attempts.map(
    ({ record, verdict }): Result => ({
      says: drillById(drill)!.read(record.expression).says,
      right: verdict.right,
    }),
  )
  return (
    <div className="stack loose">
      <h1>
        {practiceName(drill)}{' '}
        {item && (
          <span className="faint aside">
            {n} of {items.length}
          </span>
        )}
      </h1>
      {practice.trouble && <Trouble error={practice.trouble} />}
      {n !== undefined && item?.kind === 'drill' ? (
        <DrillItem
          key={turn}
          session={session}
          n={n}
          drill={drill}
          text={item.text}
          times={times}
          onHappened={practice.happened}
          onNext={practice.next}
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
            <Mark right={was} /> <Words>{says}</Words>
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
