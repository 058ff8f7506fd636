import { isKnown, type Mastery } from '@tachymetra/core/curriculum'
import { Link } from 'react-router'
import { KeyButton } from '../entry/KeyButton.js'

/** The techniques that were worked, to be ticked: those known first in mind. */
export function Ticked(props: {
  readonly worked: readonly Mastery[]
  readonly ticked: readonly string[]
  readonly onChange: (ticked: readonly string[]) => void
}) {
  const { worked, ticked, onChange } = props
  const families = [...new Set(worked.map((m) => m.technique.family))]
  return (
    <fieldset className="panel ticked">
      <legend>With these techniques</legend>
      {worked.length === 0 && (
        <p>
          None yet. What you practise at the <Link to="/">desk</Link> can be mixed and chosen from here.
        </p>
      )}
      {worked.length > 1 && (
        <div className="row">
          <KeyButton label="All" onPress={() => onChange(worked.map((m) => m.technique.id))} />
          <KeyButton label="None" onPress={() => onChange([])} />
        </div>
      )}
      {families.map((family) => (
        <div key={family}>
          <h2 className="faint">{family}</h2>
          {worked
            .filter((m) => m.technique.family === family)
            .map((m) => {
              const { id, name } = m.technique
              return (
                <label key={id} className="ticked-technique">
                  <input
                    type="checkbox"
                    checked={ticked.includes(id)}
                    onChange={({ target }) =>
                      onChange(target.checked ? [...ticked, id] : ticked.filter((t) => t !== id))
                    }
                  />{' '}
                  {name} <span className="faint">{isKnown(m) ? 'known' : `level ${m.worked!.level}`}</span>
                </label>
              )
            })}
        </div>
      ))}
    </fieldset>
  )
}
