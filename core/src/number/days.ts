/** Days of the calendar as ISO dates ("2026-03-01"). */

const DAY_MS = 86_400_000
/** Since 1972 every zone is whole quarters of an hour from UTC: within one the day does not change (from memory). */
const QUARTER_MS = 900_000
const QUARTERS_SINCE = Date.UTC(1973, 0)
/** Quarters of an hour whose day is kept, at most. */
const MOST_KEPT = 5000

interface Zone {
  readonly format: Intl.DateTimeFormat
  readonly days: Map<number, string>
}
const zones = new Map<string, Zone>()

/** The date an instant falls on in a time zone. @throws RangeError for an unknown zone, or for no instant at all. */
export function dayIn(instant: string, timeZone: string): string {
  let zone = zones.get(timeZone)
  if (!zone) {
    // The Swedish form of a date is the ISO one.
    const format = new Intl.DateTimeFormat('sv-SE', {
      timeZone,
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
    })
    zone = { format, days: new Map() }
    zones.set(timeZone, zone)
  }
  const { format, days } = zone
  const at = Date.parse(instant)
  if (!(at >= QUARTERS_SINCE)) return format.format(at)
  const quarter = Math.floor(at / QUARTER_MS)
  // Writing a date takes a hundred times as long as looking it up.
  let day = days.get(quarter)
  if (day === undefined) {
    if (days.size >= MOST_KEPT) days.clear()
    day = format.format(at)
    days.set(quarter, day)
  }
  return day
}

/** Orders instants, or dates, in ISO 8601 by time: as plain text, a language's rules for sorting would take many times as long. */
export function byTime(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0
}

/** The date so many days later (earlier when below 0). */
export function dayAfter(day: string, days = 1): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10)
}

/** Whole days from one date to a later one. */
export function daysBetween(from: string, to: string): number {
  return Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS)
}

/** The Monday of a day's week (ISO 8601). */
export function weekOf(day: string): string {
  const weekday = (new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7
  return dayAfter(day, -weekday)
}

/** The instant a time of day ("16:00") comes on a date in a time zone. */
export function instantOf(day: string, time: string, timeZone: string): string {
  const plain = Date.parse(`${day}T${time}:00Z`)
  // The offset at that very moment, found in two steps because it may change on the way.
  const first = plain - offsetMs(plain, timeZone)
  return new Date(plain - offsetMs(first, timeZone)).toISOString()
}

/** How far a zone's clocks are ahead of UTC at an instant, in milliseconds. */
function offsetMs(at: number, timeZone: string): number {
  const parts = new Intl.DateTimeFormat('sv-SE', {
    timeZone,
    dateStyle: 'short',
    timeStyle: 'medium',
  }).format(new Date(at))
  return Date.parse(`${parts.replace(' ', 'T')}Z`) - Math.floor(at / 1000) * 1000
}

/** The years dates are taken in: a clock that says otherwise is wrong. */
const FIRST_YEAR = 2000
const LAST_YEAR = 2099

/** Is this a real date and time in UTC ("2026-11-20T15:00:05.250Z"), in a year that can be meant? */
export function isInstant(text: string): boolean {
  const found = /^(\d{4})-\d\d-\d\dT\d\d:\d\d:\d\d(?:\.\d{1,3})?Z$/.exec(text)
  if (!found) return false
  const [year, time] = [Number(found[1]), Date.parse(text)]
  // A day that is not in its month, or an hour 24, is read as the one after.
  return (
    year >= FIRST_YEAR &&
    year <= LAST_YEAR &&
    Number.isFinite(time) &&
    new Date(time).toISOString().slice(0, 19) === text.slice(0, 19)
  )
}
