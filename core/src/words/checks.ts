/** Words of the checks. */
import { listed } from './english.js'

export const CHECKS = {
  limits: {
    nines: 'Swapped digits, and every error of 9, 18, 27..., are not noticed.',
    elevens: 'It finds swapped neighbours, but errors of 11, 22, 33... are not noticed.',
    lastDigit: 'It looks at the last digit only: every other may be wrong.',
    size: 'It finds a lost place or a wrong first digit; anything of the right size passes.',
    reverse: 'Done correctly it finds every error; a fact you have wrong is wrong again.',
  },
  strike: (groups: readonly string[]) => `strike out ${listed(groups)}`,
  left: (rest: string) => `${rest} is left`,
  squared: (root: string, square: string) => `${root} × ${root} = ${square}`,
  exact: 'It comes out exactly.',
  nearest: 'No other root with as many decimals is nearer.',
  cut: 'The rest is cut off: the next one would be too large.',
  closer: 'A nearer root has as many decimals: something is wrong.',
} as const
