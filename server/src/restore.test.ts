/** A backup may come from anywhere: what could not have been written by this program is refused, and nothing is changed. */
import { copyFileSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import type { Holdings } from '@tachymetra/core/wire'
import Driver from 'better-sqlite3'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { isSound } from './store/files/opening.js'
import { testServer } from './testing.js'

const { database, data, base, get } = testServer('2026-03-10')

/** A copy of the database with something done to it, packed as a backup is. */
function packed(name: string, change: (driver: Driver.Database) => void): Buffer {
  database.db.$client.pragma('wal_checkpoint(TRUNCATE)')
  const copy = join(data, `${name}.copy`)
  copyFileSync(join(data, 'test.sqlite'), copy)
  const driver = new Driver(copy)
  change(driver)
  driver.pragma('wal_checkpoint(TRUNCATE)')
  driver.pragma('journal_mode = DELETE')
  driver.close()
  return gzipSync(readFileSync(copy))
}

async function upload(path: string, body: Buffer) {
  const response = await fetch(`${base()}${path}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: new Uint8Array(body),
  })
  return { status: response.status, body: (await response.json()) as { detail: string } & Holdings }
}

const HOSTILE: Readonly<Record<string, (driver: Driver.Database) => void>> = {
  'settings that are no JSON': (d) => d.exec(`update learner_settings set settings = 'not at all'`),
  'settings of another shape': (d) => d.exec(`update learner_settings set settings = '{"minutes":"many"}'`),
  'a path for an id': (d) =>
    d.exec(`insert into learner (id, name, time_zone, demo) values ('../../x', 'X', 'UTC', 0)`),
  'a name of a million letters': (d) => d.prepare('update learner set name = ?').run('x'.repeat(1e6)),
  'a formula for a problem': (d) =>
    d.exec(
      `update attempt set expression = '=HYPERLINK("http://x")' where id in (select id from attempt limit 1)`,
    ),
  'a text where a number belongs': (d) => d.exec(`update practice_day set ms = 'long' where rowid = 1`),
  'a verdict nobody gives': (d) =>
    d.exec(
      `update attempt set entries = '[{"text":"1","verdict":"splendid"}]' where id in (select id from attempt limit 1)`,
    ),
  'a recipe for endless problems': (d) =>
    d.exec(
      `update session set recipe = json_set(recipe, '$.sources[0].count', 100000000) where id in (select id from session limit 1)`,
    ),
  'a day that is none': (d) =>
    d.exec(
      `update attempt set started_at = '+272024-01-01T00:00:00.000Z' where id in (select id from attempt limit 1)`,
    ),
  'a text that is none, as the driver would end the process over it': (d) =>
    d.exec(`update learner set name = name || cast(x'61ff62' as text) where demo = 1`),
  'a text that is none behind a zero byte': (d) =>
    d.exec(`update learner set name = cast(x'6100ff' as text) where rowid = 1`),
  'a trigger': (d) => d.exec('create trigger t after insert on learner begin delete from attempt; end'),
  'a column that reckons': (d) => d.exec('create table odd (a, b generated always as (a || a))'),
}

for (const [what, change] of Object.entries(HOSTILE))
  test(`${what}: refused with its reason, and nothing is changed`, async () => {
    const before = await get<Holdings>('/holdings')
    const bytes = packed(what.replaceAll(' ', '-'), change)
    for (const path of ['/restore/look', '/restore']) {
      const { status, body } = await upload(path, bytes)
      expect({ status, detail: body.detail }).toEqual({
        status: 422,
        detail: expect.stringMatching(/^The (backup|file) .*Nothing was changed\.$/),
      })
    }
    expect(await get('/holdings')).toEqual(before)
    expect(readdirSync(data).filter((f) => f.startsWith('.working-') || f.startsWith('before-'))).toEqual([])
  })

test('a file that would fill the disk when unpacked is refused before it does; the copy nobody changed is taken', async () => {
  const bomb = gzipSync(Buffer.alloc(200 * 2 ** 20))
  expect(bomb.length).toBeLessThan(2 ** 20)
  const { status, body } = await upload('/restore/look', bomb)
  expect([status, body.detail]).toEqual([422, 'The backup is too large when unpacked. Nothing was changed.'])
  writeFileSync(join(data, 'whole'), '')
  expect(
    (
      await upload(
        '/restore/look',
        packed('whole', () => {}),
      )
    ).body,
  ).toEqual(await get('/holdings'))
})

test('a database with a text that is none, in a row, a name or another encoding, is not sound: the driver would end the process', () => {
  const bytes = gunzipSync(
    packed('texts', (d) => d.exec(`update learner set name = 'Änne Quist' where rowid = 1`)),
  )
  const file = join(data, 'texts.sqlite')
  const soundWith = (change: (bytes: Buffer) => void) => {
    const changed = Buffer.from(bytes)
    change(changed)
    writeFileSync(file, changed)
    return isSound(file)
  }
  expect(soundWith(() => {})).toBe(true)
  expect(soundWith((b) => void b.writeUInt8(0xff, b.indexOf('Änne')))).toBe(false)
  // Where the encoding of the file is kept: https://www.sqlite.org/fileformat.html, 1.3.13.
  expect(soundWith((b) => void b.writeUInt32BE(2, 56))).toBe(false)
  const renamed = (b: Buffer) => {
    for (let at = b.indexOf('room_count'); at >= 0; at = b.indexOf('room_count')) b[at] = 0xff
  }
  expect(soundWith(renamed)).toBe(false)
})

test('whatever bytes of it are changed, a file is taken or refused: the server never fails', async () => {
  const whole = gunzipSync(packed('fuzzed', (d) => d.exec('delete from attempt')))
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.tuple(fc.nat(whole.length - 1), fc.nat(255)), { minLength: 1, maxLength: 40 }),
      fc.boolean(),
      async (changes, cut) => {
        const bytes = Buffer.from(whole)
        for (const [at, byte] of changes) bytes[at] = byte
        const sent = gzipSync(cut ? bytes.subarray(0, changes[0]![0]) : bytes)
        expect([200, 422]).toContain((await upload('/restore/look', sent)).status)
      },
    ),
    // The second asks for a version of the format that cannot be written.
    {
      numRuns: 25,
      examples: [
        [[[0, 0]], true],
        [[[18, 3]], false],
      ],
    },
  )
})
