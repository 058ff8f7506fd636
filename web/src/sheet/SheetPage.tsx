import type { SheetWire } from '@tachymetra/core/wire'
import { count } from '@tachymetra/core/words'
import { useQuery } from '@tanstack/react-query'
import { Button } from 'antd'
import { Link, useParams, useSearchParams } from 'react-router'
import { sheetsOf, useBatches, useSheet } from '../data/given.js'
import { useLearners } from '../data/queries.js'
import { Loading } from '../frame/Loading.js'
import { NotInRecord } from '../frame/Missing.js'
import { when } from '../words/words.js'
import { Printed, PrintedKey } from './Printed.js'
import { SavePdf } from './SavePdf.js'
import './sheet.css'

/** A sheet by its code, or with `?all` every one made with it, as it is printed. */
export default function SheetPage() {
  const { code = '' } = useParams()
  const [search] = useSearchParams()
  const all = search.has('all')
  const one = useSheet(code)
  const batch = useBatches().data?.find((b) => b.codes.includes(one.data?.code ?? ''))
  const others = useQuery({
    queryKey: ['sheets', batch?.batch],
    queryFn: () => sheetsOf(batch!.codes),
    enabled: all && batch !== undefined,
  })
  if (one.isPending || (all && others.isLoading)) return <Loading />
  if (one.isLoadingError) return <NotInRecord what="sheet" error={one.error} retry={() => one.refetch()} />
  const sheets = (all && others.data) || [one.data]
  return <Sheets sheets={sheets} others={!all && batch && batch.copies > 1 ? batch.copies : 0} />
}

function Sheets({ sheets, others }: { readonly sheets: readonly SheetWire[]; readonly others: number }) {
  const [first] = sheets as readonly [SheetWire]
  const { title, code, layout } = first
  const names = new Map(useLearners().data?.map((l) => [l.id, l]))
  return (
    <div className="stack loose">
      <style>{`@page { size: ${layout.size === 'a4' ? 'A4' : 'letter'}; margin: 14mm }`}</style>
      <div className="stack no-print">
        <p>
          <Link to="/papers/sheets">Printed sheets</Link>
        </p>
        <h1>
          <bdi>{title}</bdi>{' '}
          <span className="faint aside">
            {sheets.length > 1 ? count(sheets.length, 'paper') : `code ${code}`}
          </span>
        </h1>
        <div className="row">
          <SavePdf title={title} count={sheets.length} sheets={() => Promise.resolve(sheets)} />
          <Button size="small" onClick={() => window.print()}>
            Print
          </Button>
          {sheets.length === 1 && (
            <Link to={`/papers/sheets/${code}/key`}>
              <Button size="small">Key it in</Button>
            </Link>
          )}
          {others > 0 && <Link to="?all">All {others} papers</Link>}
        </div>
        {sheets.length === 1 && first.keyed.length > 0 && (
          <p>
            Keyed in:{' '}
            {first.keyed.map(({ learnerId, sessionId, at }, i) => (
              <span key={sessionId}>
                {i > 0 && ', '}
                <Link to={`/record/session/${sessionId}`}>
                  <bdi>{names.get(learnerId)?.name ?? 'somebody'}</bdi>
                </Link>{' '}
                {when(at, names.get(learnerId)?.timeZone)}
              </span>
            ))}
          </p>
        )}
      </div>
      {sheets.map((sheet) => (
        <Printed key={sheet.code} sheet={sheet} />
      ))}
      {layout.key !== 'none' && sheets.map((sheet) => <PrintedKey key={sheet.code} sheet={sheet} />)}
    </div>
  )
}
