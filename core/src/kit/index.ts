export { DIALOGS, type Dialog, textsOf } from './dialogs.js'
export { thorough } from './thorough.js'
