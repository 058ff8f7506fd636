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

/** What an item is answered by. */
function kindOf({ technique: id, expression }: ListedProblem) {
  const technique = techniqueById(id)
  const [problem, variant] = [readProblem(expression), variantOf(technique)]
  return openQuestion(beginTask({ technique, problem, variant, level: 1, support: 'answer' }))!.kind
}

/** The keys that write the answer of an item, or another one: of choices its letter, of others no key more than the kind has. */
export function keysOf(item: ListedProblem, wrong = false): readonly string[] {
  const right = answerTo(item.expression)
  const { choices } = kindOf(item)
  if (choices) return [choices.find((c) => (c.id === right) !== wrong)!.key]
  const typed = wrong
    ? right.replace(/^-?[\dIVXLCDM]/, (c) => (c === '1' ? '2' : /\d|-/.test(c) ? '1' : 'MM'))
    : right
  return [...typed.replace('_', ' ')]
}

/** Types the answer of an item, or another one. */
export async function answer(page: Page, item: ListedProblem, wrong = false): Promise<void> {
  await page.keyboard.type(keysOf(item, wrong).join(''))
  await page.keyboard.press('Enter')
}
