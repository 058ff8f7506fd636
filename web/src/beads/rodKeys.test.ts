import { decimal } from '@tachymetra/core/number'
import { clearFrame, frameValue, lowestRod, rodAt, setNumber } from '@tachymetra/core/soroban'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { chooseRod, digitKey, earthKey, type Hand, heavenKey, numberKeys } from './rodKeys.js'

const RODS = 5
const MOST = 10n ** BigInt(RODS)
const hand = (value: bigint, chosen = 0): Hand => ({
  frame: setNumber(clearFrame(RODS), decimal(value)),
  chosen,
})
const value = (h: Hand) => frameValue(h.frame).units
const shown = fc.bigInt({ min: 0n, max: MOST - 1n })
const rod = fc.integer({ min: 0, max: RODS - 1 })
const digit = fc.integer({ min: 0, max: 9 })

test('a digit added or taken is added or taken, all the way through nines and zeros; what does not fit is said and left', () => {
  fc.assert(
    fc.property(shown, rod, digit, fc.constantFrom('add', 'take'), (v, at, d, means) => {
      const after = digitKey(hand(v, at), d, means as 'add' | 'take')
      const sum = v + BigInt(means === 'add' ? d : -d) * 10n ** BigInt(at)
      const goes = sum >= 0n && sum < MOST
      expect(value(after)).toBe(goes ? sum : v)
      expect(after.notice === undefined).toBe(goes)
      expect(after.chosen).toBe(at)
    }),
  )
})

test('a digit set stands on its rod, the others stay, and the hand goes one to the right', () => {
  fc.assert(
    fc.property(shown, rod, digit, (v, at, d) => {
      const before = hand(v, at)
      const after = digitKey(before, d, 'set')
      expect(rodAt(after.frame, at)).toBe(d)
      expect(value(after) - v).toBe(BigInt(d - rodAt(before.frame, at)) * 10n ** BigInt(at))
      expect(after.chosen).toBe(Math.max(lowestRod(before.frame), at - 1))
    }),
  )
})

test('single beads: five by the heaven bead, one by an earth bead, none where none is left; two presses undo each other', () => {
  fc.assert(
    fc.property(shown, rod, fc.constantFrom(1, -1), (v, at, by) => {
      const before = hand(v, at)
      const on = rodAt(before.frame, at)
      expect(Math.abs(rodAt(heavenKey(before).frame, at) - on)).toBe(5)
      expect(value(heavenKey(heavenKey(before)))).toBe(v)
      const moved = earthKey(before, by as 1 | -1)
      const room = by > 0 ? on % 5 < 4 : on % 5 > 0
      expect(rodAt(moved.frame, at)).toBe(room ? on + by : on)
      if (room) expect(value(earthKey(moved, -by as 1 | -1))).toBe(v)
      const there = chooseRod(before, by)
      expect(there.chosen).toBe(Math.max(0, Math.min(RODS - 1, at + by)))
      expect(value(there)).toBe(v)
    }),
  )
})

test('a number typed digit by digit takes the whole frame; one too long for it is said and leaves it', () => {
  fc.assert(
    fc.property(shown, rod, fc.bigInt({ min: 0n, max: 10n * MOST }), (v, at, number) => {
      const after = numberKeys(hand(v, at), String(number))
      const fits = number < MOST
      expect(value(after)).toBe(fits ? number : v)
      expect(after.notice === undefined).toBe(fits)
      expect(after.chosen).toBe(at)
    }),
  )
  expect(value(numberKeys(hand(41n), ''))).toBe(0n)
  expect(value(numberKeys(hand(41n), '-'))).toBe(41n)
})
