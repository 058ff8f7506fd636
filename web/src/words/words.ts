/** Small pieces of wording used on several screens. */
import { fixedWords } from '@tachymetra/core/number'
import { OWN_LEVEL } from '@tachymetra/core/registry'
import type { Support } from '@tachymetra/core/session'
import type { Technique } from '@tachymetra/core/technique'

export const SUPPORT_ABOUT: Record<Support, string> = {
  watch: 'One problem worked before you, every value placed.',
  guided: 'Each step is asked; you give its value.',
  steps: 'The place is lit and the step named; you know how.',
  answer: 'Only the problem and the clock.',
}

export function levelWords(level: number): string {
  return level === OWN_LEVEL ? 'own settings' : `level ${level}`
}

/** The same with what the level is about. */
export function levelName({ technique, level }: { technique: Technique; level: number }): string {
  const name = technique.levels[level - 1]?.name
  return name ? `${levelWords(level)}, ${name.toLowerCase()}` : levelWords(level)
}

export function when(iso: string, timeZone?: string): string {
  return new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    ...(timeZone && { timeZone }),
  }).format(new Date(iso))
}

/** A text to be heard: numbers whole, without the thin spaces that part them for the eye. */
export const aloud = (text: string): string => text.replace(/(?<=\d)\u2009(?=\d)/g, '')

/** Right answers a minute: 7.25 -> "7.3"; an en dash where none was measured. */
export const minuteWords = (perMinute: number | null | undefined): string =>
  perMinute === null || perMinute === undefined ? '–' : fixedWords(perMinute)

/** 4 -> "4 min", 0.46 -> "half a minute", 2.3 -> "2½ min". */
export function minutesWords(minutes: number): string {
  const halves = Math.max(1, Math.round(2 * minutes))
  if (halves === 1) return 'half a minute'
  return `${halves >> 1}${halves % 2 ? '½' : ''} min`
}

/** "2026-03-01" -> "Sun 1 Mar". */
export function dayName(day: string): string {
  const format = new Intl.DateTimeFormat('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
  })
  return format.format(new Date(`${day}T00:00:00Z`)).replace(',', '')
}
