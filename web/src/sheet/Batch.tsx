import type { SheetBatch } from '@tachymetra/core/wire'
import { count } from '@tachymetra/core/words'
import { Button, Popconfirm } from 'antd'
import { Link } from 'react-router'
import { sheetsOf, useForgetBatch } from '../data/given.js'
import { Trouble } from '../frame/Trouble.js'
import { when } from '../words/words.js'
import { SavePdf } from './SavePdf.js'

/** Sheets that were made together. */
export function Batch({ batch, timeZone }: { readonly batch: SheetBatch; readonly timeZone: string }) {
  const { title, madeAt, copies, items, codes } = batch
  const forget = useForgetBatch()
  const [first] = codes
  return (
    <li className="batch">
      <div>
        <Link to={`/papers/sheets/${first}${copies > 1 ? '?all' : ''}`}>
          <bdi>{title}</bdi>
        </Link>{' '}
        <span className="faint">
          {when(madeAt, timeZone)}, {count(items, 'problem')}
          {copies > 1 && `, ${count(copies, 'paper')}`}
        </span>
      </div>
      <p className="codes">
        {codes.map((code) => (
          <Link key={code} className="code" to={`/papers/sheets/${code}`}>
            {code}
          </Link>
        ))}
      </p>
      <div className="row">
        <SavePdf title={title} count={copies} sheets={() => sheetsOf(codes)} />
        <Popconfirm
          title="Throw these sheets away? They can then not be made again or keyed in. What was keyed in stays."
          okText="Throw away"
          cancelText="Cancel"
          onConfirm={() => forget.mutate(batch.batch)}
        >
          <Button size="small" aria-label={`Throw away: ${title}`}>
            Throw away
          </Button>
        </Popconfirm>
      </div>
      {forget.error && <Trouble error={forget.error} />}
    </li>
  )
}
