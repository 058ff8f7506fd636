/** Words of the checks. */
import { listed } from './english.js'

export const CHECKS = {
  limits: {
    nines: 'Swapped digits, and every error of 9, 18, 27..., are not noticed.',
    elevens: 'It finds swapped neighbours, but errors of 11, 22, 33... are not noticed.',
    lastDigit: 'It looks at the last digit only: every other may be wrong.',
    size: 'It finds a lost place or a wrong first digit; anything of the right size passes.',
    reverse: 'Done correctly it finds every error; a fact you have wrong is wrong again.',
    reverseNear: 'Done correctly it finds errors of size; one in the last decimals may pass.',
  },
  names: {
    nines: 'Casting out nines',
    elevens: 'Casting out elevens',
    lastDigit: 'Last digit',
    size: 'Size',
    reverse: 'Reverse operation',
  },
  endsIn: (digit: string) => `ends in ${digit}`,
  thatIs: (rest: string) => `, that is ${rest}`,
  leaves: (rest: string) => ` leaves ${rest}`,
  withMinus: (rest: string) => `, with its minus ${rest}`,
  agree: (made: string, claimed: string) => `${made} and ${claimed} agree.`,
  differ: (made: string, claimed: string) => `${made} and ${claimed} differ: something is wrong.`,
  firstDigits: (digits: number, low: string, high: string) =>
    `With ${digits > 1 ? 'two first digits' : 'first digits'} only, rounded down and up: between ${low} and ${high}.`,
  squares: (root: string, square: string, above: string, next: string) =>
    `${root} squared is ${square}, ${above} squared is ${next}.`,
  between: (n: string, inside: boolean) =>
    inside ? `${n} lies between them.` : `${n} does not lie between them: something is wrong.`,
  /** What the reverse operation comes back to. */
  back: (what: 'first number' | 'other factor' | 'dividend', passes: boolean) =>
    passes ? `That is the ${what}.` : `That is not the ${what}: something is wrong.`,
  inexact: (by: string, n: string, times: string) =>
    `${by} goes into ${n} ${times} times, and something is left.`,
  withRemainder: (rest: string, sum: string) => `with the remainder ${rest}: ${sum}`,
  strike: (groups: readonly string[]) => `strike out ${listed(groups)}`,
  left: (rest: string) => `${rest} is left`,
  squared: (root: string, square: string) => `${root} × ${root} = ${square}`,
  exact: 'It comes out exactly.',
  nearest: 'No other root with as many decimals is nearer.',
  cut: 'The rest is cut off: the next one would be too large.',
  closer: 'A nearer root has as many decimals: something is wrong.',
} as const
