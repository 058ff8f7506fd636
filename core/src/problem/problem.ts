import {
  add,
  type Decimal,
  MAX_DIGITS,
  negate,
  readDecimal,
  toText,
  toWords,
  ZERO,
} from '../number/decimal.js'
import { InputError } from './error.js'

/** Sums and differences: `8341-3675` is 8341 added, 3675 taken away. */
export interface SumProblem {
  readonly kind: 'sum'
  readonly terms: readonly Term[]
}

/** A number that is added (sign 1) or taken away (sign -1); its size is 0 or more. */
export interface Term {
  readonly sign: 1 | -1
  readonly size: Decimal
}

/** Every kind of problem that can be worked. */
export type Problem = SumProblem

export const MAX_TERMS = 30
export const MAX_EXPRESSION = 1300

/** The term as one signed number. */
export function signed({ sign, size }: Term): Decimal {
  return sign < 0 ? negate(size) : size
}

/** The exact answer, reckoned plainly; no technique is involved. */
export function answerOf(problem: Problem): Decimal {
  return problem.terms.reduce((total, term) => add(total, signed(term)), ZERO)
}

/** The expression as it is typed and stored: no spaces, ASCII signs. Reading it back gives the same problem. */
export function printProblem(problem: Problem): string {
  return problem.terms.map((t, i) => (t.sign < 0 ? '-' : i > 0 ? '+' : '') + toText(t.size)).join('')
}

const PLUS = '+'
const MINUS = '-−–'
const NOT_YET = '*x×/÷^²√()'

/** The problem for people: thousands parted, spaces about the signs. */
export function problemWords(problem: Problem): string {
  return problem.terms
    .map((t, i) => (t.sign < 0 ? (i > 0 ? ' − ' : '−') : i > 0 ? ' + ' : '') + toWords(t.size))
    .join('')
}

/**
 * Reads an expression: signed decimals joined by + and -, with spaces and thousands commas allowed
 * ("1,204 + 8.5 - -3").
 * @throws InputError that names the offending character and its position.
 */
export function readProblem(text: string): Problem {
  if (text.length > MAX_EXPRESSION)
    throw new InputError(
      `The problem is too long: ${text.length} characters; at most ${MAX_EXPRESSION}.`,
      MAX_EXPRESSION,
    )
  const scanner = new Scanner(text)
  const terms: Term[] = []
  scanner.skipSpace()
  if (scanner.done) throw new InputError('There is no problem here yet: type one, such as 364+278.', 0)
  terms.push(scanner.term())
  while (!scanner.done) {
    const negative = scanner.sign('between two numbers')
    const term = scanner.term()
    terms.push(negative ? { sign: term.sign > 0 ? -1 : 1, size: term.size } : term)
    if (terms.length > MAX_TERMS)
      throw new InputError(`At most ${MAX_TERMS} numbers fit in one problem.`, scanner.at)
  }
  if (terms.length < 2)
    throw new InputError('One number alone is no problem: add + or - and another number.', text.length)
  return { kind: 'sum', terms }
}

/** Walks the text once; each method consumes what it names or throws at the character that does not fit. */
class Scanner {
  at = 0
  constructor(private readonly text: string) {}

  get done(): boolean {
    return this.at >= this.text.length
  }

  skipSpace(): void {
    while (!this.done && /[\s\u2009\u202f]/.test(this.text.charAt(this.at))) this.at += 1
  }

  /** One + or minus; true for minus. */
  sign(where: string): boolean {
    const c = this.text.charAt(this.at)
    if (c !== PLUS && !MINUS.includes(c)) this.refuse(`Expected + or - ${where}`)
    this.at += 1
    this.skipSpace()
    return c !== PLUS
  }

  /** A number with or without a sign of its own. */
  term(): Term {
    const c = this.text.charAt(this.at)
    const hasSign = !this.done && (c === PLUS || MINUS.includes(c))
    const negative = hasSign && this.sign('before a number')
    return { sign: negative ? -1 : 1, size: this.number() }
  }

  private number(): Decimal {
    const start = this.at
    const found =
      /^(?:\d+(?:[,\s\u2009\u202f]\d{3}(?!\d))*)?(?:\.\d+)?/.exec(this.text.slice(start))?.[0] ?? ''
    if (found === '') this.refuse('Expected a number')
    this.at += found.length
    const digits = found.replace(/\D/g, '').length
    if (digits > MAX_DIGITS)
      throw new InputError(`This number has ${digits} digits; at most ${MAX_DIGITS} can be worked.`, start)
    const beyond = this.text.charAt(this.at)
    if (beyond === '.' || beyond === ',') {
      const rule =
        beyond === ','
          ? 'A thousands comma has exactly three digits after it'
          : found.includes('.')
            ? 'A number has one decimal point only'
            : 'A decimal point needs a digit after it'
      throw new InputError(`${rule} (character ${this.at + 1}).`, this.at)
    }
    this.skipSpace()
    return readDecimal(found)!
  }

  private refuse(expected: string): never {
    const c = this.text.charAt(this.at)
    if (this.done) throw new InputError(`${expected}, but the problem ends here.`, this.at)
    const where = `at character ${this.at + 1}`
    if (/\d/.test(c)) throw new InputError(`${expected} ${where}: two numbers stand side by side.`, this.at)
    if (NOT_YET.includes(c) || this.text.startsWith('sqrt', this.at))
      throw new InputError(`Only + and - can be worked so far; "${c}" stands ${where}.`, this.at)
    throw new InputError(`${expected} ${where}, not "${c}".`, this.at)
  }
}

/** True when every number is added, none taken away. */
export function isPlainSum(problem: Problem): boolean {
  return problem.terms.every((t) => t.sign > 0)
}

/** Minuend and subtrahend of a plain difference a - b, else undefined. */
export function asDifference(problem: Problem): { minuend: Decimal; subtrahend: Decimal } | undefined {
  const [first, second, ...rest] = problem.terms
  if (!first || !second || rest.length > 0 || first.sign < 0 || second.sign > 0) return undefined
  return { minuend: first.size, subtrahend: second.size }
}
