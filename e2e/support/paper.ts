/** A paper under the test's hands. */
import type { Page } from '@playwright/test'
import { answerText, readProblem } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import { beginTask, openQuestion } from '@tachymetra/core/session'
import { type ListedProblem, listOf, type Recipe } from '@tachymetra/core/set'
import { variantOf } from '@tachymetra/core/technique'

/** The list of the paper on the page, as this browser keeps it. */
export async function listed(page: Page): Promise<readonly ListedProblem[]> {
  const id = new URL(page.url()).pathname.split('/').at(-1)!
  const recipe = await page.evaluate(
    (key) =>
      new Promise<unknown>((resolve) => {
        const asked = indexedDB.open('tachymetra')
        asked.onsuccess = () => {
          const get = asked.result.transaction('sessions').objectStore('sessions').get(key)
          get.onsuccess = () => {
            resolve(get.result?.recipe)
            asked.result.close()
          }
        }
      }),
    id,
  )
  return listOf(recipe as Recipe)
}

/** The answer of an item as it is typed; an estimate is given as a whole number. */
export function answerTo(expression: string): string {
  const exact = answerText(readProblem(expression))
  return expression.startsWith('~') ? String(Math.round(Number(exact))) : exact
}

/** The keys that write the answer of an item: of choices its letter. */
export function keysOf({ technique, expression }: ListedProblem): readonly string[] {
  const t = techniqueById(technique)
  const problem = readProblem(expression)
  const task = { technique: t, problem, variant: variantOf(t), level: 1, support: 'answer' } as const
  const { choices } = openQuestion(beginTask(task))!.kind
  const right = answerTo(expression)
  return choices ? [choices.find((c) => c.id === right)!.key] : [...right.replace('_', ' ')]
}

/** Types the answer of an item, or another one. */
export async function answer(page: Page, { expression }: ListedProblem, wrong = false): Promise<void> {
  const choices = page.locator('.choice')
  const right = answerTo(expression)
  if ((await choices.count()) > 0) {
    const keys =
      { first: 1, second: 2, equal: 3 }[right] ??
      ['012', '021', '102', '120', '201', '210'].indexOf(right) + 1
    return page.keyboard.press(String(wrong ? (keys % 3) + 1 : keys))
  }
  // No digit, sign or letter more than what the kind is written with.
  const typed = wrong
    ? right.replace(/^-?[\dIVXLCDM]/, (c) => (c === '1' ? '2' : /\d|-/.test(c) ? '1' : 'MM'))
    : right
  await page.keyboard.type(typed.replace('_', ' '))
  await page.keyboard.press('Enter')
}
