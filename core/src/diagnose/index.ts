export { type Cause, diagnose } from './diagnose.js'
