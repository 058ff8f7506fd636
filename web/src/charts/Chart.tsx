import { useEffect, useRef, useState } from 'react'
import { Fold } from '../frame/Fold.js'
import { Guard, lazily } from '../frame/Guard.js'
import { Words } from '../written/Words.js'
import { written } from '../written/written.js'
import type { Ink } from './axis.js'
import { PlainTable, type TableOf } from './PlainTable.js'

const Plot = lazily(() => import('./Plot.js'), true)

/** How far below the window a chart begins to be fetched. */
const AHEAD = '200px'

/**
 * A chart with the one sentence that says what it shows, and the same figures as a table. Its place is kept free from the
 * start; what draws it is fetched when the place comes into view.
 */
export function Chart(props: {
  readonly says: string
  readonly table: TableOf
  /** Kept the same between renders unless the data change. */
  readonly draw: (c: Ink) => { readonly traces: readonly object[]; readonly layout: object }
}) {
  const { says, table, draw } = props
  const place = useRef<HTMLDivElement>(null)
  const [seen, setSeen] = useState(false)
  useEffect(() => {
    const watcher = new IntersectionObserver(
      (entries) => entries.some((e) => e.isIntersecting) && setSeen(true),
      { rootMargin: AHEAD },
    )
    watcher.observe(place.current!)
    return () => watcher.disconnect()
  }, [])
  return (
    <figure className="charted">
      <figcaption>
        <Words>{says}</Words>
      </figcaption>
      <div ref={place} className="chart">
        {seen && (
          <Guard waiting={null}>
            <Plot label={written(`${says} The figures stand in the table below.`)} draw={draw} />
          </Guard>
        )}
      </div>
      <Fold summary="The same as a table">{() => <PlainTable {...table} />}</Fold>
    </figure>
  )
}
