/**
 * The addresses at which the browser application shows a page: the one table that its views, its menus, the server and the
 * walk through all screens go by. What varies begins with a colon.
 */
export const PAGES = [
  '',
  'bench/:sessionId',
  'flash',
  'grid',
  'facts',
  'soroban',
  'choose',
  'papers',
  'papers/rounds',
  'papers/trials',
  'papers/own',
  'papers/sheets',
  'papers/sheets/:code',
  'papers/sheets/:code/key',
  'papers/:id',
  'compare',
  'board',
  'board/now',
  'learn',
  'learn/pattern',
  'learn/:id',
  'record',
  'record/pace',
  'record/mistakes',
  'record/latest',
  'record/facts',
  'record/levels',
  'record/sessions',
  'record/sheet',
  'record/exchange',
  'record/session/:id',
  'record/attempt/:id',
  'settings',
  'settings/learner',
  'settings/learner/plan',
  'settings/learner/levels',
  'settings/learner/ways',
  'settings/everybody',
  'settings/waiting',
  'about',
  'help',
  'simulate',
] as const

/** One of the addresses of the table. */
export type Address = (typeof PAGES)[number]

/** The addresses of one part of the program that a menu can lead to: itself and what lies below it, nothing of which varies. */
export type Within<Part extends string> = Exclude<
  Extract<Address, Part | `${Part}/${string}`>,
  `${string}:${string}`
>

const patterns = PAGES.map((page) => new RegExp(`^/${page.replaceAll(/:\w+/g, '[^/]+')}/?$`))

/** Is there a page at an address? @param path without what follows a question mark */
export function isPage(path: string): boolean {
  return patterns.some((pattern) => pattern.test(path))
}
