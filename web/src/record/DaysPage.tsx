import { byTime, dayAfter, weekOf } from '@tachymetra/core/number'
import type { DayWire } from '@tachymetra/core/wire'
import { count } from '@tachymetra/core/words'
import { useState } from 'react'
import { Link } from 'react-router'
import { PlainTable } from '../charts/PlainTable.js'
import { Wide } from '../charts/Wide.js'
import { useLearnerSettings } from '../data/learnerSettings.js'
import { useDays, useProgress } from '../data/queries.js'
import { Loading } from '../frame/Loading.js'
import { Trouble } from '../frame/Trouble.js'
import { dayName, minutesWords } from '../words/words.js'
import { Words } from '../written/Words.js'
import { useItsLearner } from './Record.js'

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const SHORT = 6
const LONG = 26
/** The span that the sentence sums up. */
const LATELY = 28
/** Days with practice in the table beside. */
const LISTED = 12

/** Weeks as rules, a tick a day: the bar on a tick is the time practised, the line across it the minutes wished. */
export default function DaysPage() {
  const learner = useItsLearner()
  const { minutes } = useLearnerSettings(learner.id)
  const days = useDays(learner.id)
  const progress = useProgress(learner.id)
  const failed = [days, progress].find((q) => q.isLoadingError)
  if (failed) return <Trouble error={failed.error!} retry={() => failed.refetch()} />
  if (!days.data || !progress.data) return <Loading />
  if (days.data.length === 0)
    return (
      <p>
        Nothing has been practised yet. <Link to="/">Begin at the desk</Link>; every problem worked then
        stands here, with its time and its mistakes.
      </p>
    )
  const today = progress.data.day
  const lately = days.data.filter((d) => d.day > dayAfter(today, -LATELY))
  const listed = days.data.toSorted((a, b) => byTime(b.day, a.day)).slice(0, LISTED)
  return (
    <div className="side-by-side">
      <figure className="charted">
        <figcaption>
          Practice on {lately.length} of the last {LATELY} days
          <Words>{lately.length > 0 && `, ${minutesWords(total(lately))} together`}</Words>; the dashed line
          is the goal of <Words>{count(minutes, 'minute')}</Words> a day.
        </figcaption>
        <Weeks days={days.data} today={today} minutes={minutes} />
      </figure>
      <PlainTable
        title="The latest days of practice"
        columns={['Day', 'Time', 'Problems', 'Right', 'Facts']}
        rows={listed.map((d) => [
          dayName(d.day),
          minutesWords(d.ms / 60_000),
          String(d.attempts),
          String(d.right),
          String(d.recalls),
        ])}
      />
    </div>
  )
}

const total = (days: readonly DayWire[]) => days.reduce((sum, d) => sum + d.ms, 0) / 60_000

function Weeks(props: {
  readonly days: readonly DayWire[]
  readonly today: string
  readonly minutes: number
}) {
  const { days, today, minutes } = props
  const [all, setAll] = useState(false)
  const of = new Map(days.map((d) => [d.day, d]))
  const monday = weekOf(today)
  const weeks = Array.from({ length: all ? LONG : SHORT }, (_, i) => dayAfter(monday, -7 * i))
  const most = Math.max(minutes * 2, ...days.map((d) => d.ms / 60_000))
  return (
    <>
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
                    <Words>
                      {practised.length > 0
                        ? `${count(practised.length, 'day')}, ${minutesWords(total(practised))}`
                        : '–'}
                    </Words>
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
    </>
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
          <span className="sr-only">
            <Words>{words}</Words>
          </span>
        </>
      )}
    </td>
  )
}
