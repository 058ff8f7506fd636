/**
 * The rules of the component library's controls, written when the program is built: writing them in the page took a quarter
 * of the time it took to open. What depends on the theme stays in its variables, which the page sets itself.
 */
import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import type { ComponentType, ReactElement } from 'react'
import type { Plugin } from 'vite'

// All of one kind, so that the controls write into the cache made here.
const require = createRequire(import.meta.url)
const { createElement } = require('react') as typeof import('react')
const { renderToString } = require('react-dom/server') as typeof import('react-dom/server')
const { createCache, extractStyle, StyleProvider } =
  require('@ant-design/cssinjs') as typeof import('@ant-design/cssinjs')
const antd = require('antd') as typeof import('antd')

/** Controls that stand only inside others. */
const INNER = ['Empty', 'Menu', 'Pagination', 'Popover', 'Space', 'Spin', 'Tooltip']

/** What is needed to draw one; the others can do without anything. */
const DRAWN: Readonly<Record<string, (Drawn: ComponentType<object>) => ReactElement>> = {
  Checkbox: (Drawn) => createElement('div', {}, createElement(Drawn), createElement(antd.Checkbox.Group)),
  Dropdown: (Drawn) => createElement(Drawn, { menu: { items: [] } } as object, createElement('div')),
  Input: (Drawn) => createElement('div', {}, createElement(Drawn), createElement(antd.Input.TextArea)),
  Menu: (Drawn) => createElement(Drawn, { items: [] } as object),
  Modal: () => createElement(antd.Modal._InternalPanelDoNotUseOrYouWillBeFired),
  Popconfirm: () => createElement(antd.Popconfirm._InternalPanelDoNotUseOrYouWillBeFired, { title: '' }),
  Popover: () => createElement(antd.Popover._InternalPanelDoNotUseOrYouWillBeFired),
  Radio: (Drawn) => createElement('div', {}, createElement(Drawn), createElement(antd.Radio.Button)),
  Tooltip: () => createElement(antd.Tooltip._InternalPanelDoNotUseOrYouWillBeFired),
}

/** What the library says of every link of the page. Ours are our own. */
const OF_LINKS = /(?<=^|\})a(?:\[disabled\]|:[a-z-]+)?(?:,a:[a-z-]+)*\{[^}]*\}/g

/** The controls that sources take from the library, by name. */
function used(sources: string): ReadonlySet<string> {
  const files = readdirSync(sources, { recursive: true, encoding: 'utf8' }).filter((f) => f.endsWith('.tsx'))
  const texts = files.map((file) => readFileSync(join(sources, file), 'utf8'))
  const imports = texts.flatMap((text) => [...text.matchAll(/import \{([^}]*)\} from 'antd'/g)])
  const names = imports.flatMap(([, list]) => list!.split(',').map((name) => name.trim()))
  return new Set(names.filter((name) => /^[A-Z]/.test(name) && name !== 'ConfigProvider'))
}

function rules(names: Iterable<string>): string {
  const cache = createCache()
  const drawn = [...names].map((name) => {
    const control = (antd as unknown as Record<string, ComponentType<object>>)[name]!
    return createElement('div', { key: name }, (DRAWN[name] ?? createElement)(control))
  })
  const page = createElement(antd.ConfigProvider, { theme: { hashed: false } }, drawn)
  renderToString(createElement(StyleProvider, { cache }, page))
  return extractStyle(cache, { plain: true, types: 'style' }).replaceAll(OF_LINKS, '')
}

/** The module `virtual:controls.css`: the rules of every control that the sources in a folder use. */
export function antStyles(sources: string): Plugin {
  const name = 'virtual:controls.css'
  return {
    name: 'ant-styles',
    resolveId: (id) => (id === name ? `\0${name}` : undefined),
    load: (id) => (id === `\0${name}` ? rules([...used(sources), ...INNER]) : undefined),
  }
}
