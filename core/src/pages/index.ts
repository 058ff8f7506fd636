export { type Address, isPage, PAGES, type Within } from './pages.js'
