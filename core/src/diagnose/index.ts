export { type Cause, diagnose, remarked } from './diagnose.js'
