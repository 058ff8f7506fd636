import type { Sheet } from '@tachymetra/core/report'
import { Button, Select } from 'antd'
import { useState } from 'react'
import { PlainTable } from '../charts/PlainTable.js'
import { handOut } from '../data/files.js'
import { useLearners } from '../data/queries.js'
import { useDoing } from '../forms/useDoing.js'
import { Loading } from '../frame/Loading.js'
import { Trouble } from '../frame/Trouble.js'
import { Words } from '../written/Words.js'
import { writtenPlain } from '../written/written.js'
import { useItsLearner } from './Record.js'
import { useSheets } from './sheets.js'

/** Progress sheets of one learner or several, to be printed or kept as one PDF. */
export default function SheetPage() {
  const learner = useItsLearner()
  const all = useLearners().data ?? []
  const [ids, setIds] = useState<readonly string[]>([learner.id])
  const chosen = all.filter((l) => ids.includes(l.id))
  const read = useSheets(chosen)
  const failed = read.find((q) => q.isLoadingError)
  const sheets = read.flatMap((q) => q.data ?? [])
  const whole = sheets.length > 0 && sheets.length === chosen.length
  return (
    <div className="stack loose">
      <div className="row no-print">
        <Select
          aria-label="Learners"
          mode="multiple"
          value={[...ids]}
          options={all.map((l) => ({ value: l.id, label: l.name }))}
          optionRender={({ label }) => <bdi>{label}</bdi>}
          labelRender={({ label }) => <bdi>{label}</bdi>}
          optionFilterProp="label"
          placeholder="Choose learners"
          onChange={setIds}
          style={{ minWidth: '16rem', maxWidth: '34rem' }}
        />
        {ids.length < all.length && (
          <Button onClick={() => setIds(all.map((l) => l.id))}>All {all.length}</Button>
        )}
        <Out sheets={whole ? sheets : []} />
      </div>
      {failed ? (
        <Trouble error={failed.error!} retry={() => void failed.refetch()} />
      ) : (
        !whole && chosen.length > 0 && <Loading />
      )}
      {sheets.map((sheet) => (
        <section key={sheet.title} className="stack loose sheet">
          <h2>
            <bdi>{sheet.title}</bdi>
          </h2>
          {sheet.lines.map((line) => (
            <p key={line}>
              <Words>{line}</Words>
            </p>
          ))}
          <div className="sheet-tables">
            {sheet.tables.map((table) => (
              <PlainTable key={table.title} {...table} />
            ))}
          </div>
        </section>
      ))}
    </div>
  )
}

/** A sheet with its numbers as they are written here. */
function writtenHere(sheet: Sheet): Sheet {
  const all = (texts: readonly string[]) => texts.map((text) => writtenPlain(text))
  const tables = sheet.tables.map((t) => ({ ...t, rows: t.rows.map(all) }))
  return { ...sheet, lines: all(sheet.lines), tables }
}

/** Ways to take the sheets along; none are given while one is still on its way. */
function Out({ sheets }: { readonly sheets: readonly Sheet[] }) {
  const [fault, doing] = useDoing()
  const [first] = sheets
  const asPdf = () =>
    doing(async () => {
      const { sheetPdf } = await import('../print/sheetPdf.js')
      const title =
        sheets.length === 1 ? first!.title : `Progress of ${sheets.length} learners, ${first!.day}`
      handOut(
        `${title}.pdf`,
        'application/pdf',
        new Uint8Array(await sheetPdf(title, sheets.map(writtenHere))),
      )
    })
  return (
    <>
      <Button type="primary" disabled={!first} onClick={() => void asPdf()}>
        Save as PDF
      </Button>
      <Button disabled={!first} onClick={() => window.print()}>
        Print
      </Button>
      {fault && <Trouble error={fault} />}
    </>
  )
}
