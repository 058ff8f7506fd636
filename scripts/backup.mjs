/**
 * npm run -s backup -- FILE | npm run -s restore -- FILE | npm run -s recount: everything in one file, also while the
 * server runs; back from it, and everything that is counted made again, while it does not.
 */
import { existsSync } from 'node:fs'
import { resolve } from 'node:path'
import { ensureBuilt, fail } from './prepare.mjs'

ensureBuilt()
const [what, ...args] = process.argv.slice(2)
const empty = args.includes('--empty')
const [file, ...more] = args.filter((a) => a !== '--empty')
if (what === 'recount' ? file : !file || more.length > 0)
  fail(
    what === 'recount'
      ? 'Recounting takes no file: npm run -s recount (with -- --empty for the data without the demo).'
      : `Say which file: npm run -s ${what} -- FILE (with --empty for the data without the demo).`,
    2,
  )

const { backUpFile, beforePath } = await import('../server/dist/store/files/backup.js')
const { restore } = await import('../server/dist/store/files/restore.js')
const { recount } = await import('../server/dist/store/recount.js')
const { databaseFile, openData, readSettings, StartError } = await import('../server/dist/main.js')
const { InputError } = await import('../core/dist/problem/index.js')
try {
  const settings = readSettings({ ...process.env, HOST: '' }, empty ? ['--empty'] : [])
  const database = databaseFile(settings)
  if (what !== 'restore' && !existsSync(database))
    fail(`There is nothing there: ${database} does not exist.`, 2)
  if (what === 'restore' && !existsSync(file)) fail(`There is no file ${file}.`, 2)
  if (what === 'backup' && existsSync(file)) fail(`${file} is there already; choose another name.`, 2)
  if (what === 'backup') {
    await backUpFile(database, resolve(file))
    process.stdout.write(`Everything is in ${file}.\n`)
  } else {
    const say = (line) => process.stderr.write(`${line}\n`)
    const { db, close } = openData(settings, say, what === 'restore' ? 'put aside' : 'refused')
    if (what === 'recount') {
      const { attempts, recalls } = recount(db)
      process.stdout.write(`Counted again: ${attempts} attempts, ${recalls} recalls.\n`)
    } else {
      const kept = beforePath(settings.data)
      const { learners, attempts, recalls } = await restore({ packed: resolve(file), database, keep: kept })
      process.stdout.write(
        `Restored ${learners} learners, ${attempts} attempts, ${recalls} recalls. What was there before is in ${kept}.\n`,
      )
    }
    close()
  }
} catch (error) {
  if (!(error instanceof InputError || error instanceof StartError)) throw error
  fail(error.message, 2)
}
