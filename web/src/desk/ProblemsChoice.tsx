import { aimOf } from '@tachymetra/core/curriculum'
import type { LearnerSettings } from '@tachymetra/core/learner'
import { type ParameterValues, type Technique, usualValues } from '@tachymetra/core/technique'
import { Parameters } from '../forms/Parameters.js'
import { Ladder, LevelMoves } from './Levels.js'

/** A level, or parameters of one's own. */
export type Problems = { readonly level: number } | { readonly values: ParameterValues }

/** Which problems of a technique: a level of its ladder, or parameters set freely. */
export function ProblemsChoice(props: {
  readonly learnerId: string
  readonly technique: Technique
  readonly problems: Problems
  readonly inForce: number | undefined
  readonly settings: LearnerSettings
  readonly onChange: (problems: Problems | undefined) => void
}) {
  const { learnerId, technique, problems, inForce, settings, onChange } = props
  return (
    <fieldset>
      <legend className="row">
        <label>
          <input
            type="radio"
            name="problems"
            checked={'level' in problems}
            onChange={() => onChange(undefined)}
          />{' '}
          Levels
        </label>
        <label>
          <input
            type="radio"
            name="problems"
            checked={'values' in problems}
            onChange={() => onChange({ values: usualValues(technique.parameters) })}
          />{' '}
          Own settings
        </label>
      </legend>
      {'level' in problems ? (
        <>
          <LevelMoves
            learnerId={learnerId}
            technique={technique}
            level={problems.level}
            inForce={inForce}
            settings={settings}
            onMove={(level) => onChange({ level })}
          />
          <Ladder
            technique={technique}
            level={problems.level}
            inForce={inForce}
            aim={(level) => (settings.calm ? undefined : aimOf(settings, technique.id, level))}
            onChange={(level) => onChange({ level })}
          />
        </>
      ) : (
        <Parameters
          technique={technique}
          values={problems.values}
          onChange={(values) => onChange({ values })}
        />
      )}
    </fieldset>
  )
}
