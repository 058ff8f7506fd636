/** Work in other threads and processes: the same is found there as here, and what hangs is ended. */
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { judgeRecord } from '@tachymetra/core/session'
import { demoLearners } from '@tachymetra/core/simulate'
import { afterAll, expect, test } from 'vitest'
import { openDatabase } from './store/files/opening.js'
import { choreProcesses } from './work/chores.js'
import { judgePool } from './work/judge.js'

/** Threads and processes run what is compiled. */
const compiled = (name: string) => join(import.meta.dirname, '../dist/work', name)
const pool = judgePool(compiled('judge.worker.js'))
const processes = choreProcesses(compiled('chore.process.js'))
afterAll(() => Promise.all([pool.close(), processes.close()]))

test('an attempt is judged alike in another thread, right or wrong; what does not hang together is refused alike', async () => {
  const records = demoLearners('2026-03-10')
    .flatMap((l) => l.sessions.flatMap((s) => s.attempts))
    .filter((_, i) => i % 40 === 0)
  const judged = await Promise.all(records.map((record) => pool.judge(record)))
  expect(judged).toEqual(records.map((record) => judgeRecord(record)))
  expect(judged.some((v) => v.entries.some((e) => e.slips.length > 0))).toBe(true)
  const endless = { ...records[0]!, events: records[0]!.events.slice(0, 1) }
  await expect(pool.judge(endless)).rejects.toThrow('no end')
  const long = { ...endless, expression: `${'1+'.repeat(40)}1` }
  await expect(pool.judge(long)).rejects.toThrow()
})

test('backups and the demo are made, and backups looked at, in a process of its own; a file that is none is refused in words', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'tachymetra-work-'))
  const file = join(folder, 'a.sqlite')
  const { db, close } = openDatabase(file)
  db.$client.exec(
    `insert into learner (id, name, time_zone, demo) values ('6f1b0c5e-0000-4000-8000-000000000001', 'Wim', 'UTC', 0)`,
  )
  const packed = join(folder, 'a.tachymetra')
  await processes.chores.backUp(file, packed)
  expect(await processes.chores.look(packed)).toMatchObject({ learners: 1, attempts: 0 })
  const events: string[] = []
  const alone = async <T>(work: () => Promise<T>) => {
    events.push('alone')
    const result = await work()
    events.push('over')
    return result
  }
  db.$client.exec('delete from learner')
  const keep = join(folder, 'before.tachymetra')
  expect(await processes.chores.restore({ packed, database: file, keep }, alone)).toMatchObject({
    learners: 1,
  })
  expect(events).toEqual(['alone', 'over'])
  expect(db.$client.prepare('select name from learner').all()).toMatchObject([{ name: 'Wim' }])
  expect(await processes.chores.look(keep)).toMatchObject({ learners: 0 })
  const fill = () => processes.chores.fillWithDemo(file, '2026-03-10', alone)
  expect(await fill()).toBe(0)
  db.$client.exec('delete from learner')
  expect(await fill()).toBeGreaterThan(1000)
  expect(db.$client.prepare('select count(*) as n from learner where demo').get()).toMatchObject({ n: 8 })
  expect(events).toHaveLength(6)
  writeFileSync(packed, 'nothing')
  await expect(processes.chores.look(packed)).rejects.toThrow('not a complete backup')
  await expect(processes.chores.backUp(join(folder, 'none', 'b'), packed)).rejects.toThrow()
  // What the disk says comes across, so that it can be told in words.
  const nowhere = processes.chores.backUp(file, join(folder, 'none', 'b.tachymetra'))
  await expect(nowhere).rejects.toMatchObject({ code: 'ENOENT' })
  close()
})

test('a process that hangs is ended with the server, and whoever waits is told', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'tachymetra-hang-'))
  const script = join(folder, 'hang.mjs')
  writeFileSync(script, 'process.once("message", () => { for (;;); })')
  const hanging = choreProcesses(script)
  const waiting = [hanging.chores.look('a'), hanging.chores.backUp('a', 'b')]
  const told = Promise.allSettled(waiting)
  await new Promise((resolve) => setTimeout(resolve, 800))
  hanging.close()
  expect((await told).map((t) => t.status)).toEqual(['rejected', 'rejected'])
})
