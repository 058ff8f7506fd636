/** English put together: counts and lists. The one place for plurals. */
import { decimal, toWords } from '../number/decimal.js'
import { fixedWords } from '../number/marks.js'
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

/** 3240 -> "3.2 s", 95_000 -> "1 min 35 s"; an en dash where there is no time. The one place where times become words. */
export function seconds(ms: number | null | undefined): string {
  if (ms === null || ms === undefined) return '–'
  if (ms < 59_950) return `${fixedWords(ms / 1000)} s`
  const whole = Math.round(ms / 1000)
  return `${Math.floor(whole / 60)} min ${whole % 60} s`
}

/** A target, which is set in round figures: 4000 -> "4 s", 2500 -> "2.5 s". */
export function targetWords(ms: number): string {
  return `${toWords(decimal(Math.round(ms), 3))} s`
}
