export { slipName } from './slips.js'
