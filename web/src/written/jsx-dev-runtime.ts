/** The same as jsx-runtime, for development. */
export { Fragment, type JSX, jsx as jsxDEV } from './jsx-runtime.js'
