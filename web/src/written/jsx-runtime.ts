/** React's own way of making elements, every text of the page passed on as numbers are written here. */
import { type ElementType, Fragment, type Key } from 'react'
import { jsxs as many, jsx as one } from 'react/jsx-runtime'
import { propsHere } from './element.js'

export type { JSX } from 'react/jsx-runtime'
export { Fragment }

export const jsx: typeof one = (type: ElementType, props: unknown, key?: Key) =>
  one(type, propsHere(props), key)
export const jsxs: typeof many = (type: ElementType, props: unknown, key?: Key) =>
  many(type, propsHere(props), key)
