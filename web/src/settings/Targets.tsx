import { suggestTarget } from '@tachymetra/core/learner'
import { TECHNIQUES, techniqueById } from '@tachymetra/core/registry'
import { seconds, targetWords } from '@tachymetra/core/words'
import { InputNumber, Select } from 'antd'
import { useMemo, useState } from 'react'
import { Wide } from '../charts/Wide.js'
import { useTimes } from '../data/queries.js'
import { variantIn } from '../data/variants.js'
import { Words } from '../written/Words.js'
import type { Section } from './section.js'

/** Targets of one technique, level by level, with what the learner's own times suggest. */
export function Targets({ learner, settings, change }: Section) {
  const times = useTimes(learner.id)
  const [id, setId] = useState(TECHNIQUES[0]!.id)
  const technique = techniqueById(id)
  const own = settings.targets[id] ?? {}
  const suggested = useMemo(
    () =>
      times.data &&
      technique.levels.map((_, i) =>
        suggestTarget(times.data, technique, i + 1, variantIn(settings.variants, technique, i + 1)),
      ),
    [times.data, technique, settings.variants],
  )
  const set = (level: number, ms: number | undefined) => {
    const { [level]: _, ...others } = own
    const levels = ms === undefined ? others : { ...others, [level]: ms }
    const { [id]: __, ...rest } = settings.targets
    change({ targets: Object.keys(levels).length ? { ...rest, [id]: levels } : rest })
  }
  const { extraTime } = settings
  if (extraTime === null)
    return (
      <section className="stack" aria-labelledby="targets">
        <h2 id="targets">Targets</h2>
        <p>
          <bdi>{learner.name}</bdi> practises without a time limit, so there is nothing to aim for but right
          answers.
        </p>
      </section>
    )
  return (
    <section className="stack" aria-labelledby="targets">
      <div className="row">
        <h2 id="targets">Targets</h2>
        <Select
          aria-label="Targets of"
          value={id}
          options={TECHNIQUES.map((t) => ({ value: t.id, label: t.name }))}
          onChange={setId}
          style={{ minWidth: '15rem' }}
        />
      </div>
      <Wide label="Targets by level">
        <table className="plain-table">
          <thead>
            <tr>
              <th scope="col">Level</th>
              <th scope="col">Usual</th>
              <th scope="col">Your target, seconds</th>
              <th scope="col">Expected now</th>
              <th scope="col">Suggested</th>
            </tr>
          </thead>
          <tbody>
            {technique.levels.map((level, i) => {
              const n = i + 1
              const hint = suggested?.[i]
              return (
                <tr key={level.name}>
                  <th scope="row">
                    {n} <span className="faint">{level.name}</span>
                  </th>
                  <td>
                    <Words>{targetWords(level.targetMs * extraTime)}</Words>
                  </td>
                  <td>
                    <InputNumber
                      aria-label={`Own target for level ${n}, seconds`}
                      min={0.5}
                      max={600}
                      step={0.5}
                      value={own[n] === undefined ? null : own[n] / 1000}
                      placeholder="the usual"
                      onChange={(s) => set(n, s === null ? undefined : Math.round(s * 1000))}
                      style={{ width: '6.5rem' }}
                    />
                  </td>
                  <td>
                    <Words>{hint ? seconds(hint.likelyMs) : '–'}</Words>
                  </td>
                  <td>
                    {hint && hint.ms !== (own[n] ?? level.targetMs * extraTime) && (
                      <button type="button" className="key-button" onClick={() => set(n, hint.ms)}>
                        Use <Words>{targetWords(hint.ms)}</Words>
                        <span className="sr-only"> for level {n}</span>
                      </button>
                    )}
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </Wide>
      <p className="faint">
        A learner who is slower than the usual target aims for a tenth less than their own pace at that level.
        After 30 answers the aim is the pace they keep. A target you set here is used instead. “Expected now”
        adds up the learner’s own times for the facts, carries and steps of problems like these; a target asks
        for a tenth less.
      </p>
    </section>
  )
}
