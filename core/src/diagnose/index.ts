export { type Cause, diagnose, workingWith } from './diagnose.js'
