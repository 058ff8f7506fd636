import { planCalendar, readBusy } from '@tachymetra/core/exchange'
import { ALARMS, type LearnerSettings } from '@tachymetra/core/learner'
import { dayAfter, instantOf } from '@tachymetra/core/number'
import { mergedBusy } from '@tachymetra/core/plan'
import { Button, Select } from 'antd'
import { useState } from 'react'
import { handOut } from '../data/files.js'
import { usePlan } from '../data/plan.js'
import { FilePick } from '../forms/FilePick.js'
import { Trouble } from '../frame/Trouble.js'
import type { Section } from './section.js'

/** How far ahead busy times are read, and how many are kept. */
const DAYS_AHEAD = 90
const MOST_BUSY = 1000

const REMINDERS: { value: LearnerSettings['alarm']; label: string }[] = [
  { value: null, label: 'no reminder' },
  ...ALARMS.map((value) => ({
    value,
    label: value === 0 ? 'reminder at the time' : `reminder ${value} minutes before`,
  })),
]

/** The plan taken out as a calendar, and busy times read from one. */
export default function Calendar({ learner, settings, change }: Section) {
  const plan = usePlan(learner)
  const [fault, setFault] = useState<Error>()
  // What was known before it was forgotten or read anew, to be put back.
  const [before, setBefore] = useState<LearnerSettings['busy']>()
  const [now] = useState(() => new Date().toISOString())
  const ahead = mergedBusy(settings.busy, now)
  const read = async (file: File) => {
    try {
      const until = instantOf(dayAfter(now.slice(0, 10), DAYS_AHEAD), '00:00', learner.timeZone)
      const busy = readBusy(await file.text(), now, until, learner.timeZone)
      setFault(undefined)
      setBefore(ahead.length > 0 ? settings.busy : undefined)
      change({ busy: busy.slice(0, MOST_BUSY) })
    } catch (error) {
      setFault(error as Error)
    }
  }
  return (
    <section className="stack" aria-labelledby="calendar">
      <h2 id="calendar">Calendar</h2>
      <p>
        The week’s practice can be taken into any calendar. Busy times read from a calendar move practice to a
        free hour of the day, or make it a day of rest; only the times are kept, no titles.
      </p>
      <div className="row">
        <Button
          disabled={!plan}
          onClick={() =>
            plan &&
            handOut(
              `Practice of ${learner.name}.ics`,
              'text/calendar',
              planCalendar(plan.week(), settings, learner, now),
            )
          }
        >
          Take out the week (iCalendar)
        </Button>
        <Select
          aria-label="Reminder"
          value={settings.alarm}
          options={REMINDERS}
          onChange={(alarm) => change({ alarm })}
          style={{ minWidth: '14rem' }}
        />
      </div>
      <div className="row">
        <FilePick label="Read busy times" accept=".ics,text/calendar" onPick={(file) => void read(file)} />
        {ahead.length > 0 && (
          <Button
            onClick={() => {
              setBefore(settings.busy)
              change({ busy: [] })
            }}
          >
            Delete busy times
          </Button>
        )}
        {before && (
          <Button
            onClick={() => {
              setBefore(undefined)
              change({ busy: before })
            }}
          >
            Undo: the busy times as before
          </Button>
        )}
      </div>
      <p className="faint" role="status">
        {ahead.length > 0
          ? `${ahead.length} busy ${ahead.length === 1 ? 'time' : 'times'} ahead are known.`
          : 'No busy times are known.'}
      </p>
      {fault && <Trouble error={fault} />}
    </section>
  )
}
