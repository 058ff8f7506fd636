import { sheetRecipe } from '@tachymetra/core/set'
import type { LearnerWire, SheetWire } from '@tachymetra/core/wire'
import { count } from '@tachymetra/core/words'
import { Button } from 'antd'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { useSheet } from '../data/given.js'
import { LearnerSelect } from '../forms/LearnerSelect.js'
import { useDoing } from '../forms/useDoing.js'
import { Loading } from '../frame/Loading.js'
import { NotInRecord } from '../frame/Missing.js'
import { OneLearner } from '../frame/OneLearner.js'
import { Trouble } from '../frame/Trouble.js'
import { flush } from '../kept/outbox.js'
import { usePractice } from '../practice/usePractice.js'
import { when } from '../words/words.js'
import { Words } from '../written/Words.js'
import { KeyedItem } from './KeyedItem.js'
import {
  type KeyedSheet,
  keptDraft,
  keyedAttempts,
  keyedSession,
  keyedWords,
  letGoDraft,
  noteDraft,
  taskOf,
} from './keying.js'
import './sheet.css'

/** A sheet that was worked on paper, keyed in for one learner: answers, or only what was right. */
export default function KeyInPage() {
  const { code = '' } = useParams()
  const sheet = useSheet(code)
  if (sheet.isPending) return <Loading />
  if (sheet.isLoadingError)
    return <NotInRecord what="sheet" error={sheet.error} retry={() => sheet.refetch()} />
  return (
    <OneLearner>
      {(learner, all) => <KeyIn key={learner.id} sheet={sheet.data} learner={learner} all={all} />}
    </OneLearner>
  )
}

function KeyIn(props: {
  readonly sheet: SheetWire
  readonly learner: LearnerWire
  readonly all: readonly LearnerWire[]
}) {
  const { sheet, learner, all } = props
  const { code, title, list } = sheet
  const navigate = useNavigate()
  const [keyed, setKeyed] = useState<KeyedSheet>(
    () => keptDraft(code, learner.id) ?? list.map(() => undefined),
  )
  const [session] = useState(() => keyedSession(learner.id, sheetRecipe(sheet)))
  // What is keyed in may be changed until it is handed in, all at once.
  const practice = usePractice(
    session,
    Math.max(
      0,
      keyed.findIndex((k) => !k),
    ) + 1,
  )
  const { n = 1 } = practice
  const goTo = (to: number) => practice.goTo(Math.max(1, Math.min(list.length, to)))
  const [fault, doing] = useDoing()
  const before = sheet.keyed.filter((k) => k.learnerId === learner.id)
  const given = keyed.filter(Boolean).length
  const change = (next: KeyedSheet) => {
    setKeyed(next)
    noteDraft(code, learner.id, next)
  }
  const store = () =>
    doing(async () => {
      await practice.handIn(keyedAttempts(session, list, keyed))
      letGoDraft(code, learner.id)
      await flush()
      await navigate(`/record/session/${session.id}`)
    })
  return (
    <div className="stack loose">
      <p>
        <Link to={`/papers/sheets/${code}`}>
          <bdi>{title}</bdi>, {code}
        </Link>
      </p>
      <h1>Key in a sheet</h1>
      <div className="row">
        <span id="whose">Worked by</span>
        <LearnerSelect learner={learner} all={all} labelledBy="whose" />
        {before.length > 0 && (
          <span className="said-slip" role="status">
            Keyed in for <bdi>{learner.name}</bdi> already, {when(before[0]!.at, learner.timeZone)}.
          </span>
        )}
      </div>
      <p>
        Type each answer and press Enter, or press <kbd>→</kbd> where it is right and <kbd>←</kbd> where it is
        wrong. Skip an item without an answer. Nothing of it is timed.
      </p>
      <div className="keying-in">
        <div className="stack">
          <KeyedItem
            key={n}
            item={list[n - 1]!}
            n={n}
            keyed={keyed[n - 1]}
            onKeyed={(one) => {
              change(keyed.with(n - 1, one))
              if (one) goTo(n + 1)
            }}
            onMove={(by) => goTo(n + by)}
          />
          {fault && <Trouble error={fault} />}
          <div className="row">
            <Button type="primary" size="large" disabled={given === 0} onClick={() => void store()}>
              {before.length > 0 ? 'Store it once more' : `Store ${count(given, 'answer')}`}
            </Button>
            <span className="faint">
              {given} of {list.length}
            </span>
          </div>
        </div>
        <ol className="keyed-list" aria-label="All items">
          {list.map((item, i) => (
            <li key={i}>
              <button
                type="button"
                className={i + 1 === n ? 'lit' : ''}
                aria-current={i + 1 === n ? 'true' : undefined}
                onClick={() => goTo(i + 1)}
              >
                <span className="number">{i + 1}</span>
                <span className="mono">
                  <Words>{keyedWords(taskOf(item), keyed[i])}</Words>
                </span>
              </button>
            </li>
          ))}
        </ol>
      </div>
    </div>
  )
}
