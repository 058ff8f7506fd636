import fc from 'fast-check'
import { expect, test } from 'vitest'
import { dayIn } from './days.js'

// Reference: the time zones of the ECMAScript Internationalization API, asked anew for each instant.
test('the day of an instant is the one its zone has, to the last millisecond of it, in every zone', () => {
  const zones = ['UTC', ...Intl.supportedValuesOf('timeZone')]
  const day = (at: number, timeZone: string) =>
    new Intl.DateTimeFormat('en-CA', { timeZone, dateStyle: 'short' }).format(at).replaceAll('/', '-')
  const quarter = 900_000
  const instants = fc
    .tuple(
      fc.integer({ min: Date.UTC(1973, 0) / quarter, max: Date.UTC(2100, 0) / quarter }),
      fc.constantFrom(0, 1, 1000, quarter - 1),
    )
    .map(([n, ms]) => n * quarter + ms)
  fc.assert(
    fc.property(fc.constantFrom(...zones), instants, (zone, at) => {
      // The next one of the same quarter is looked up.
      for (const one of [at, Math.floor(at / quarter) * quarter + quarter - 1, at])
        expect(dayIn(new Date(one).toISOString(), zone)).toBe(day(one, zone))
    }),
    { numRuns: 400 },
  )
  expect(dayIn('1890-06-01T12:00:00.000Z', 'UTC')).toBe('1890-06-01')
  expect(() => dayIn('no instant', 'UTC')).toThrow(RangeError)
})
