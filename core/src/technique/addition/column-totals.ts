/**
 * add-column-totals: sum every column fully, from the left, its tens spilling one place left, and say the estimate
 * as it sharpens; nothing is carried while adding. 4268+1907+3355+2840: 10, 22, 15, 20; estimates 10000, 12200,
 * 12350, 12370. Not the fastest: it is for those who lose carries.
 */
import { add, atPlace, type Decimal, decimal, subtract, toWords, ZERO } from '../../number/decimal.js'
import { placeName, placeTitle } from '../../number/places.js'
import { shape } from '../../problem/shape.js'
import { sumSpace } from '../../problem/sums.js'
import { sumBoard } from '../boards.js'
import type { AnswerCell } from '../contract.js'
import { sumLoad } from '../facts.js'
import { level } from '../level.js'
import { lineOf } from '../line.js'
import { step, technique } from '../make.js'
import { columnLoad, columnsOf } from './columns.js'
import { readPlainSum } from './parts.js'

const list = (terms: number, digits: number) => Array.from({ length: terms }, () => shape(digits))

export const addColumnTotals = technique({
  id: 'add-column-totals',
  name: 'Column totals',
  family: 'addition',
  about: 'Sum every column fully from the left, its tens spilling over; the estimate sharpens as you go.',
  needs: ['add-place-sweep'],
  lesson: {
    example: '4268+1907+3355+2840',
    when: 'Many numbers under each other, and carries get lost.',
    whenNot: 'Speed is all: a place sweep has fewer steps.',
    because: [
      'Each column counts its own place: 10 thousands, 22 hundreds, 15 tens, 20 units.',
      'Written with their tens one place to the left, nothing has to be carried in mind.',
      'Every total added makes the estimate ten times sharper.',
    ],
  },
  schools: [],
  // Targets: common practice, no published source.
  levels: [
    level('Three two-digit numbers', 6, () => sumSpace({ terms: list(3, 2) })),
    level('Four two-digit numbers', 8, () => sumSpace({ terms: list(4, 2) })),
    level('Three three-digit numbers', 9, () => sumSpace({ terms: list(3, 3) })),
    level('Four three-digit numbers', 11, () => sumSpace({ terms: list(4, 3) })),
    level('Four numbers with one decimal', 11, () =>
      sumSpace({ terms: Array.from({ length: 4 }, () => shape(2, 1)) }),
    ),
    level('Five three-digit numbers with two zeros', 13, () => sumSpace({ terms: list(5, 3), zeros: 2 })),
    level('Four four-digit numbers', 15, () => sumSpace({ terms: list(4, 4) })),
    level('Ten three-digit numbers', 22, () => sumSpace({ terms: list(10, 3) })),
  ],
  dials: sumBoard([3, 12]),
  read: readPlainSum,
  *work(problem) {
    const columns = columnsOf(problem).reverse()
    const lowest = columns.at(-1)!.place
    let raw: readonly AnswerCell[] = []
    let estimate = ZERO
    for (const { place, digits, sum } of columns) {
      const last = place === lowest
      const shown = digits.join(' + ')
      const standing = raw
      const total: Decimal = yield step({
        action: 'column-total',
        place,
        ask: () => `${placeTitle(place)}: ${shown}. What is the whole column?`,
        why: 'The column is summed whole; a second digit spills one place to the left.',
        expect: decimal(sum),
        writes: () => ({
          negative: false,
          cells: [...standing, { place, digits: String(sum), draft: true }],
        }),
        holds: estimate.units > 0n ? [{ what: 'estimate', value: estimate }] : [],
        load: () => columnLoad(digits),
        slips: (slip) => {
          const right = `${shown} = ${sum}`
          for (const off of [-1, 1])
            slip(
              'fact',
              decimal(sum + off),
              3,
              `${placeTitle(place)}: one too ${off < 0 ? 'few' : 'many'}. ${right}.`,
            )
          for (const off of [-10, 10])
            slip(
              'column-ten',
              decimal(sum + off),
              2,
              `${placeTitle(place)}: a ten too ${off < 0 ? 'few' : 'many'}. ${right}.`,
            )
          for (const d of new Set(digits))
            if (d > 1 && d !== sum)
              slip(
                'digit-left-out',
                decimal(sum - d),
                2,
                `${placeTitle(place)}: a ${d} was left out. ${right}.`,
              )
          if (sum >= 10)
            slip(
              'tens-dropped',
              decimal(sum % 10),
              5,
              `${placeTitle(place)}: the whole sum, with its tens. ${right}.`,
            )
        },
      })
      const totals = [...raw, { place, digits: String(total.units), draft: true }]
      raw = totals
      const part = atPlace(total.units, place)
      const before = estimate
      const expect = add(before, part)
      estimate = yield step({
        action: last ? 'settle' : 'estimate',
        place,
        ask:
          before.units === 0n
            ? `${toWords(decimal(total.units))} ${placeName(place)}: what is the first estimate?`
            : `${toWords(before)} and ${toWords(decimal(total.units))} ${placeName(place)}: what is the ${last ? 'sum' : 'estimate now'}?`,
        why: `The total counts ${placeName(place)}, so its tens belong one place to the left.`,
        expect,
        writes: () => (last ? lineOf(expect, lowest) : { negative: false, cells: totals }),
        holds: last ? [] : [{ what: 'estimate', value: expect }],
        load: () => sumLoad(before.units, part.units),
        slips: (slip) => {
          const right = `${toWords(decimal(total.units))} ${placeName(place)} are ${toWords(part)}`
          if (before.units > 0n) {
            if (place > lowest)
              slip(
                'wrong-place',
                add(before, atPlace(total.units, place - 1)),
                3,
                `Counted one place too low: ${right}.`,
              )
            slip(
              'wrong-place',
              add(before, atPlace(total.units, place + 1)),
              3,
              `Counted one place too high: ${right}.`,
            )
            if (total.units >= 10n)
              slip(
                'spill-lost',
                subtract(expect, atPlace(total.units / 10n, place + 1)),
                6,
                `The ${total.units / 10n} that spills to the ${placeName(place + 1)} was left out: ${right}.`,
              )
            slip('total-left-out', before, 2, `The ${placeName(place)} are still to be added: ${right}.`)
          } else {
            slip('wrong-place', atPlace(total.units, place - 1), 3, `${right}.`)
            slip('wrong-place', atPlace(total.units, place + 1), 3, `${right}.`)
          }
        },
      })
    }
    return estimate
  },
})
