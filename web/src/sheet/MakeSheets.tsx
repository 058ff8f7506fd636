import { unmarked } from '@tachymetra/core/number'
import { listedOwn } from '@tachymetra/core/report'
import {
  type Choosable,
  CODE_BASE,
  CODE_LENGTH,
  codeOf,
  GENERATOR,
  MOST_COPIES,
  MOST_NAME,
  type NewSheet,
  problemsOf,
  SHEET_COLUMNS,
  type SheetLayout,
  sheetList,
  USUAL_LAYOUT,
  type Which,
} from '@tachymetra/core/set'
import { count } from '@tachymetra/core/words'
import { Button, Checkbox, Input, InputNumber, Progress, Select } from 'antd'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { freshSeed } from '../data/fresh.js'
import { storeSheets } from '../data/given.js'
import { useSettings } from '../data/settings.js'
import { FIRST } from '../forms/firstSet.js'
import { useDoing } from '../forms/useDoing.js'
import { WhichSet } from '../forms/WhichSet.js'
import { Trouble } from '../frame/Trouble.js'
import { setName } from '../words/setName.js'

type Layout = Omit<SheetLayout, 'numbers'>

const freshCode = () => {
  const drawn = crypto.getRandomValues(new Uint32Array(CODE_LENGTH))
  return codeOf([...drawn].map((n) => n % CODE_BASE))
}

/** Which problems, how many different papers, and how they are laid out. */
export function MakeSheets({ kept }: { readonly kept: Choosable }) {
  const navigate = useNavigate()
  const { numbers } = useSettings()
  const [which, setWhich] = useState<Which>({ ...FIRST, count: 20 })
  const [title, setTitle] = useState('')
  const [copies, setCopies] = useState(1)
  const [layout, setLayout] = useState<Layout>(USUAL_LAYOUT)
  const [done, setDone] = useState<number>()
  const [fault, doing] = useDoing()
  const make = () =>
    doing(async () => {
      setDone(0)
      try {
        const [batch, madeAt] = [crypto.randomUUID(), new Date().toISOString()]
        const sheets: NewSheet[] = []
        for (let copy = 1; copy <= copies; copy += 1) {
          const seed = freshSeed()
          const problems = problemsOf(which, kept, listedOwn, seed)
          const recipe = {
            ...problems,
            clock: { kind: 'none' },
            support: 'answer',
            answers: 'at-end',
          } as const
          const name = (title.trim() || unmarked(setName(recipe))).slice(0, MOST_NAME)
          const list = sheetList({ recipe, seed, generator: GENERATOR })
          const { marks } = problems
          sheets.push({
            code: freshCode(),
            batch,
            copy,
            copies,
            title: name,
            madeAt,
            layout: { ...layout, numbers },
            list,
            ...(marks && { marks }),
          })
          // So that the page goes on meanwhile.
          await new Promise((resolve) => setTimeout(resolve))
        }
        await storeSheets(sheets, setDone)
        await navigate(`/papers/sheets/${sheets[0]!.code}${copies > 1 ? '?all' : ''}`)
      } finally {
        setDone(undefined)
      }
    })
  return (
    <form
      className="panel stack"
      onSubmit={(event) => {
        event.preventDefault()
        void make()
      }}
    >
      <WhichSet which={which} kept={kept} onChange={setWhich} />
      <label htmlFor="sheet-title" className="stack tight">
        Title
        <Input
          id="sheet-title"
          value={title}
          maxLength={MOST_NAME}
          placeholder="as what is practised"
          onChange={(event) => setTitle(event.target.value)}
        />
      </label>
      <label htmlFor="sheet-copies" className="row">
        Different papers
        <InputNumber
          id="sheet-copies"
          min={1}
          max={MOST_COPIES}
          precision={0}
          value={copies}
          onChange={(n) => n && setCopies(n)}
          style={{ width: '5.5rem' }}
        />
        <span className="faint">
          {which.from === 'own' && !which.mixed
            ? 'the same problems on each'
            : 'each with problems of its own'}
        </span>
      </label>
      <LayoutChoice layout={layout} onChange={(some) => setLayout({ ...layout, ...some })} />
      {fault && <Trouble error={fault} />}
      {done !== undefined && (
        <Progress percent={Math.round((100 * done) / copies)} aria-label="Sheets made" />
      )}
      <Button type="primary" size="large" htmlType="submit" loading={done !== undefined}>
        Make {count(copies, 'sheet')}
      </Button>
    </form>
  )
}

function LayoutChoice(props: {
  readonly layout: Layout
  readonly onChange: (some: Partial<Layout>) => void
}) {
  const { layout, onChange } = props
  return (
    <fieldset className="layout-choice">
      <legend>Layout</legend>
      <Select
        aria-label="Paper size"
        value={layout.size}
        options={[
          { value: 'a4', label: 'A4' },
          { value: 'letter', label: 'Letter' },
        ]}
        onChange={(size) => onChange({ size })}
      />
      <Select
        aria-label="Columns"
        value={layout.columns}
        options={SHEET_COLUMNS.map((n) => ({ value: n, label: count(n, 'column') }))}
        onChange={(columns) => onChange({ columns })}
      />
      <Select
        aria-label="Room"
        value={layout.room}
        options={[
          { value: 'answer', label: 'a line for the answer' },
          { value: 'work', label: 'room to work in' },
        ]}
        onChange={(room) => onChange({ room })}
      />
      <Select
        aria-label="Key"
        value={layout.key}
        options={[
          { value: 'none', label: 'no key' },
          { value: 'answers', label: 'key with the answers' },
          { value: 'worked', label: 'key with each step' },
        ]}
        onChange={(key) => onChange({ key })}
      />
      <Checkbox checked={layout.large} onChange={(event) => onChange({ large: event.target.checked })}>
        Large figures
      </Checkbox>
    </fieldset>
  )
}
