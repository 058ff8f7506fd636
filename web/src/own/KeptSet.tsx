import { writeOwnFile, writeOwnTable } from '@tachymetra/core/exchange'
import { techniqueById } from '@tachymetra/core/registry'
import { listedOwn } from '@tachymetra/core/report'
import { SUPPORT_NAMES, SUPPORTS, type Support } from '@tachymetra/core/session'
import { MOST_ITEMS, plainRecipe, problemsOf } from '@tachymetra/core/set'
import type { OwnSetWire } from '@tachymetra/core/wire'
import { count } from '@tachymetra/core/words'
import { Button, Checkbox, InputNumber, Popconfirm, Select } from 'antd'
import { useId, useState } from 'react'
import { useNavigate } from 'react-router'
import { beginSession } from '../data/begin.js'
import { handOut } from '../data/files.js'
import { freshSeed } from '../data/fresh.js'
import { useForgetOwn } from '../data/given.js'
import { useDoing } from '../forms/useDoing.js'
import { Trouble } from '../frame/Trouble.js'
import { wakeSound } from '../sound/sound.js'

const USUALLY = 20

/** One set of own problems: to be practised, sent, changed or let go. */
export function KeptSet(props: {
  readonly learnerId: string
  readonly set: OwnSetWire
  readonly onChange: () => void
}) {
  const { learnerId, set, onChange } = props
  const { problems, name, technique } = set
  const navigate = useNavigate()
  const forget = useForgetOwn(learnerId)
  const most = Math.min(MOST_ITEMS, problems.length)
  const [many, setMany] = useState(Math.min(USUALLY, most))
  const [mixed, setMixed] = useState(false)
  const [support, setSupport] = useState<Support>('answer')
  const [fault, doing] = useDoing()
  const id = useId()
  const practise = () => {
    wakeSound()
    void doing(async () => {
      const which = { from: 'own', set: set.id, count: Math.min(many, most), mixed } as const
      const { sources } = problemsOf(which, { own: [set], papers: [] }, listedOwn, freshSeed())
      await navigate(await beginSession(learnerId, { ...plainRecipe(sources, support), name }))
    })
  }
  return (
    <article className="kept-set stack tight" aria-label={name}>
      <h3>
        <bdi>{name}</bdi>{' '}
        <span className="faint aside">
          {count(problems.length, 'problem')},{' '}
          {technique ? techniqueById(technique).name.toLowerCase() : 'the best way for each'}
        </span>
      </h3>
      <div className="row">
        <label htmlFor={`${id}-many`} className="row">
          How many
          <InputNumber
            id={`${id}-many`}
            min={1}
            max={most}
            precision={0}
            value={many}
            onChange={(n) => n && setMany(n)}
            style={{ width: '5.5rem' }}
          />
        </label>
        <Checkbox checked={mixed} onChange={(event) => setMixed(event.target.checked)}>
          at random
        </Checkbox>
        <Select
          aria-label={`Support for ${name}`}
          value={support}
          options={SUPPORTS.map((s) => ({ value: s, label: SUPPORT_NAMES[s] }))}
          onChange={setSupport}
          style={{ minWidth: '8rem' }}
        />
        <Button type="primary" onClick={practise} aria-label={`Practise ${name}`}>
          Practise
        </Button>
      </div>
      <div className="row small">
        <Button
          size="small"
          aria-label={`Send as a file: ${name}`}
          onClick={() => handOut(`${name}.json`, 'application/json', writeOwnFile(set))}
        >
          Send as a file
        </Button>
        <Button
          size="small"
          aria-label={`Save as a table: ${name}`}
          onClick={() => handOut(`${name}.csv`, 'text/csv', writeOwnTable(set))}
        >
          Save as a table
        </Button>
        <Button size="small" aria-label={`Change: ${name}`} onClick={onChange}>
          Change
        </Button>
        <Popconfirm
          title={
            <>
              Delete <bdi>{name}</bdi>? What was worked stays in the record.
            </>
          }
          okText="Delete"
          cancelText="Cancel"
          onConfirm={() => forget.mutate(set.id)}
        >
          <Button size="small" aria-label={`Delete: ${name}`}>
            Delete
          </Button>
        </Popconfirm>
      </div>
      {fault && <Trouble error={fault} />}
      {forget.error && <Trouble error={forget.error} />}
    </article>
  )
}
