/** The plan as an iCalendar file, and busy times read from one (RFC 5545), by way of ical.js. */
import ICAL from 'ical.js'
import type { Busy, LearnerSettings } from '../learner/settings.js'
import { instantOf } from '../number/days.js'
import { freeTime, mergedBusy } from '../plan/agenda.js'
import { itemName } from '../plan/today.js'
import type { PlanDay } from '../plan/week.js'
import { InputError } from '../problem/error.js'

/** Largest calendar read, in characters, and most repetitions followed of one event. */
const MOST_CALENDAR = 5_000_000
const MOST_REPEATS = 20_000

/** Octets of a line besides its line break; the library counts one less than is folded. */
const FOLDED_AT = 74
/** What ends the ids of events written here: they are no busy times when they are read again. */
const OWN = '@tachymetra'

/**
 * One event for each day on which something is planned, at the first free time from the wished one on.
 * @param learner whose plan it is; only the id goes into the file, as part of the events' own ids
 * @param now ISO 8601, UTC
 */
export function planCalendar(
  week: readonly PlanDay[],
  settings: LearnerSettings,
  learner: { readonly id: string; readonly timeZone: string },
  now: string,
): string {
  ICAL.foldLength = FOLDED_AT
  const calendar = new ICAL.Component('vcalendar')
  calendar.addPropertyWithValue('version', '2.0')
  calendar.addPropertyWithValue('prodid', '-//Tachymetra//Practice plan//EN')
  calendar.addPropertyWithValue('method', 'PUBLISH')
  for (const { day, items } of week) {
    const start = items.length > 0 && freeTime(settings, day, learner.timeZone)
    if (!start) continue
    const minutes = Math.max(1, Math.round(items.reduce((sum, i) => sum + i.minutes, 0)))
    const event = new ICAL.Component('vevent')
    // The same day keeps its id, so that a plan read again replaces the one before.
    event.addPropertyWithValue('uid', `${day}-${learner.id}${OWN}`)
    event.addPropertyWithValue('dtstamp', utc(now))
    event.addPropertyWithValue('last-modified', utc(now))
    // Counts up, minute by minute, so that a plan made later stands in the place of this one.
    event.addPropertyWithValue('sequence', Math.floor((Date.parse(now) - SEQUENCE_FROM) / 60_000))
    event.addPropertyWithValue('dtstart', utc(start))
    event.addPropertyWithValue('duration', ICAL.Duration.fromSeconds(60 * minutes))
    event.addPropertyWithValue('summary', summary(minutes))
    event.addPropertyWithValue('description', items.map((i) => `${itemName(i)}. ${i.because}`).join('\n'))
    if (settings.alarm !== null) event.addSubcomponent(alarmBefore(settings.alarm, minutes))
    calendar.addSubcomponent(event)
  }
  return `${calendar.toString()}\r\n`
}

/** A reminder that is shown so many minutes before. */
function alarmBefore(before: number, minutes: number): ICAL.Component {
  const alarm = new ICAL.Component('valarm')
  alarm.addPropertyWithValue('action', 'DISPLAY')
  alarm.addPropertyWithValue('description', summary(minutes))
  alarm.addPropertyWithValue('trigger', ICAL.Duration.fromSeconds(-60 * before))
  return alarm
}

const summary = (minutes: number) => `Mental arithmetic, ${minutes} min`

/** From when minutes are counted: the number must stay small for many years. */
const SEQUENCE_FROM = Date.UTC(2026, 0)

function utc(iso: string): ICAL.Time {
  return ICAL.Time.fromJSDate(new Date(iso), true)
}

/**
 * The busy times a calendar tells of: events that are neither cancelled nor transparent, repetitions followed, and
 * free/busy lists.
 * @param from @param to the span asked for, ISO 8601, UTC
 * @param timeZone for times that float
 * @throws InputError when the text is no calendar, or one that cannot be understood
 */
export function readBusy(text: string, from: string, to: string, timeZone: string): Busy[] {
  if (text.length > MOST_CALENDAR) throw new InputError('The calendar is larger than 5 MB.')
  const calendars = parsed(text)
  try {
    return busyIn(calendars, from, to, timeZone)
  } catch {
    // The library reads dates and rules only when they are asked for.
    throw new InputError('The calendar has a date or a repetition that cannot be understood.')
  }
}

function busyIn(calendars: readonly ICAL.Component[], from: string, to: string, timeZone: string): Busy[] {
  const busy: Busy[] = []
  const add = (start: string, end: string) => {
    if (start < end && end > from && start < to) busy.push({ from: start, to: end })
  }
  for (const calendar of calendars) {
    for (const zone of calendar.getAllSubcomponents('vtimezone')) ICAL.TimezoneService.register(zone)
    for (const component of calendar.getAllSubcomponents('vevent')) {
      const status = String(component.getFirstPropertyValue('status') ?? '').toUpperCase()
      const transparent = String(component.getFirstPropertyValue('transp') ?? '').toUpperCase()
      if (status === 'CANCELLED' || transparent === 'TRANSPARENT') continue
      if (String(component.getFirstPropertyValue('uid') ?? '').endsWith(OWN)) continue
      // A changed repetition stands for itself; the series leaves it out.
      const event = new ICAL.Event(component)
      if (!event.startDate) continue
      const named = component.getFirstProperty('dtstart')?.getParameter('tzid')
      const zone = typeof named === 'string' && isZone(named) ? named : timeZone
      for (const [start, end] of times(event, to)) add(instant(start, zone), instant(end, zone))
    }
    for (const list of calendar.getAllSubcomponents('vfreebusy'))
      for (const property of list.getAllProperties('freebusy')) {
        if (String(property.getParameter('fbtype') ?? 'BUSY').toUpperCase() === 'FREE') continue
        for (const period of property.getValues() as ICAL.Period[])
          add(instant(period.start, timeZone), instant(period.getEnd(), timeZone))
      }
  }
  return mergedBusy(busy, from)
}

function parsed(text: string): ICAL.Component[] {
  try {
    const found = ICAL.parse(text) as unknown[]
    // One calendar comes bare, several in a list.
    const calendars = typeof found[0] === 'string' ? [found] : (found as unknown[][])
    const components = calendars.map((c) => new ICAL.Component(c as never))
    if (components.length > 0 && components.every((c) => c.name === 'vcalendar')) return components
  } catch {
    // Said below.
  }
  throw new InputError('This is no iCalendar file.')
}

function* times(event: ICAL.Event, to: string): Generator<[ICAL.Time, ICAL.Time]> {
  if (!event.isRecurring()) {
    yield [event.startDate, event.endDate]
    return
  }
  const iterator = event.iterator()
  for (let i = 0; i < MOST_REPEATS; i += 1) {
    const next = iterator.next()
    if (!next || next.toJSDate().toISOString() > to) return
    const { startDate, endDate, item } = event.getOccurrenceDetails(next)
    // Exceptions are components of their own and read as such.
    if (item === event) yield [startDate, endDate]
  }
}

/** A calendar's time as an instant. @param timeZone for a time whose own zone the file does not define, or that floats */
function instant(time: ICAL.Time, timeZone: string): string {
  const zone = time.zone?.tzid
  if (zone && zone !== 'floating') return time.toJSDate().toISOString()
  const pad = (n: number) => String(n).padStart(2, '0')
  const day = `${time.year}-${pad(time.month)}-${pad(time.day)}`
  return instantOf(day, `${pad(time.hour)}:${pad(time.minute)}`, timeZone)
}

function isZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
    return true
  } catch {
    return false
  }
}
