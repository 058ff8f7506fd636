import { dayAfter, weekOf } from '@tachymetra/core/number'
import type { DayWire } from '@tachymetra/core/wire'
import { useState } from 'react'
import { useDays } from '../data/queries.js'
import { Loading } from '../parts/Loading.js'
import { Trouble } from '../parts/Trouble.js'
import { Wide } from '../parts/Wide.js'
import { dayName, minutesWords } from '../parts/words.js'
import './record.css'

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const SHORT = 6
const LONG = 26

/** Weeks as rules, a tick a day: the bar on a tick is the time practised, the line across it the minutes wished. */
export function Days(props: {
  readonly learnerId: string
  readonly today: string
  readonly minutes: number
}) {
  const { learnerId, today, minutes } = props
  const days = useDays(learnerId)
  const [all, setAll] = useState(false)
  if (days.isPending) return <Loading />
  if (days.isLoadingError) return <Trouble error={days.error} retry={() => days.refetch()} />
  const of = new Map(days.data.map((d) => [d.day, d]))
  const monday = weekOf(today)
  const weeks = Array.from({ length: all ? LONG : SHORT }, (_, i) => dayAfter(monday, -7 * i))
  const most = Math.max(minutes * 2, ...days.data.map((d) => d.ms / 60_000))
  return (
    <section className="stack" aria-labelledby="days">
      <h2 id="days">Days</h2>
      <Wide label="Days of practice by week">
        <table className="day-rules">
          <thead>
            <tr>
              <th scope="col">Week of</th>
              {WEEKDAYS.map((name) => (
                <th key={name} scope="col">
                  {name}
                </th>
              ))}
              <th scope="col">Total</th>
            </tr>
          </thead>
          <tbody>
            {weeks.map((week) => {
              const its = WEEKDAYS.map((_, i) => dayAfter(week, i))
              const practised = its.flatMap((day) => of.get(day) ?? [])
              const ms = practised.reduce((sum, d) => sum + d.ms, 0)
              return (
                <tr key={week}>
                  <th scope="row">{dayName(week).slice(4)}</th>
                  {its.map((day) => (
                    <Day
                      key={day}
                      day={day}
                      done={of.get(day)}
                      most={most}
                      wish={minutes}
                      ahead={day > today}
                    />
                  ))}
                  <td className="faint">
                    {practised.length > 0
                      ? `${practised.length} ${practised.length === 1 ? 'day' : 'days'}, ${minutesWords(ms / 60_000)}`
                      : '–'}
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </Wide>
      <div>
        <button type="button" className="key-button" onClick={() => setAll(!all)}>
          {all ? `The last ${SHORT} weeks` : 'Half a year'}
        </button>
      </div>
    </section>
  )
}

function Day(props: {
  readonly day: string
  readonly done: DayWire | undefined
  readonly most: number
  readonly wish: number
  readonly ahead: boolean
}) {
  const { day, done, most, wish, ahead } = props
  const minutes = (done?.ms ?? 0) / 60_000
  const words = done
    ? `${minutesWords(minutes)}: ${done.attempts} problems, ${done.right} right, ${done.recalls} facts`
    : 'no practice'
  return (
    <td className={ahead ? 'ahead' : ''} title={ahead ? undefined : `${dayName(day)}: ${words}`}>
      {!ahead && (
        <>
          <span className="day-bar" aria-hidden="true">
            <i className="wish" style={{ bottom: `${(100 * wish) / most}%` }} />
            {done && (
              <i
                className={minutes >= wish ? 'bar full' : 'bar'}
                style={{ height: `${Math.max(6, (100 * minutes) / most)}%` }}
              />
            )}
          </span>
          <span className="sr-only">{words}</span>
        </>
      )}
    </td>
  )
}
