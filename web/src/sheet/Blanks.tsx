import { Button, Select } from 'antd'
import { useState } from 'react'
import { handOut } from '../data/files.js'
import { useDoing } from '../forms/useDoing.js'
import { Trouble } from '../frame/Trouble.js'
import type { BlankKind } from './blanksPdf.js'

const KINDS: readonly { readonly value: BlankKind; readonly label: string }[] = [
  { value: 'patterns', label: 'Pattern cards of crosswise products' },
  { value: 'rules', label: 'Place rules to write on' },
  { value: 'frames', label: 'Soroban frames to draw on' },
]

/** Cards and blanks for a room without devices. */
export function Blanks() {
  const [kind, setKind] = useState<BlankKind>('patterns')
  const [size, setSize] = useState<'a4' | 'letter'>('a4')
  const [fault, doing] = useDoing()
  const save = () =>
    doing(async () => {
      const { blanksPdf } = await import('./blanksPdf.js')
      const { label } = KINDS.find((k) => k.value === kind)!
      handOut(`${label}.pdf`, 'application/pdf', new Uint8Array(await blanksPdf(kind, label, size)))
    })
  return (
    <section className="stack" aria-labelledby="blanks">
      <h2 id="blanks">Cards and blanks</h2>
      <div className="row">
        <Select
          aria-label="Cards or blanks"
          value={kind}
          options={[...KINDS]}
          onChange={setKind}
          style={{ minWidth: '17rem' }}
        />
        <Select
          aria-label="Paper size of cards and blanks"
          value={size}
          options={[
            { value: 'a4', label: 'A4' },
            { value: 'letter', label: 'Letter' },
          ]}
          onChange={setSize}
        />
        <Button onClick={() => void save()}>Save cards as PDF</Button>
      </div>
      {fault && <Trouble error={fault} />}
    </section>
  )
}
