/** The addresses at which the browser application shows a page. */

const PAGES = [
  '',
  'bench/*',
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
  'papers/sheets/*',
  'papers/sheets/*/key',
  'papers/*',
  'compare',
  'board',
  'board/now',
  'learn',
  'learn/pattern',
  'learn/*',
  'record',
  'record/pace',
  'record/mistakes',
  'record/latest',
  'record/facts',
  'record/levels',
  'record/sessions',
  'record/sheet',
  'record/exchange',
  'record/session/*',
  'record/attempt/*',
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
]

const patterns = PAGES.map((page) => new RegExp(`^/${page.replaceAll('*', '[^/]+')}/?$`))

/** Is there a page at an address? @param path without what follows a question mark */
export function isPage(path: string): boolean {
  return patterns.some((pattern) => pattern.test(path))
}
