import { NavLink } from 'react-router'
import './pages.css'

export interface PageLink {
  readonly to: string
  readonly name: string
}

/** Links from the names of pages by their addresses, in the order they are given. */
export const linksOf = (names: Readonly<Record<string, string>>): readonly PageLink[] =>
  Object.entries(names).map(([address, name]) => ({ to: `/${address}`, name }))

/** The pages of one part of the program, as ticks of a rule. @param label what they are pages of */
export function Pages({ label, pages }: { readonly label: string; readonly pages: readonly PageLink[] }) {
  return (
    <nav className="pages no-print" aria-label={label}>
      {pages.map(({ to, name }) => (
        <NavLink key={to} to={to} end>
          {name}
        </NavLink>
      ))}
    </nav>
  )
}
