import { readCode } from '@tachymetra/core/set'
import type { LearnerWire } from '@tachymetra/core/wire'
import { Button, Input } from 'antd'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useBatches, useOwnSets } from '../data/given.js'
import { useLearnerSettings } from '../data/learnerSettings.js'
import { OneLearner } from '../frame/OneLearner.js'
import { PaperPages } from '../frame/PaperPages.js'
import { Trouble } from '../frame/Trouble.js'
import { Batch } from './Batch.js'
import { Blanks } from './Blanks.js'
import { MakeSheets } from './MakeSheets.js'
import './sheet.css'

/** Printed sheets: made from any set, printed, and keyed back in by their codes. */
export default function SheetsPage() {
  return <OneLearner>{(learner) => <Sheets key={learner.id} learner={learner} />}</OneLearner>
}

function Sheets({ learner }: { readonly learner: LearnerWire }) {
  const { papers } = useLearnerSettings(learner.id)
  const own = useOwnSets(learner.id)
  const batches = useBatches()
  return (
    <div className="stack loose">
      <h1>Printed sheets</h1>
      <PaperPages />
      <div className="sheets-page">
        <MakeSheets kept={{ own: own.data ?? [], papers }} />
        <div className="stack loose">
          <ByCode />
          <section className="stack" aria-labelledby="made">
            <h2 id="made">Sheets so far</h2>
            {batches.isLoadingError && <Trouble error={batches.error} retry={() => batches.refetch()} />}
            {batches.data?.length === 0 && <p>None yet.</p>}
            <ul className="plain-list">
              {batches.data?.map((batch) => (
                <Batch key={batch.batch} batch={batch} timeZone={learner.timeZone} />
              ))}
            </ul>
          </section>
          <Blanks />
        </div>
      </div>
    </div>
  )
}

/** A sheet found by the code that is printed on it. */
function ByCode() {
  const navigate = useNavigate()
  const [text, setText] = useState('')
  const [wrong, setWrong] = useState(false)
  return (
    <form
      className="row"
      onSubmit={(event) => {
        event.preventDefault()
        const code = readCode(text)
        setWrong(code === undefined)
        if (code) void navigate(`/papers/sheets/${code}`)
      }}
    >
      <label htmlFor="sheet-code">Code of a sheet</label>
      <Input
        id="sheet-code"
        className="code sheet-code"
        value={text}
        maxLength={12}
        autoComplete="off"
        placeholder="XXXX-XXXX"
        onChange={(event) => {
          setText(event.target.value)
          setWrong(false)
        }}
      />
      <Button htmlType="submit" disabled={text.trim() === ''}>
        Open
      </Button>
      <p role="status" className="said-slip">
        {wrong && 'A sign of this code is wrong or missing. Look at the sheet again.'}
      </p>
    </form>
  )
}
