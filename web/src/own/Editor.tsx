import { type OwnLine, readOwnFile, readOwnLines, readOwnTable } from '@tachymetra/core/exchange'
import { marked } from '@tachymetra/core/number'
import { MOST_NAME, MOST_OWN } from '@tachymetra/core/set'
import { count } from '@tachymetra/core/words'
import { Button, Input, Select } from 'antd'
import { useDeferredValue, useMemo } from 'react'
import { useKeepOwn } from '../data/given.js'
import { FilePick } from '../forms/FilePick.js'
import { techniqueOptions } from '../forms/TechniquePick.js'
import { useDoing } from '../forms/useDoing.js'
import { Trouble } from '../frame/Trouble.js'
import { typedHere, written } from '../written/written.js'
import { Lines } from './Lines.js'

/** A set as it is being put together. */
export interface Draft {
  readonly id: string
  readonly name: string
  readonly technique: string | null
  readonly text: string
  /** Techniques of single problems, as a file had them. */
  readonly own: ReadonlyMap<string, string>
  /** What a file held, as long as nothing of it is changed by hand. */
  readonly read: readonly OwnLine[] | undefined
}

export const emptyDraft = (): Draft => ({
  id: crypto.randomUUID(),
  name: '',
  technique: null,
  text: '',
  own: new Map(),
  read: undefined,
})

const TECHNIQUE_OPTIONS = [{ value: '', label: 'the best for each problem' }, ...techniqueOptions()]

const EXAMPLES = 'for example\n364 + 278\n36 x 52 = 1872\n8341 - 3675\n7/8 as %\nlcm(36, 48)'

/** Typing, pasting or reading problems: each line is checked, and each fault named, before anything is kept. */
export function Editor(props: {
  readonly learnerId: string
  readonly draft: Draft
  /** Names that other sets have. */
  readonly names: readonly string[]
  readonly onChange: (draft: Draft) => void
  readonly onKept: () => void
}) {
  const { learnerId, draft, names, onChange, onKept } = props
  const keep = useKeepOwn(learnerId)
  const [fault, doing] = useDoing()
  // Reading a thousand lines takes a moment: typing must not wait for it.
  const text = useDeferredValue(draft.text)
  const lines = useMemo(
    () =>
      (draft.read ?? readOwnLines(typedHere(text))).map((line): OwnLine => {
        const own = 'problem' in line ? draft.own.get(line.problem.expression) : undefined
        return own && 'problem' in line ? { ...line, problem: { ...line.problem, technique: own } } : line
      }),
    [draft.read, draft.own, text],
  )
  const problems = lines.flatMap((l) => ('problem' in l ? [l.problem] : []))
  const bad = lines.length - problems.length
  const name = draft.name.trim()
  const taken = names.includes(name)
  const store = () =>
    doing(async () => {
      await keep.mutateAsync({ id: draft.id, name, technique: draft.technique, problems })
      onKept()
    })
  const pick = (file: File) =>
    doing(async () => {
      const said = await file.text()
      if (/^\s*\{/.test(said)) {
        const { lines: read, ...rest } = readOwnFile(said)
        onChange({ ...emptyDraft(), ...rest, text: textOf(read), read })
      } else {
        const table = /\.csv$/i.test(file.name)
        const read = table ? readOwnTable(said) : readOwnLines(said)
        onChange({ ...emptyDraft(), name: file.name.replace(/\.\w+$/, ''), text: textOf(read), read })
      }
    })
  return (
    <form
      className="panel stack"
      onSubmit={(event) => {
        event.preventDefault()
        if (problems.length > 0 && name !== '' && !taken) void store()
      }}
    >
      <label htmlFor="own-text">
        <strong>Problems, one on each line</strong>{' '}
        <span className="faint">
          Numbers before them and answers behind them may stand there; an answer is checked. At most{' '}
          {MOST_OWN}.
        </span>
      </label>
      <Input.TextArea
        id="own-text"
        className="mono"
        rows={7}
        value={draft.text}
        placeholder={EXAMPLES}
        spellCheck={false}
        onChange={(event) => onChange({ ...draft, text: event.target.value, read: undefined })}
      />
      <div className="row">
        <FilePick label="Read a file" accept=".csv,.txt,.json" onPick={(file) => void pick(file)} />
        <span className="faint">a list, a table with a column “problem”, or a set somebody sent</span>
      </div>
      <Lines lines={lines} technique={draft.technique} />
      <label htmlFor="own-technique" className="stack tight">
        Worked by
        <Select
          id="own-technique"
          showSearch={{ optionFilterProp: 'label' }}
          value={draft.technique ?? ''}
          options={TECHNIQUE_OPTIONS}
          onChange={(id) => onChange({ ...draft, technique: id || null })}
        />
      </label>
      <label htmlFor="own-name" className="stack tight">
        Name
        <Input
          id="own-name"
          value={draft.name}
          maxLength={MOST_NAME}
          onChange={(event) => onChange({ ...draft, name: event.target.value })}
        />
      </label>
      {taken && <p className="said-slip">There is a set of this name already. Choose another name.</p>}
      {fault && <Trouble error={fault} />}
      <div className="row">
        <Button
          type="primary"
          htmlType="submit"
          disabled={problems.length === 0 || name === '' || taken}
          loading={keep.isPending}
        >
          {problems.length === 0 ? 'Keep' : `Keep ${count(problems.length, 'problem')}`}
        </Button>
        {bad > 0 && problems.length > 0 && (
          <span className="said-slip">
            {bad === 1 ? 'One line with a fault is' : `${bad} lines with a fault are`} left out.
          </span>
        )}
        {(draft.text !== '' || draft.name !== '') && (
          <Button onClick={() => onChange(emptyDraft())}>Clear</Button>
        )}
      </div>
    </form>
  )
}

/** What a file held, as lines that can be mended. */
const textOf = (lines: readonly OwnLine[]): string =>
  lines.map((l) => ('problem' in l ? written(marked(l.problem.expression)) : l.text)).join('\n')
