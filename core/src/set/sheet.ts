/**
 * Sheets of paper: the items of a set, printed with a key and a code, so that they can be made again and keyed back in. A
 * sheet is stored with its list: no later version of the program changes it.
 */

import type { DrillItem } from '../drill/drill.js'
import { drillById } from '../drill/drills.js'
import { toWords } from '../number/decimal.js'
import { present } from '../number/present.js'
import { InputError } from '../problem/error.js'
import { orOthers, problemWords, readProblem } from '../problem/expression.js'
import { itemJoint } from '../problem/items/forms.js'
import { isItem, type Problem } from '../problem/problem.js'
import { techniqueById } from '../registry/techniques.js'
import { type Frame, LEAST_RODS, setNumber } from '../soroban/frame.js'
import { beadWorkOf, isAbacus } from '../soroban/step.js'
import type { Step, Technique } from '../technique/contract.js'
import { trace, variantOf } from '../technique/driver.js'
import { Walk } from '../technique/listening/walks.js'
import { SHEET_WORDS } from '../words/sets.js'
import { itemsOf, listedItem } from './items.js'
import { estimateBand, isStarred } from './paper.js'
import type { ListedProblem, PracticeSet, Recipe } from './recipe.js'

export const SHEET_SIZES = ['a4', 'letter'] as const
export const SHEET_ROOMS = ['answer', 'work'] as const
export const SHEET_KEYS = ['none', 'answers', 'worked'] as const
/** In how many columns a sheet can be printed. */
export const SHEET_COLUMNS = [1, 2, 3, 4] as const

export const SIGNS_OF_NUMBERS = {
  decimal: ['.', ','],
  grouping: ['space', 'none', 'sign', 'apostrophe', 'pairs'],
  times: ['×', '·', '*'],
  over: ['÷', ':', '/'],
} as const

/**
 * How numbers are written: what parts thousands is a thin space, nothing, an apostrophe, or the comma or point that is not the
 * decimal sign; that one may also part pairs above the thousands, as in India.
 */
export type NumberSigns = {
  readonly [K in keyof typeof SIGNS_OF_NUMBERS]: (typeof SIGNS_OF_NUMBERS)[K][number]
}

/** How a sheet is laid out. */
export interface SheetLayout {
  /** The size of its pages. */
  readonly size: (typeof SHEET_SIZES)[number]
  /** In how many columns. */
  readonly columns: (typeof SHEET_COLUMNS)[number]
  /** Figures half as large again. */
  readonly large: boolean
  /** A line for the answer alone, or room to work in. */
  readonly room: (typeof SHEET_ROOMS)[number]
  /** The answers on a page of their own, alone or with each step worked. */
  readonly key: (typeof SHEET_KEYS)[number]
  /** How its numbers are written. */
  readonly numbers: NumberSigns
}

/** How a sheet is printed where nothing is chosen. */
export const USUAL_LAYOUT: Omit<SheetLayout, 'numbers'> = {
  size: 'a4',
  columns: 2,
  large: false,
  room: 'answer',
  key: 'answers',
}

/** Most different papers of one recipe made at once. */
export const MOST_COPIES = 60

/** A sheet as it is stored: the same ever after. */
export interface NewSheet {
  /** The code printed on it, by which it is found again. */
  readonly code: string
  /** Sheets made together have one of these, a UUID, and are counted. */
  readonly batch: string
  /** Which of the papers made together, from 1. */
  readonly copy: number
  /** How many were made together. */
  readonly copies: number
  /** As it was typed. */
  readonly title: string
  /** ISO 8601, UTC. */
  readonly madeAt: string
  /** How it is printed. */
  readonly layout: SheetLayout
  /** Its problems, in order. */
  readonly list: readonly ListedProblem[]
  /** Points for an item, where there are any. */
  readonly marks?: Recipe['marks']
}

/** Signs of a code: no vowels, so that no word comes about, and none that looks like another. Their number is a prime. */
const SIGNS = '23456789BCDFGHJKLMNPQRSTVWXYZ'
const DRAWN_SIGNS = 7
/** Whole numbers a code is made of, each below `CODE_BASE`. */
export const CODE_LENGTH = DRAWN_SIGNS
/** How many signs a code is made of. */
export const CODE_BASE = SIGNS.length

/**
 * The sign that ends a code: the signs before it weighted by their place, modulo the prime. So every single wrong sign and
 * every swap of two is seen (as in the check digit of ISBN-10, ISO 2108).
 */
function checkSign(signs: string): string {
  const sum = [...signs].reduce((total, sign, i) => total + (i + 2) * SIGNS.indexOf(sign), 0)
  return SIGNS.charAt(sum % CODE_BASE)
}

/** A code of drawn numbers: "K7WP-3XND". @param drawn `CODE_LENGTH` whole numbers from 0, each below `CODE_BASE` */
export function codeOf(drawn: readonly number[]): string {
  const signs = drawn.map((n) => SIGNS.charAt(n)).join('')
  const all = signs + checkSign(signs)
  return `${all.slice(0, 4)}-${all.slice(4)}`
}

/** Is this a code as it is stored? */
export function isCode(text: string): boolean {
  return readCode(text) === text
}

/** A code as somebody types it, in any case, with or without its dash; undefined where a sign is wrong or missing. */
export function readCode(text: string): string | undefined {
  const signs = text.toUpperCase().replace(/[\s-]/g, '')
  if (signs.length !== DRAWN_SIGNS + 1 || [...signs].some((sign) => !SIGNS.includes(sign))) return undefined
  const [drawn, check] = [signs.slice(0, DRAWN_SIGNS), signs.charAt(DRAWN_SIGNS)]
  return checkSign(drawn) === check ? `${drawn.slice(0, 4)}-${drawn.slice(4)}${check}` : undefined
}

/**
 * The items of a set as they stand on a sheet.
 * @throws InputError where one of a recorded list is not known, or the set cannot be drawn
 */
export function sheetList(set: PracticeSet): readonly ListedProblem[] {
  return itemsOf(set).map((item) => {
    if (!item) throw new InputError('One of these problems is not known: it cannot be put on paper.')
    return listedItem(item)
  })
}

/** The recipe of a sheet: its list, worked on paper without a clock. Points stay; it is no paper against the clock. */
export function sheetRecipe({
  code,
  title,
  list,
  marks,
}: Pick<NewSheet, 'code' | 'title' | 'list' | 'marks'>): Recipe {
  return {
    sources: [{ kind: 'listed', problems: list }],
    order: 'listed',
    clock: { kind: 'none' },
    support: 'answer',
    answers: 'at-end',
    ...(marks && { marks }),
    sheet: code,
    name: title,
  }
}

/** An item of a sheet in words. */
export interface SheetItem {
  /** "36 × 52 = "; of a table and of what is asked about finished work each line by itself. */
  readonly asked: string
  /** Lines above it: the rows of a table, or what is looked at. */
  readonly above: readonly string[]
  /** The form that is asked for, where that needs saying: "as a fraction in lowest terms". */
  readonly form: string
  /** Is only an estimate asked? */
  readonly starred: boolean
  /** A frame to be read, or to draw beads on; undefined where there is none. */
  readonly frame: Frame | undefined
  /** Is the answer drawn on the frame rather than written? */
  readonly toDraw: boolean
}

/** An item of the key in words. */
export interface KeyItem {
  /** The answer, as people write it. */
  readonly answer: string
  /** What else is right, where an estimate is asked. */
  readonly band: string | undefined
  /** Each step: "6 × 2 = 12". */
  readonly steps: readonly string[]
  /** The beads of a number that was to be set. */
  readonly frame: Frame | undefined
}

/** What is asked of the form, without the question itself, which every item shares. */
export const formAsked = (ask: string): string => /\((.+)\)/.exec(ask)?.[1] ?? ''

/**
 * An item as it stands on a sheet.
 * @throws InputError for an expression that is none
 */
export function sheetItem(listed: ListedProblem): SheetItem {
  const drill = drillById(listed.technique)
  if (drill) return drillItem(listed, drill.read(listed.expression))
  const { technique, problem, whole } = begun(listed)
  const beads = beadsAsked(technique, problem)
  if (beads)
    return {
      asked: beads.asked,
      above: [],
      form: '',
      starred: false,
      frame: beads.frame,
      toDraw: beads.solved !== undefined,
    }
  const joint = isItem(problem) ? itemJoint(problem) : ' = '
  const form = formAsked(whole.ask)
  return {
    asked: inPrint(problemWords(problem) + joint),
    above: [],
    form,
    starred: isStarred(listed),
    frame: undefined,
    toDraw: false,
  }
}

/** @param worked are the steps wanted too? */
export function keyItem(listed: ListedProblem, worked: boolean): KeyItem {
  const drill = drillById(listed.technique)
  if (drill) {
    const { questions } = drill.read(listed.expression)
    const answers = questions.map(({ kind, expect }) => kind.say(expect))
    return { answer: inPrint(answers.join(', ')), band: undefined, steps: [], frame: undefined }
  }
  const { technique, problem, variant, whole } = begun(listed)
  // Bead by bead says nothing on paper.
  const steps = worked && !isAbacus(technique) ? trace(technique, problem, variant) : undefined
  return {
    answer: whole.kind.say(whole.expect) + orOthers(problem),
    band: estimateBand(problem),
    steps: steps?.steps.map((step, i) => inPrint(stepLine(step, present(steps.entries[i])))) ?? [],
    frame: beadsAsked(technique, problem)?.solved,
  }
}

/** A number to be read off a frame, or to be set on one. */
function beadsAsked(technique: Technique, problem: Problem) {
  if (!isAbacus(technique) || problem.kind !== 'number') return undefined
  const { number } = problem
  const frame = technique.frame(problem, LEAST_RODS)
  const solved = setNumber(frame, number)
  return beadWorkOf(present(trace(technique, problem, variantOf(technique)).steps[0]))?.kind === 'read'
    ? { asked: SHEET_WORDS.read, frame, solved: undefined }
    : { asked: SHEET_WORDS.set(toWords(number)), frame, solved }
}

/** A table by its rows, a fact as it is asked, anything else as it is told of; below it what is asked, with what may be chosen. */
function drillItem({ technique, expression }: ListedProblem, { says, questions }: DrillItem): SheetItem {
  const choices = (q: DrillItem['questions'][number]) =>
    q.kind.choices ? ` (${q.kind.choices.map((c) => c.name).join(' / ')})` : ''
  const last = present(questions.at(-1))
  const joint = last.kind.choices
    ? `${choices(last)} `
    : technique !== 'fact'
      ? ' '
      : isReckoned(last.ask)
        ? ' = '
        : ': '
  return {
    above:
      technique === 'fact'
        ? []
        : technique === 'grid'
          ? expression.split('; ').map((row) => row.replaceAll(' ', '   '))
          : [inPrint(says), ...questions.slice(0, -1).map((q) => q.ask + choices(q))],
    asked: technique === 'grid' ? SHEET_WORDS.sums : `${last.ask}${joint}`,
    form: '',
    starred: false,
    frame: undefined,
    toDraw: false,
  }
}

/** Is it written in figures and signs alone? */
const isReckoned = (ask: string) => !/[a-z]/.test(ask)

/** A cube root in signs that every face for print has. */
const inPrint = (text: string) => text.replaceAll('∛', '³√')

const stepLine = (step: Step, value: Parameters<Step['kind']['say']>[0]): string =>
  step.reckons && /[+−×÷√]/.test(step.reckons)
    ? `${step.reckons} = ${step.kind.say(value)}`
    : `${step.ask} ${step.kind.say(value)}`

function begun({ technique: id, expression }: ListedProblem) {
  const technique = techniqueById(id)
  const problem = readProblem(expression)
  const variant = variantOf(technique)
  return { technique, problem, variant, whole: Walk.begin(technique, problem, variant).whole() }
}
