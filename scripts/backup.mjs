/** npm run -s backup -- FILE | npm run -s restore -- FILE: everything in one file and back, also while the server runs. */
import { createReadStream, existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { ensureBuilt, fail } from './prepare.mjs'

ensureBuilt()
const [what, ...args] = process.argv.slice(2)
const empty = args.includes('--empty')
const [file, ...more] = args.filter((a) => a !== '--empty')
if (!file || more.length > 0)
  fail(`Say which file: npm run -s ${what} -- FILE (with --empty for the data without the demo).`, 2)

const { backUp, beforeName, restore } = await import('../server/dist/store/backup.js')
const { databaseFile, openData, readSettings, StartError } = await import('../server/dist/main.js')
const { InputError } = await import('../core/dist/index.js')
try {
  const settings = readSettings(process.env, empty ? ['--empty'] : [])
  const database = databaseFile(settings)
  if (what === 'backup' && !existsSync(database))
    fail(`There is nothing to back up: ${database} does not exist.`, 2)
  if (what === 'restore' && !existsSync(file)) fail(`There is no file ${file}.`, 2)
  if (what === 'backup' && existsSync(file)) fail(`${file} is there already; choose another name.`, 2)
  const { db, close } = openData(settings)
  if (what === 'backup') {
    await backUp(db, resolve(file))
    process.stdout.write(`Everything is in ${file}.\n`)
  } else {
    const kept = join(settings.data, beforeName())
    const { learners, attempts, recalls } = await restore(db, createReadStream(file), kept)
    process.stdout.write(
      `Restored ${learners} learners, ${attempts} attempts, ${recalls} recalls. What was there before is in ${kept}.\n`,
    )
  }
  close()
} catch (error) {
  if (!(error instanceof InputError || error instanceof StartError)) throw error
  fail(error.message, 2)
}
