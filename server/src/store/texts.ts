/**
 * Texts that are no texts. The driver ends the whole process over a text that is not well-formed UTF-8, and SQLite checks
 * none: a damaged page, or a file from anywhere, may hold one. So all are looked at as bytes before any is read.
 */
import { isUtf8 } from 'node:buffer'
import type Driver from 'better-sqlite3'

/** Rows whose texts are looked at in one. */
const AT_ONCE = 500
const FIRST = Number.MIN_SAFE_INTEGER

const quoted = (name: string) => `"${name.replaceAll('"', '""')}"`

/**
 * Is every text of a database well-formed UTF-8, the names of its tables and columns among them?
 * @throws whatever the driver throws where the file cannot be read
 */
export function areTextsSound(driver: Driver.Database): boolean {
  const all = (statement: string) => driver.prepare(statement).all() as Record<string, unknown>[]
  if (all('pragma encoding')[0]?.encoding !== 'UTF-8') return false
  if (!areSound(driver, 'sqlite_master', ['name', 'tbl_name', 'sql'])) return false
  return all(`select name from sqlite_master where type = 'table'`).every(({ name }) => {
    const table = quoted(name as string)
    const columns = all(`pragma table_info(${table})`).map((column) => quoted(column.name as string))
    return areSound(driver, table, columns)
  })
}

function areSound(driver: Driver.Database, table: string, columns: readonly string[]): boolean {
  // A space between them, so that the end of one and the beginning of the next are not taken for a letter.
  const texts = columns.map((column) => `iif(typeof(${column}) = 'text', ${column}, '')`).join(` || ' ' || `)
  const some = driver.prepare(
    `select max(at) as last, cast(group_concat(texts, ' ') as blob) as texts
     from (select rowid as at, ${texts} as texts from ${table} where rowid > ? order by rowid limit ${AT_ONCE})`,
  )
  const after = (at: number) =>
    some.get([at]) as { readonly last: number | null; readonly texts: ArrayBuffer }
  for (let { last, texts } = after(FIRST); last !== null; { last, texts } = after(last))
    if (!isUtf8(texts)) return false
  return true
}
