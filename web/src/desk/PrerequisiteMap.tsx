import type { Mastery, MasteryState } from '@tachymetra/core/curriculum'
import { COURSE, TECHNIQUES, techniqueById } from '@tachymetra/core/registry'
import type { Technique } from '@tachymetra/core/technique'
import { listed, MASTERY_NAMES } from '@tachymetra/core/words'
import { type CSSProperties, memo } from 'react'
import { layoutMap } from './layout.js'
import './desk.css'

const { spots, columns, rows } = layoutMap()
const spotOf = new Map(spots.map((s) => [s.technique.id, s]))

interface Props {
  readonly mastery: readonly Mastery[]
  readonly chosen: string
  readonly onChoose: (techniqueId: string) => void
}

/** Every technique, from what stands alone at the left to what needs the most; a line leads from each to those it opens. */
export const PrerequisiteMap = memo(function PrerequisiteMap(props: Props) {
  const { chosen } = props
  return (
    <fieldset className="map-frame">
      <legend>
        Technique <Key />
      </legend>
      <div className="map" style={{ '--map-columns': columns, '--map-rows': rows } as CSSProperties}>
        <svg viewBox={`0 0 ${columns * 100} ${rows * 100}`} preserveAspectRatio="none" aria-hidden="true">
          {spots.flatMap((to) =>
            to.technique.needs.map((id) => {
              const from = spotOf.get(id)!
              const [x1, y1] = [from.column * 100 + 88, from.row * 100 + 50]
              const [x2, y2] = [to.column * 100, to.row * 100 + 50]
              const touched = to.technique.id === chosen || id === chosen
              return (
                <path
                  key={`${id} ${to.technique.id}`}
                  className={touched ? 'touched' : ''}
                  d={`M${x1} ${y1} C${x1 + 18} ${y1} ${x2 - 18} ${y2} ${x2} ${y2}`}
                />
              )
            }),
          )}
        </svg>
        {spots.map(({ technique, column, row }) => (
          <Node
            key={technique.id}
            {...props}
            technique={technique}
            style={{ '--column': column, '--row': row } as CSSProperties}
          />
        ))}
      </div>
      <h3 id="paper-kinds">Kinds of a paper</h3>
      <div className="paper-kinds">
        {PAPER.map((technique) => (
          <Node key={technique.id} {...props} technique={technique} />
        ))}
      </div>
    </fieldset>
  )
})

/** The kinds of a paper are learnt beside the course: a region of its own, in the order they are best learnt. */
const PAPER = TECHNIQUES.filter((t) => t.family === 'paper')

/** One technique to be chosen, with how far the learner is. */
function Node(props: Props & { readonly technique: Technique; readonly style?: CSSProperties }) {
  const { mastery, chosen, onChoose, technique, style } = props
  const { state } = mastery.find((m) => m.technique.id === technique.id)!
  return (
    <label className={`node ${state}`} style={style}>
      <input
        type="radio"
        name="technique"
        aria-label={`${technique.name}, ${MASTERY_NAMES[state]}`}
        aria-description={relations(technique)}
        checked={technique.id === chosen}
        onChange={() => onChoose(technique.id)}
      />
      <MasteryMark state={state} />
      <span>{technique.name}</span>
      {technique.family !== 'paper' && <span className="family faint">{technique.family}</span>}
    </label>
  )
}

/** What the lines of the map say: what a technique needs, and what it leads to. */
function relations({ id, needs, family }: Technique): string {
  const later = (family === 'paper' ? TECHNIQUES : COURSE)
    .filter((t) => t.needs.includes(id))
    .map((t) => t.name)
  const first = needs.map((n) => techniqueById(n).name)
  return `${first.length > 0 ? `Needs ${listed(first)}.` : 'Needs the facts only.'}${later.length > 0 ? ` Leads to ${listed(later)}.` : ''}`
}

/** Told apart by shape: a filled tick, a half, an open square, a dotted one. */
export function MasteryMark({ state }: { readonly state: MasteryState }) {
  return (
    <svg className={`mastery ${state}`} viewBox="0 0 14 14" aria-hidden="true">
      <rect x="1.5" y="1.5" width="11" height="11" />
      {(state === 'known' || state === 'fading') && <path d="M3.5 7.3l2.4 2.6 4.8-5.6" />}
      {state === 'practised' && <path className="half" d="M1.5 12.5v-11h5.500v11z" />}
    </svg>
  )
}

function Key() {
  return (
    <span className="map-key faint">
      {(Object.keys(MASTERY_NAMES) as MasteryState[]).map((state) => (
        <span key={state}>
          <MasteryMark state={state} /> {MASTERY_NAMES[state]}
        </span>
      ))}
    </span>
  )
}
