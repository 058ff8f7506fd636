/** What somebody knows who does not see the page: only what a screen reader is given to say. */

import type { Page } from '@playwright/test'
import { unmarked } from '@tachymetra/core/number'
import { type Problem, readProblem } from '@tachymetra/core/problem'
import { expect } from './bench.js'

/** What was said: on the focus of something, its name and description; and each change of a live region. */
export interface Heard {
  readonly by: 'focus' | 'live'
  readonly text: string
}

/** Begins to write down what a screen reader would say. To be called before the page is opened. */
export async function listen(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const heard: { by: string; text: string }[] = []
    Object.assign(window, { heard })
    const texts = (ids: string | null) =>
      (ids ?? '')
        .split(' ')
        .map((id) => document.getElementById(id)?.textContent?.trim() ?? '')
        .filter(Boolean)
        .join(' | ')
    document.addEventListener('focusin', ({ target }) => {
      if (!(target instanceof Element)) return
      const name =
        texts(target.getAttribute('aria-labelledby')) ||
        target.getAttribute('aria-label') ||
        target.textContent?.trim() ||
        ''
      const about = texts(target.getAttribute('aria-describedby'))
      heard.push({ by: 'focus', text: [name, about].filter(Boolean).join(' | ') })
    })
    const said = new WeakMap<Element, string>()
    const look = () => {
      for (const region of document.querySelectorAll(
        '[role="status"], [role="alert"], [aria-live="polite"]',
      )) {
        const copy = region.cloneNode(true) as Element
        for (const unseen of copy.querySelectorAll('[aria-hidden="true"]')) unseen.remove()
        const text = copy.textContent?.trim() ?? ''
        const before = said.get(region)
        said.set(region, text)
        // A region that comes with its text is usually not read.
        if (before !== undefined && text && text !== before) heard.push({ by: 'live', text })
      }
    }
    document.addEventListener('DOMContentLoaded', () =>
      new MutationObserver(look).observe(document.body, {
        childList: true,
        subtree: true,
        characterData: true,
      }),
    )
  })
}

/** Nothing more comes for so long: what belongs together has been said. */
const QUIET_MS = 100

/** What is heard from now on. */
export function ears(page: Page) {
  let from = 0
  /** Everything heard since the last time, once something has been and it is quiet again. */
  const next = async (): Promise<Heard[]> => {
    const heard = await page.evaluate(
      async ({ from, quiet }) => {
        const { heard } = window as never as { heard: Heard[] }
        const until = Date.now() + 20_000
        for (let count = -1; count !== heard.length || count <= from; ) {
          if (Date.now() > until) return []
          count = heard.length
          await new Promise((on) => setTimeout(on, quiet))
        }
        return heard.slice(from)
      },
      { from, quiet: QUIET_MS },
    )
    expect(heard.length, 'nothing was heard').toBeGreaterThan(0)
    from += heard.length
    // No number is said in pieces, nothing twice.
    for (const { text } of heard) expect(text).not.toMatch(/\d\u2009\d/)
    const live = heard.filter((h) => h.by === 'live').map((h) => h.text)
    expect(new Set(live).size, live.join('\n')).toBe(live.length)
    return heard
  }
  return {
    next,
    /** What has the focus now, as it is told: its name, then what describes it. */
    async focus(): Promise<readonly [name: string, ...about: string[]]> {
      const last = (await next()).filter((h) => h.by === 'focus').at(-1)
      expect(last, 'nothing took the focus').toBeDefined()
      return last!.text.split(' | ') as [string, ...string[]]
    },
    /** The one thing said. */
    async said(): Promise<string> {
      const said = (await next()).filter((h) => h.by === 'live').map((h) => h.text)
      expect(said, said.join('\n')).toHaveLength(1)
      return said[0]!
    },
  }
}

/** "364 plus 278" -> the problem. */
export function problemFrom(words: string): Problem {
  const signs: readonly (readonly [RegExp, string])[] = [
    [/ plus /g, '+'],
    [/ minus /g, '-'],
    [/ times /g, '*'],
    [/ divided by /g, '/'],
    [/ squared/g, '^2'],
  ]
  const root = /^root of (.*)$/.exec(words)
  if (root) return readProblem(`sqrt(${root[1]})`)
  return readProblem(signs.reduce((text, [word, sign]) => text.replace(word, sign), words))
}

/** A text as it is heard: numbers whole. */
export const plain = (text: string) => unmarked(text).replace(/(?<=\d)\u2009(?=\d)/g, '')
