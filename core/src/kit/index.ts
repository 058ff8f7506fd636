export { DIALOGS, type Dialog, textsOf } from './dialogs.js'
