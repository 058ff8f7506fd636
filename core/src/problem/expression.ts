/** Expressions as they are typed, printed and stored. */

import {
  absolute,
  type Decimal,
  isNegative,
  isZero,
  MAX_DIGITS,
  readDecimal,
  subtract,
  toText,
  toWords,
} from '../number/decimal.js'
import { present } from '../number/present.js'
import { squareRoot } from '../number/root.js'
import { asDecimal, sameValue, type Value, valueText, valueWords } from '../question/value.js'
import { TRUE_ROOT } from '../words/roots.js'
import { InputError } from './error.js'
import { itemJoint, itemKind, itemOthers, itemWords, printItem, readItem } from './items/forms.js'
import {
  answerOf,
  type Factors,
  isExact,
  isItem,
  type PlainProblem,
  type Problem,
  type Term,
} from './problem.js'
import { asWritten } from './typed.js'

const MAX_TERMS = 30
export const MAX_EXPRESSION = 1300

/** The expression as it is typed and stored: no spaces, ASCII signs. Reading it back gives the same problem. */
export function printProblem(problem: Problem): string {
  if (isItem(problem)) return printItem(problem)
  return written(problem, toText, { times: '*', over: '/', plus: '+', minus: '-' }, (n) => `sqrt(${n})`, '^2')
}

/** The problem for people: thousands parted, spaces about the signs. */
export function problemWords(problem: Problem): string {
  if (isItem(problem)) return itemWords(problem)
  const signs = { times: ' × ', over: ' ÷ ', plus: ' + ', minus: ' − ' }
  return written(problem, toWords, signs, (n) => `√${n}`, '²')
}

/** The true root beside an estimate of it, with how far that is off; undefined where there is nothing to be told. */
export function trueRootWords(problem: Problem, answer: Value): string | undefined {
  const estimate = asDecimal(answer)
  if (problem.kind !== 'root' || !estimate || isExact(problem, estimate)) return undefined
  const root = squareRoot(problem.radicand, TOLD_PLACES)
  const off = subtract(estimate, root)
  if (isZero(off) || sameValue(answer, answerOf(problem))) return undefined
  return TRUE_ROOT(toWords(root), toWords(absolute(off)), isNegative(off))
}

/** A problem with its answer, for people: "√165 ≈ 12.85", "√2 = 1.414213…"; a number to be read or set is just itself. */
export function solvedWords(problem: Problem, answer: Value): string {
  if (isItem(problem)) {
    const right = answerOf(problem)
    // A technique may come to it as a number of another sort.
    const isPlainest = sameValue(answer, right)
    const said = isPlainest ? itemKind(problem).say(right) : valueWords(answer)
    return itemWords(problem) + itemJoint(problem) + said + (isPlainest ? orOthers(problem) : '')
  }
  if (problem.kind === 'number') return valueWords(answer)
  const exact = isExact(problem, answer)
  // The true digits as far as they go, or a value near it.
  const cut = !exact && sameValue(answer, answerOf(problem))
  return `${problemWords(problem)} ${exact || cut ? '=' : '≈'} ${valueWords(answer)}${cut ? '…' : ''}`
}

/** What is right besides the answer, to be written after it: " or 37" where the gaps of primes grow too. */
export function orOthers(problem: Problem): string {
  if (!isItem(problem)) return ''
  return itemOthers(problem)
    .map((other) => ` or ${valueWords(other)}`)
    .join('')
}

/** The answer of a problem as it is typed, reckoned plainly. */
export function answerText(problem: Problem): string {
  return isItem(problem) ? itemKind(problem).print(answerOf(problem)) : valueText(answerOf(problem))
}

function written(
  problem: PlainProblem,
  number: (n: Decimal) => string,
  signs: { times: string; over: string; plus: string; minus: string },
  root: (n: string) => string,
  square: string,
): string {
  const product = ([a, b]: Factors) => number(a) + signs.times + number(b)
  switch (problem.kind) {
    case 'sum':
      return problem.terms
        .map((t, i) => {
          const sign = t.sign < 0 ? signs.minus : i > 0 ? signs.plus : ''
          return (i > 0 ? sign : sign.trim()) + number(t.size)
        })
        .join('')
    case 'product':
      return product(problem.factors)
    case 'product-sum':
      return (
        product(problem.factors) +
        (problem.term.sign < 0 ? signs.minus : signs.plus) +
        number(problem.term.size)
      )
    case 'product-pair':
      return product(problem.left) + (problem.sign < 0 ? signs.minus : signs.plus) + product(problem.right)
    case 'quotient':
      return number(problem.dividend) + signs.over + number(problem.divisor)
    case 'square':
      return number(problem.number) + square
    case 'root':
      return root(number(problem.radicand))
    case 'number':
      return number(problem.number)
  }
}

/** Decimals of a true root that are told beside an estimate. */
const TOLD_PLACES = 4

const MINUS = '-−–'
const TIMES = '*xX×·'
const OVER = '/÷:'

/**
 * Reads an expression: signed decimals joined by + and - ("58+36-19"); a product ("36*52", also x and
 * ×), alone or with a number ("4998*3+6") or a second product ("16*23+16*27"); a square ("7.5^2", "7.5²"); a root ("sqrt(70)", "√70");
 * a quotient ("2184/6", also ÷); a number alone, to be read or set on a frame; or an item of a paper ("gcf(36,48)", see
 * items/forms.ts). Spaces and thousands commas are allowed; a comma that parts no thousands is a decimal comma. What is
 * said in words or grouped in other ways is read too (see typed.ts), and so are brackets around a signed number or a sum of two.
 * @throws InputError that names what is wrong and its position.
 */
export function readProblem(typed: string): Problem {
  const text = asWritten(typed)
  try {
    return readPlain(text)
  } catch (error) {
    const item = error instanceof InputError && text.length <= MAX_EXPRESSION ? readItem(text) : undefined
    if (item) return item
    throw error
  }
}

function readPlain(text: string): PlainProblem {
  if (text.length > MAX_EXPRESSION)
    throw new InputError(
      `The problem is too long: ${text.length} characters; at most ${MAX_EXPRESSION}.`,
      MAX_EXPRESSION,
    )
  const scanner = new Scanner(text)
  scanner.skipSpace()
  if (scanner.done) throw new InputError('There is no problem here yet: type one, such as 364+278.', 0)
  const radicand = scanner.root()
  if (radicand) {
    scanner.end('A root stands alone')
    return { kind: 'root', radicand }
  }
  const inside = scanner.sumInBrackets()
  if (inside) return bracketsFirst(inside, scanner)
  const first = scanner.term()
  if (scanner.squared()) {
    scanner.end('A square stands alone')
    return { kind: 'square', number: unsigned(first) }
  }
  if (scanner.over()) {
    const divisor = unsigned(scanner.term())
    if (isZero(divisor)) throw new InputError('Nothing can be divided by 0.', scanner.at)
    scanner.end('A quotient has one dividend and one divisor')
    return { kind: 'quotient', dividend: unsigned(first), divisor }
  }
  if (scanner.times()) {
    const factors = scanner.sumInBrackets()
    if (factors) {
      scanner.end('A product with brackets stands alone')
      return shared(unsigned(first), factors)
    }
    return products(unsigned(first), scanner)
  }
  if (scanner.done) return { kind: 'number', number: unsigned(first) }
  return sum(first, scanner)
}

/** (23 + 27) × 16 is 23 × 16 + 27 × 16; brackets at the head of a sum change nothing. */
function bracketsFirst(inside: readonly [Term, Term], scanner: Scanner): PlainProblem {
  if (!scanner.times()) return sum(inside[0], scanner, inside[1])
  const factor = unsigned(scanner.term())
  scanner.end('A product with brackets stands alone')
  return shared(factor, inside)
}

function shared(factor: Decimal, [a, b]: readonly [Term, Term]): PlainProblem {
  return {
    kind: 'product-pair',
    left: [unsigned(a), factor],
    sign: b.sign,
    right: [b.size, factor],
  }
}

function products(first: Decimal, scanner: Scanner): PlainProblem {
  const left: Factors = [first, unsigned(scanner.term())]
  if (scanner.done) return { kind: 'product', factors: left }
  if (scanner.times()) throw new InputError('A product has two factors here, not more.', scanner.at)
  const negative = scanner.sign('between two products')
  const a = unsigned(scanner.term())
  if (scanner.done) return { kind: 'product-sum', factors: left, term: { sign: negative ? -1 : 1, size: a } }
  if (!scanner.times())
    throw new InputError('A product takes one more number or product, such as 16*27.', scanner.at)
  const right: Factors = [a, unsigned(scanner.term())]
  scanner.end('At most two products can be joined')
  return { kind: 'product-pair', left, sign: negative ? -1 : 1, right }
}

function sum(first: Term, scanner: Scanner, ...more: readonly Term[]): PlainProblem {
  const terms: Term[] = [first, ...more]
  while (!scanner.done) {
    const negative = scanner.sign('between two numbers')
    const inside = scanner.sumInBrackets()
    if (inside) {
      terms.push(...inside.map((t): Term => ({ ...t, sign: negative ? (t.sign > 0 ? -1 : 1) : t.sign })))
      continue
    }
    const term = scanner.term()
    if (scanner.times() || scanner.over() || scanner.squared())
      throw new InputError(
        'Sums of numbers, or two products joined by + or -: other mixtures are not supported.',
        scanner.at,
      )
    terms.push(negative ? { sign: term.sign > 0 ? -1 : 1, size: term.size } : term)
    if (terms.length > MAX_TERMS)
      throw new InputError(`At most ${MAX_TERMS} numbers fit in one problem.`, scanner.at)
  }
  return { kind: 'sum', terms }
}

function unsigned({ sign, size }: Term): Decimal {
  if (sign < 0) throw new InputError('Only the numbers of a sum may be below 0.')
  return size
}

/** Thousands parted by commas or spaces, then a point; or a comma, where no thousands can be meant: 7,5 and 0,125 but 1,234. */
const NUMBER = /^((?:\d+(?:(?<!^0)[,\s\u2009\u202f]\d{3}(?!\d))*)?)(?:[.,](\d+))?/

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

  /** True, and past it, when one of these characters stands here. */
  private one(characters: string): boolean {
    if (this.done || !characters.includes(this.text.charAt(this.at))) return false
    this.at += 1
    this.skipSpace()
    return true
  }

  times(): boolean {
    return this.one(TIMES)
  }

  over(): boolean {
    return this.one(OVER)
  }

  squared(): boolean {
    if (this.one('²')) return true
    if (!this.one('^')) return false
    if (!this.one('2')) this.refuse('Only squares (^2) are worked: expected a 2')
    if (/\d/.test(this.text.charAt(this.at))) this.refuse('Only squares (^2) are worked: expected the end')
    return true
  }

  /** The radicand of a root, or undefined when no root stands here. */
  root(): Decimal | undefined {
    const word = /^(?:sqrt|√)/i.exec(this.text.slice(this.at))?.[0]
    if (!word) return undefined
    this.at += word.length
    this.skipSpace()
    const open = this.one('(')
    const { sign, size } = this.term()
    if (sign < 0 && !isZero(size)) throw new InputError('Negative numbers have no root.', this.at)
    if (open && !this.one(')')) this.refuse('Expected the closing bracket')
    if (!open && word !== '√') throw new InputError('A root is written sqrt(70) or √70.', this.at)
    return size
  }

  /** One + or minus; true for minus. */
  sign(where: string): boolean {
    if (this.one('+')) return false
    if (this.one(MINUS)) return true
    return this.refuse(`Expected + or - ${where}`)
  }

  /** A number with or without a sign of its own, which may stand in brackets: (-6). */
  term(): Term {
    const negative = this.one(MINUS)
    if (!negative) this.one('+')
    const bracketed = this.one('(')
    const below = bracketed && this.one(MINUS)
    const size = this.number()
    if (bracketed && !this.one(')')) this.refuse('Expected the closing bracket')
    return { sign: negative === below ? 1 : -1, size }
  }

  /** Two numbers that are added or taken from each other in brackets; undefined where none stand here. */
  sumInBrackets(): readonly [Term, Term] | undefined {
    if (!/^\(\s*[\d.][^()+−–-]*[-+−–]\s*[\d.][^()]*\)/.test(this.text.slice(this.at))) return undefined
    this.one('(')
    const first = this.term()
    const negative = this.sign('between two numbers')
    const { size } = this.term()
    if (!this.one(')')) this.refuse('Two numbers fit in brackets: expected the closing bracket')
    return [first, { sign: negative ? -1 : 1, size }]
  }

  end(rule: string): void {
    if (this.done) return
    throw new InputError(
      `${rule}: what is "${this.text.charAt(this.at)}" at character ${this.at + 1}?`,
      this.at,
    )
  }

  private number(): Decimal {
    const start = this.at
    const [found, whole, part] = NUMBER.exec(this.text.slice(start)) as unknown as [string, string, string?]
    if (found === '') this.refuse('Expected a number')
    this.at += found.length
    const digits = found.replace(/\D/g, '').length
    if (digits > MAX_DIGITS)
      throw new InputError(`This number has ${digits} digits; at most ${MAX_DIGITS} can be worked.`, start)
    const beyond = this.text.charAt(this.at)
    if (beyond === '.' || beyond === ',') {
      const rule =
        part === undefined
          ? `A decimal ${beyond === ',' ? 'comma' : 'point'} needs a digit after it`
          : 'A number has one decimal point or comma only'
      throw new InputError(`${rule} (character ${this.at + 1}).`, this.at)
    }
    this.skipSpace()
    return present(readDecimal(part === undefined ? whole : `${whole}.${part}`))
  }

  private refuse(expected: string): never {
    const c = this.text.charAt(this.at)
    if (this.done) throw new InputError(`${expected}, but the problem ends here.`, this.at)
    const where = `at character ${this.at + 1}`
    if (/\d/.test(c)) throw new InputError(`${expected} ${where}: two numbers stand side by side.`, this.at)
    throw new InputError(`${expected} ${where}, not "${c}".`, this.at)
  }
}
