import { Checkbox } from 'antd'
import type { Section } from './section.js'

/** What has to be read before anything flashes, and a coach's leave for more. */
export function Cautions({ settings, change }: Section) {
  const { cautions } = settings
  return (
    <section className="stack" aria-labelledby="cautions">
      <h2 id="cautions">Cautions</h2>
      <p>
        Flashing pictures can provoke seizures in people who are sensitive to light. Nothing comes faster than
        three times a second unless a coach allows it.
      </p>
      <Checkbox
        checked={cautions.read}
        onChange={(event) =>
          change({
            cautions: { read: event.target.checked, lifted: event.target.checked && cautions.lifted },
          })
        }
      >
        I have read the caution about flashing
      </Checkbox>
      <Checkbox
        checked={cautions.lifted}
        disabled={!cautions.read}
        onChange={(event) => change({ cautions: { ...cautions, lifted: event.target.checked } })}
      >
        I am the coach and allow faster flashing
      </Checkbox>
    </section>
  )
}
