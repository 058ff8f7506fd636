export { runCommand, withSigns } from './command.js'
