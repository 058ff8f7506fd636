export { checksOf } from './checks.js'
