/** Every form of paper item by its id, and items of them. */
import type { AnswerKind } from '../../question/kind.js'
import type { Value } from '../../question/value.js'
import { EXPRESSION_FORMS } from './expressions.js'
import type { Form, Parts } from './form.js'
import { FRACTION_FORMS } from './fractions.js'
import { MEASURE_FORMS } from './measures.js'
import { NUMBER_FORMS } from './numbers.js'

const { operations, ...estimates } = EXPRESSION_FORMS
/** In the order they are tried; an expression of several operations is what is left. */
const FORMS = { ...NUMBER_FORMS, ...FRACTION_FORMS, ...MEASURE_FORMS, ...estimates, operations } as const

export type FormId = keyof typeof FORMS

/** An item of a paper that is no sum, product, quotient, square or root by itself. */
export interface ItemProblem extends Parts {
  readonly kind: 'item'
  readonly form: FormId
}

export function itemOf(form: FormId, { numbers, signs }: Parts): ItemProblem {
  return { kind: 'item', form, numbers, signs }
}

const formOf = (item: ItemProblem): Form => FORMS[item.form]

/** Signs and blanks as the forms read them. */
function plainText(text: string): string {
  return (
    text
      .replace(/[×·]/g, '*')
      // Of two fractions the second divides the first.
      .replace(/^([\d ]+\/\d+) ?÷ ?([\d ]+\/\d+)$/, '($1)/($2)')
      .replace(/÷/g, '/')
      .replace(/[−–]/g, '-')
      .replace(/²/g, '^2')
      .replace(/³/g, '^3')
      .replace(/(\d)[\u2009\u202f](?=\d{3})/g, '$1')
      .replace(/[\s\u2009\u202f]+/g, ' ')
      .trim()
  )
}

/** The item a typed text is; undefined for a text of no form. @throws InputError for one that cannot be answered */
export function readItem(text: string): ItemProblem | undefined {
  const plain = plainText(text)
  for (const [id, form] of Object.entries(FORMS) as [FormId, Form][]) {
    const parts = form.read(plain)
    if (parts) return itemOf(id, parts)
  }
  return undefined
}

/** As it is typed and kept. */
export function printItem(item: ItemProblem): string {
  return formOf(item).print(item)
}

/** For people: "the GCF of 36 and 48". */
export function itemWords(item: ItemProblem): string {
  return formOf(item).words(item)
}

/** The kind of answer an item has. */
export function itemKind(item: ItemProblem): AnswerKind<Value> {
  return formOf(item).kind(item)
}

/** The exact answer, reckoned plainly. */
export function itemAnswer(item: ItemProblem): Value {
  return formOf(item).answer(item)
}

/** The answers that are right besides, where more than one rule can be meant. */
export function itemOthers(item: ItemProblem): readonly Value[] {
  return formOf(item).others?.(item) ?? []
}

/** What stands between an item and its answer where both are said. */
export function itemJoint(item: ItemProblem): string {
  return formOf(item).joint ?? ': '
}
