/** English put together: counts and lists. The one place for plurals. */
import { said } from '../number/whole.js'

/** "1 place", "3 places". @param many the plural where it is not the singular with an s. */
export function count(n: number | bigint, one: string, many = `${one}s`): string {
  return `${said(n)} ${plural(n, one, many)}`
}

/** The word alone, for so many. */
export function plural(n: number | bigint, one: string, many = `${one}s`): string {
  return Number(n) === 1 ? one : many
}

/** "a, b and c". */
export function listed(words: readonly string[], last = 'and'): string {
  return words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1)}`
}

/** "once", "twice", "three times". */
export function times(n: number): string {
  return ['never', 'once', 'twice', 'three times', 'four times', 'five times'][n] ?? `${n} times`
}

/** 4200 -> "4.2 s". The one place where a time is turned into words. */
export function seconds(ms: number): string {
  return `${(ms / 1000).toFixed(1)} s`
}
