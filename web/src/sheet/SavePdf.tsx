import type { NewSheet } from '@tachymetra/core/set'
import { Button } from 'antd'
import { useState } from 'react'
import { handOut } from '../data/files.js'
import { useDoing } from '../forms/useDoing.js'
import { Trouble } from '../frame/Trouble.js'
import { pdfOf } from './pdf.js'

/** Saves sheets as one PDF, and tells how far it is. */
export function SavePdf(props: {
  readonly title: string
  readonly count: number
  readonly sheets: () => Promise<readonly NewSheet[]>
}) {
  const { title, count, sheets } = props
  const [done, setDone] = useState<number>()
  const [fault, doing] = useDoing()
  const save = () =>
    doing(async () => {
      setDone(0)
      try {
        handOut(`${title}.pdf`, 'application/pdf', await pdfOf(await sheets(), setDone))
      } finally {
        setDone(undefined)
      }
    })
  return (
    <>
      <Button
        size="small"
        type="primary"
        loading={done !== undefined}
        onClick={() => void save()}
        aria-label={`Save as PDF: ${title}`}
      >
        Save as PDF
      </Button>
      <span role="status" className="faint">
        {done !== undefined && count > 1 && `${done} of ${count} papers`}
      </span>
      {fault && <Trouble error={fault} />}
    </>
  )
}
