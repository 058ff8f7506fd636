import { keyItem, type NewSheet, sheetItem } from '@tachymetra/core/set'
import type { CSSProperties } from 'react'
import { SorobanFrame } from '../beads/SorobanFrame.js'
import { writtenPlain } from '../written/written.js'

/** A text just as it was stored: numbers written as they were when the sheet was made, whatever is chosen since. */
function Letters(props: { readonly text: string; readonly numbers: NewSheet['layout']['numbers'] }) {
  return <span>{writtenPlain(props.text, props.numbers)}</span>
}

/** A sheet as a page: the problems in columns, with a line for each answer. */
export function Printed({ sheet }: { readonly sheet: NewSheet }) {
  const { title, code, copy, copies, layout, list } = sheet
  const { numbers } = layout
  return (
    <section
      className={`printed${layout.large ? ' large' : ''} ${layout.room}`}
      aria-label={copies > 1 ? `${title}, paper ${copy}` : title}
      style={{ '--columns': layout.columns } as CSSProperties}
    >
      <Head title={title} sheet={sheet} />
      <p className="printed-name">
        {copies > 1 && `Paper ${copy} of ${copies}`} <span>Name</span>
      </p>
      <ol className="printed-items" aria-label={`Problems of ${code}`}>
        {list.map((listed, i) => {
          const { asked, above, form, starred, frame, toDraw } = sheetItem(listed)
          return (
            <li key={i}>
              <span className="faint">
                {starred && '*'}
                {i + 1}.
              </span>{' '}
              <span>
                {above.map((line) => (
                  <b key={line} className="above">
                    <Letters text={line} numbers={numbers} />
                  </b>
                ))}
                <Letters text={asked} numbers={numbers} />
                {form && (
                  <small>
                    (<Letters text={form} numbers={numbers} />)
                  </small>
                )}
                {frame && <SorobanFrame frame={frame} look={toDraw ? 'empty' : 'beads'} />}
              </span>
              {!toDraw && <i />}
            </li>
          )
        })}
      </ol>
    </section>
  )
}

/** Its key, on a page of its own. */
export function PrintedKey({ sheet }: { readonly sheet: NewSheet }) {
  const { title, code, layout, list } = sheet
  const worked = layout.key === 'worked'
  const { numbers } = layout
  return (
    <section
      className={`printed key${worked ? ' worked' : ''}`}
      aria-label={`Key: ${title}, ${code}`}
      style={{ '--columns': worked ? 2 : 4 } as CSSProperties}
    >
      <Head title={title} sheet={sheet} keyed />
      <ol className="printed-items">
        {list.map((listed, i) => {
          const { answer, band, steps, frame } = keyItem(listed, worked)
          const { asked, starred, toDraw } = sheetItem(listed)
          return (
            <li key={i}>
              <span className="faint">
                {starred && '*'}
                {i + 1}.
              </span>{' '}
              <span>
                <strong>
                  <Letters text={(worked && !toDraw ? asked : '') + answer} numbers={numbers} />
                </strong>
                {[...(band ? [band] : []), ...steps].map((line) => (
                  <small key={line}>
                    <Letters text={line} numbers={numbers} />
                  </small>
                ))}
                {frame && <SorobanFrame frame={frame} />}
              </span>
            </li>
          )
        })}
      </ol>
    </section>
  )
}

function Head(props: { readonly title: string; readonly sheet: NewSheet; readonly keyed?: boolean }) {
  const { title, sheet, keyed } = props
  return (
    <header className="row spread">
      <h2>
        {keyed && 'Key: '}
        <bdi>{title}</bdi>
      </h2>
      <strong className="code">{sheet.code}</strong>
    </header>
  )
}
