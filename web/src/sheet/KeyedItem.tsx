import {
  beginTask,
  eraseKey,
  type Keyed,
  keyedEvents,
  NOTHING_TYPED,
  openQuestion,
  typeKey,
} from '@tachymetra/core/session'
import { formAsked, type ListedProblem, sheetItem } from '@tachymetra/core/set'
import { useEffect, useMemo, useRef, useState } from 'react'
import { SorobanFrame } from '../beads/SorobanFrame.js'
import { Entry } from '../entry/Entry.js'
import { KeyButton } from '../entry/KeyButton.js'
import { useKeys } from '../entry/useKeys.js'
import { ItemLine } from '../working/ItemLine.js'
import { Words } from '../written/Words.js'
import { taskOf } from './keying.js'

const SMALL = '(max-width: 40rem), (max-height: 30rem)'

/** The open item: its answer is typed, or marked as right or wrong. */
export function KeyedItem(props: {
  readonly item: ListedProblem
  readonly n: number
  readonly keyed: Keyed
  /** Keyed in, or taken back. */
  readonly onKeyed: (keyed: Keyed) => void
  readonly onMove: (by: number) => void
}) {
  const { item, n, keyed, onKeyed, onMove } = props
  const task = useMemo(() => taskOf(item), [item])
  const question = useMemo(() => openQuestion(beginTask(task))!, [task])
  const [typing, setTyping] = useState({
    ...NOTHING_TYPED,
    text: keyed && 'text' in keyed ? keyed.text : '',
  })
  const [notice, setNotice] = useState('')
  const { kind } = question
  // Of several questions it is only told whether all were right.
  const typed = 'technique' in task || task.questions.length === 1
  const press = (key: string) => {
    const next = typeKey(typing, kind, key, 0)
    setTyping(next)
    setNotice('')
  }
  const take = (text: string) => {
    if (text === '') return onMove(1)
    const read = keyedEvents(task, { text })
    if ('notice' in read) setNotice(read.notice)
    else onKeyed({ text })
  }
  const erase = () => {
    setNotice('')
    if (typing.text === '') onKeyed(undefined)
    else setTyping(eraseKey(typing, 0))
  }
  const mark = (as: 'right' | 'wrong') => onKeyed({ mark: as })
  useKeys(
    {
      ArrowRight: () => mark('right'),
      ArrowLeft: () => mark('wrong'),
      ArrowDown: () => onMove(1),
      ArrowUp: () => onMove(-1),
      Enter: () => take(typing.text),
      Backspace: erase,
    },
    typed ? { keys: [...kind.keys, ...(kind.alsoTyped ?? [])], press } : undefined,
    true,
  )
  const form = formAsked(question.ask)
  const { frame, toDraw } = useMemo(() => sheetItem(item), [item])
  // The keys at the foot of a small screen must not lie over what is typed.
  const panel = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (!matchMedia(SMALL).matches) return
    // After the page itself has gone to its top.
    const timer = setTimeout(() => panel.current?.scrollIntoView({ block: 'start' }))
    return () => clearTimeout(timer)
  }, [])
  return (
    <div ref={panel} className="panel stack">
      <p className="faint">Item {n}</p>
      {'technique' in task && !frame ? <ItemLine problem={task.problem} /> : <Lines item={item} />}
      {frame && !toDraw && <SorobanFrame frame={frame} />}
      {form && (
        <p className="faint" id="asked">
          <Words>{form}</Words>
        </p>
      )}
      {typed ? (
        <Entry
          kind={kind}
          text={typing.text}
          label={`Answer to item ${n}`}
          {...(form && { describedBy: 'asked' })}
          onKey={press}
          onChoose={take}
          onErase={erase}
          onEnter={() => take(typing.text)}
        >
          <p className="said-slip" role="status">
            {notice}
          </p>
        </Entry>
      ) : (
        <p>Right, where all of it is right; else wrong.</p>
      )}
      <div className="row keys-line">
        <KeyButton label="Wrong" shortcut="←" onPress={() => mark('wrong')} />
        <KeyButton label="Right" shortcut="→" onPress={() => mark('right')} />
        <KeyButton label="Back" shortcut="↑" onPress={() => onMove(-1)} />
      </div>
    </div>
  )
}

/** A table, or what is asked about finished work, as it is printed. */
function Lines({ item }: { readonly item: ListedProblem }) {
  const { above, asked } = sheetItem(item)
  return (
    <div className="keyed-lines">
      {above.map((line) => (
        <p key={line} className="mono">
          <Words>{line}</Words>
        </p>
      ))}
      <p>
        <Words>{asked}</Words>
      </p>
    </div>
  )
}
