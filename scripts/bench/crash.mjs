/**
 * Killed at any moment: the server is ended with SIGKILL while it writes, backs up, restores, brings in, removes, and
 * brings an older database up to date. After each kill its files are looked at: nothing acknowledged may be lost, nothing
 * doubled, and everything that is counted must be what counting again gives.
 */
import { spawn, spawnSync } from 'node:child_process'
import { cpSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { isDeepStrictEqual } from 'node:util'
import { gunzipSync } from 'node:zlib'
import { FACT_DECKS } from '../../core/dist/facts/index.js'
import { seeded } from '../../core/dist/number/index.js'
import { JUDGE } from '../../core/dist/session/index.js'
import { demoLearners } from '../../core/dist/simulate/index.js'
import { openDatabase } from '../../server/dist/store/files/opening.js'
import { recount } from '../../server/dist/store/recount.js'
import { ROOT } from '../prepare.mjs'

const { sql } = await import(
  createRequire(new URL('../../server/package.json', import.meta.url)).resolve('drizzle-orm')
)

/** How many kills each way, and how long after the work begins the latest of them comes. */
const KILLS = { writing: 60, backup: 20, restore: 50, 'bring-in': 25, removal: 30, upgrade: 15 }
/** Backups and restores have a process of their own, which takes a while to begin. */
const LATEST_MS = { writing: 900, backup: 1500, restore: 4000, 'bring-in': 900, removal: 600, upgrade: 1100 }
const CLIENTS = 6
const SEED = 11

export async function run() {
  const random = seeded(SEED)
  const found = { kills: 0, acknowledged: 0, lost: 0, doubled: 0, half: 0, damaged: 0, differ: 0 }
  process.stdout.write('\nKilled at any moment\n')
  for (const [kind, kills] of Object.entries(KILLS)) {
    const before = { ...found }
    const world = new World(kind, random)
    await world.prepare()
    for (let i = 0; i < kills; i += 1) {
      await world.kill(LATEST_MS[kind] * random.unit())
      found.kills += 1
      world.check(found)
    }
    world.clear()
    const here = Object.entries(found).map(([name, n]) => `${name} ${n - before[name]}`)
    process.stdout.write(`  ${kind.padEnd(10)} ${here.join(', ')}\n`)
  }
  const all = Object.entries(found).map(([name, n]) => `${name} ${n}`)
  process.stdout.write(`  together   ${all.join(', ')}\n`)
  if (found.lost + found.doubled + found.half + found.damaged + found.differ > 0) process.exitCode = 1
}

/** A data folder, the server on it, and what it has acknowledged. */
class World {
  constructor(kind, random) {
    this.kind = kind
    this.random = random
    this.data = mkdtempSync(join(tmpdir(), 'tachymetra-crash-'))
    this.acknowledged = new Map()
    this.sent = new Map()
    this.removed = new Set()
    this.made = 0
    const learners = demoLearners('2026-03-01').slice(0, 3)
    this.pattern = learners.flatMap((l) => l.sessions).filter((s) => s.attempts.length > 0)
  }

  uuid() {
    this.made += 1
    return `00000000-0000-4000-8000-${String(this.made).padStart(12, '0')}`
  }

  async prepare() {
    if (this.kind === 'upgrade') return
    await this.start()
    this.learners = []
    for (let i = 0; i < CLIENTS; i += 1) this.learners.push(await this.learner())
    for (const learner of this.learners) await this.work(learner, 12)
    if (this.kind === 'restore') {
      this.backup = Buffer.from(await (await fetch(`${this.url}/api/backup`)).arrayBuffer())
      this.states = [await this.counts()]
      await this.work(this.learners[0], 30)
      this.states.push(await this.counts())
    }
  }

  async learner() {
    const id = this.uuid()
    await this.put(`/learners/${id}`, { name: `L${this.made}`, timeZone: 'Pacific/Auckland' })
    return id
  }

  counts() {
    return fetch(`${this.url}/api/holdings`).then((r) => r.json())
  }

  async start() {
    this.child = spawn(process.execPath, ['scripts/serve.mjs', '--empty'], {
      cwd: ROOT,
      env: { ...process.env, PORT: '0', HOST: '127.0.0.1', TACHYMETRA_DATA: this.data },
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    this.gone = new Promise((done) => this.child.once('exit', done))
    this.url = await new Promise((ready, fail) => {
      let said = ''
      const hear = (chunk) => {
        said += chunk
        const address = /http:\/\/\S+/.exec(said)
        if (address) ready(address[0])
      }
      this.child.stdout.on('data', hear)
      this.child.stderr.on('data', hear)
      this.gone.then(() => fail(new Error(`the server ended: ${said}`)))
    })
  }

  async put(path, body) {
    const response = await fetch(`${this.url}/api${path}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    })
    if (!response.ok) throw new Error(`${response.status} ${await response.text()}`)
    this.acknowledged.set(path, body)
  }

  /** What a browser sends: a session, its attempts and some recalls, each until it is acknowledged. */
  async work(learnerId, most) {
    const { attempts, ...pattern } = this.pattern[Number(this.random.below(BigInt(this.pattern.length)))]
    const { startedAt, recipe, seed, generator } = pattern
    const sessionId = this.uuid()
    const parcels = [[`/sessions/${sessionId}`, { learnerId, startedAt, recipe, seed, generator }]]
    for (const { id: _, ...attempt } of attempts.slice(0, most)) {
      parcels.push([`/attempts/${this.uuid()}`, { ...attempt, sessionId }])
      const { cards } = FACT_DECKS[Number(this.random.below(4n))]
      const card = cards[Number(this.random.below(BigInt(cards.length)))]
      const text = card.kind.print(card.expect)
      const events = [{ kind: 'entered', at: 900, text, first: 700, last: 900 }]
      const recall = { learnerId, fact: card.id, at: attempt.startedAt, judge: JUDGE, keyMs: 180, events }
      parcels.push([`/recalls/${this.uuid()}`, recall])
    }
    for (const [path, body] of parcels) {
      this.sent.set(path, body)
      await this.put(path, body)
    }
  }

  /** Does its work and is killed in the middle of it; then is there again. */
  async kill(after) {
    if (this.kind === 'upgrade') {
      for (const name of readdirSync(this.data)) rmSync(join(this.data, name), { recursive: true })
      const packed = new URL('../../server/src/fixtures/version-4.sqlite.gz', import.meta.url)
      mkdirSync(this.data, { recursive: true })
      writeFileSync(join(this.data, 'tachymetra.sqlite'), gunzipSync(readFileSync(packed)))
      const started = this.start().catch(() => {})
      await new Promise((go) => setTimeout(go, after))
      this.child.kill('SIGKILL')
      await Promise.all([this.gone, started])
    } else {
      const working = this.doing()
      await new Promise((go) => setTimeout(go, after))
      this.child.kill('SIGKILL')
      await this.gone
      await working
      await choresOver()
    }
    this.look()
    await this.start()
    // What was not acknowledged is sent again, as a browser would.
    if (this.kind === 'writing')
      for (const [path, body] of this.sent) if (!this.acknowledged.has(path)) await this.put(path, body)
  }

  doing() {
    const quiet = (promise) => promise.catch(() => {})
    switch (this.kind) {
      case 'writing':
        return Promise.all(
          this.learners
            .map(async (learner) => {
              for (;;) await this.work(learner, 8)
            })
            .map(quiet),
        )
      case 'backup':
        return quiet(fetch(`${this.url}/api/backup`).then((r) => r.arrayBuffer()))
      case 'restore':
        return quiet(
          fetch(`${this.url}/api/restore`, {
            method: 'POST',
            headers: { 'Content-Type': 'application/octet-stream' },
            body: this.backup,
          })
            .then((r) => r.json())
            .then(() => {
              this.restored = true
            }),
        )
      case 'bring-in':
        return quiet(this.bringIn())
      case 'removal':
        return quiet(this.remove())
    }
  }

  async bringIn() {
    const { attempts, startedAt, recipe, seed, generator } =
      this.pattern[Number(this.random.below(BigInt(this.pattern.length)))]
    const sessionId = this.uuid()
    const rows = Array.from({ length: 100 }, (_, i) => {
      const attempt = { ...attempts[i % attempts.length], id: this.uuid(), sessionId }
      this.sent.set(`/attempts/${attempt.id}`, attempt)
      return { attempt, session: { startedAt, recipe, seed, generator } }
    })
    const response = await fetch(`${this.url}/api/learners/${this.learners[0]}/attempts`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ rows }),
    })
    for (const [i, answer] of (await response.json()).entries())
      if (answer.stored) this.acknowledged.set(`/attempts/${rows[i].attempt.id}`, rows[i].attempt)
  }

  async remove() {
    const id = await this.learner()
    await this.work(id, 8)
    this.removing = id
    await fetch(`${this.url}/api/learners/${id}`, {
      method: 'DELETE',
      headers: { 'Content-Type': 'application/json' },
      body: '{}',
    })
    this.removed.add(id)
  }

  /** The files as the kill has left them, in a folder of their own. */
  look() {
    // What is acknowledged from here on is not in these files.
    this.due = new Map(this.acknowledged)
    this.seen = mkdtempSync(join(tmpdir(), 'tachymetra-seen-'))
    for (const name of readdirSync(this.data).filter((n) => n.startsWith('tachymetra.sqlite')))
      cpSync(join(this.data, name), join(this.seen, name))
  }

  check(found) {
    const { db, close } = openDatabase(join(this.seen, 'tachymetra.sqlite'))
    // Whoever was being erased is erased at the next start; until then what is left of them is in no list.
    db.run(sql.raw("delete from learner where removed_at < '1971'"))
    const all = (query) => db.all(sql.raw(query))
    const one = (query) => Object.values(db.get(sql.raw(query)))[0]
    if (one('pragma integrity_check') !== 'ok' || all('pragma foreign_key_check').length > 0)
      found.damaged += 1
    if (this.kind === 'upgrade') {
      const attempts = one('select count(*) from attempt')
      if (attempts !== 52) found.lost += Math.abs(52 - attempts)
      if (all("select 1 from attempt where events = '[]'").length > 0) found.half += 1
      found.acknowledged += 52
    } else if (this.kind === 'restore') {
      const counts = {
        attempts: one('select count(*) from attempt'),
        recalls: one('select count(*) from fact_recall'),
      }
      const which = this.states.findIndex(
        (s) => s.attempts === counts.attempts && s.recalls === counts.recalls,
      )
      if (which < 0) found.half += 1
      if (this.restored && which !== 0) found.lost += 1
      if (this.restored) found.acknowledged += 1
    } else this.compare(db, found)
    const counted = () => JSON.stringify(TABLES.map((t) => all(`select * from ${t}`).map(stable).sort()))
    const before = counted()
    recount(db)
    if (counted() !== before) found.differ += 1
    close()
    rmSync(this.seen, { recursive: true })
  }

  compare(db, found) {
    const gone = new Set([...this.removed, ...(this.removing ? [this.removing] : [])])
    const rows = new Map(db.all(sql.raw('select id, events, session_id from attempt')).map((r) => [r.id, r]))
    const recalls = new Map(db.all(sql.raw('select id, fact from fact_recall')).map((r) => [r.id, r]))
    const of = (body) => body.learnerId ?? this.sent.get(`/sessions/${body.sessionId}`)?.learnerId
    for (const [path, body] of this.due) {
      if (gone.has(of(body))) continue
      const id = path.split('/')[2]
      if (path.startsWith('/attempts/')) {
        found.acknowledged += 1
        const row = rows.get(id)
        if (!row || !isDeepStrictEqual(JSON.parse(row.events), body.events)) found.lost += 1
      } else if (path.startsWith('/recalls/')) {
        found.acknowledged += 1
        if (recalls.get(id)?.fact !== body.fact) found.lost += 1
      }
    }
    // Ids are keys, so whatever is doubled is counted twice: the days say so.
    const counted = db.get(sql.raw('select sum(attempts) as a, sum(recalls) as r from practice_day'))
    if ((counted.a ?? 0) !== rows.size || (counted.r ?? 0) !== recalls.size) found.doubled += 1
    for (const id of this.removed)
      if (db.get(sql.raw(`select 1 from learner where id = '${id}'`))) found.lost += 1
  }

  clear() {
    this.child.kill('SIGKILL')
    rmSync(this.data, { recursive: true, force: true })
  }
}

/** A process that did a chore for the server ends by itself once that is gone. */
async function choresOver() {
  for (let i = 0; i < 100 && spawnSync('pgrep', ['-f', 'chore.process.js']).status === 0; i += 1)
    await new Promise((go) => setTimeout(go, 50))
}

const TABLES = ['practice_day', 'slip_week', 'session_pace', 'session_slip', 'fact_memory', 'level_move']
const stable = ({ _metadata, ...row }) => {
  // Moves of older versions were named at random.
  if ('because' in row) delete row.id
  return JSON.stringify(row)
}
