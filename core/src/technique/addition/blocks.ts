/**
 * add-blocks: two digits at a time from the right, write two and carry the rest. 4738+2685: 38 + 85 = 123, write 23;
 * 47 + 26 + 1 = 74: 7423.
 */
import { type Decimal, decimal, unitsAt } from '../../number/decimal.js'
import { placeName } from '../../number/places.js'
import { ADD_BLOCKS } from '../../words/addition.js'
import { at, REMARK } from '../../words/steps.js'
import type { AnswerCell, Step } from '../contract.js'
import { NO_LOAD, sumLoad, together } from '../facts.js'
import { digitCells } from '../line.js'
import { misfit, step, technique } from '../make.js'
import { sumBoard } from '../quantities/boards.js'
import { columnTotal } from '../quantities/quantities.js'
import { rangeOf, readPlainSum } from './parts.js'

export const addBlocks = technique({
  id: 'add-blocks',
  words: ADD_BLOCKS,
  family: 'addition',
  needs: ['add-running-total'],
  // Targets: common practice, no published source.
  levels: [
    ['Four digits, nothing to carry', 4, { carries: 0 }],
    ['Four digits, one carry', 4.5, { carries: 1 }],
    ['Four digits', 5, {}],
    ['Three digits', 4, { digits: 3 }],
    ['Two decimals', 6, { digits: 3, decimals: 2 }],
    ['Numbers of different length', 6, { digits: 6, shortest: 3 }],
    ['Six digits', 7.5, { digits: 6 }],
    ['Three numbers of four digits', 9, { terms: 3 }],
    ['Twelve digits', 15, { digits: 12 }],
  ],
  parameters: sumBoard([2, 6], false, [3, 4]),
  read(problem) {
    const found = readPlainSum(problem)
    if ('because' in found) return found
    const { lowest, highest } = rangeOf(found)
    return highest - lowest < 2 ? misfit(ADD_BLOCKS.one) : found
  },
  *work(problem) {
    const { lowest, highest } = rangeOf(problem)
    let carried = 0
    let size = 0n
    let unit = 1n
    let written: readonly AnswerCell[] = []
    for (let place = lowest; place <= highest; place += 2, unit *= 100n) {
      const parts = problem.terms.map((t) => Number((unitsAt(t.size, -lowest) / unit) % 100n))
      const last = place + 2 > highest
      const total: Decimal = yield blockStep({ place, parts, carried, last }, written)
      const said = Number(total.units)
      carried = last ? 0 : Math.floor(said / 100)
      size += BigInt(last ? said : said % 100) * unit
      written = cellsOf(said, place, last, written)
    }
    return decimal(size, -lowest)
  },
})

interface Block {
  readonly place: number
  readonly parts: readonly number[]
  /** What the block to the right carries in. */
  readonly carried: number
  readonly last: boolean
}

function cellsOf(total: number, place: number, last: boolean, written: readonly AnswerCell[]): AnswerCell[] {
  const digits = last ? String(total) : String(total % 100).padStart(2, '0')
  return [...digitCells(digits, place), ...written]
}

function blockStep({ place, parts, carried, last }: Block, written: readonly AnswerCell[]): Step {
  // A number that is too short for this block has nothing to add.
  const shown = parts.some((p) => p > 0) ? parts.filter((p) => p > 0) : [0]
  const plain = columnTotal(
    shown.map((p) => ({ text: String(p), value: p, load: NO_LOAD })),
    carried,
  )
  const sum = Number(plain.value.units)
  const total = sum + carried
  const text = carried > 0 ? `${plain.text} + ${carried}` : plain.text
  const right = `${text} = ${total}`
  return step({
    action: 'block',
    place,
    ask: ADD_BLOCKS.ask(placeName(place), plain.text, carried),
    why: last ? ADD_BLOCKS.whyLast : ADD_BLOCKS.why,
    expect: decimal(total),
    // The two digits to be written say it too.
    meant: (n) => (!last && n.scale === 0 && n.units === BigInt(total % 100) ? decimal(total) : undefined),
    writes: () => ({ negative: false, cells: cellsOf(total, place, last, written) }),
    holds: last || total < 100 ? [] : [{ what: 'carry', value: decimal(Math.floor(total / 100)) }],
    reckons: text,
    load: () => {
      let before = 0n
      const each = [...shown, carried].map((p) => {
        const load = before > 0n && p > 0 ? sumLoad(before, BigInt(p)) : NO_LOAD
        before += BigInt(p)
        return load
      })
      return together(...each)
    },
    slips(slip) {
      if (carried > 0) slip('carry-lost', decimal(sum), 8, at(place, ADD_BLOCKS.carry(carried, right)))
      for (const p of new Set(shown.length > 1 ? shown : []))
        slip('part-left-out', decimal(total - p), 2, at(place, ADD_BLOCKS.leftOut(String(p), right)))
      for (const off of [-10, 10])
        if (total + off >= 0)
          slip('ten-off', decimal(total + off), 4, at(place, ADD_BLOCKS.tenOff(off < 0, right)))
      if (total > 0) slip('fact', decimal(total - 1), 2, at(place, REMARK.off(right)))
      slip('fact', decimal(total + 1), 2, at(place, REMARK.off(right)))
    },
  })
}
