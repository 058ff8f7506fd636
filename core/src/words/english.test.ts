import { expect, test } from 'vitest'
import { count, listed, plural, seconds, targetWords, times } from './english.js'

test('one is one, everything else many, with thousands parted', () => {
  expect([0, 1, 2, 1234].map((n) => count(n, 'place'))).toEqual([
    '0 places',
    '1 place',
    '2 places',
    '1\u2009234 places',
  ])
  expect(count(1n, 'try', 'tries')).toBe('1 try')
  expect(count(3n, 'try', 'tries')).toBe('3 tries')
  expect([1, 2].map((n) => plural(n, 'carry', 'carries'))).toEqual(['carry', 'carries'])
})

test('how often is a word up to five times, a number from there on', () => {
  expect([0, 1, 2, 3, 4, 5, 6, 12].map(times)).toEqual([
    'never',
    'once',
    'twice',
    'three times',
    'four times',
    'five times',
    '6 times',
    '12 times',
  ])
})

test('a list ends with "and", or another word; one alone stands alone', () => {
  expect(listed([])).toBe('')
  expect(listed(['a'])).toBe('a')
  expect(listed(['a', 'b'])).toBe('a and b')
  expect(listed(['a', 'b', 'c'], 'or')).toBe('a, b or c')
})

test('a time has one decimal below a minute, minutes from where it would be rounded to one; a target is round', () => {
  expect([0, 3240, 59_949].map(seconds)).toEqual(['0.\u20600 s', '3.\u20602 s', '59.\u20609 s'])
  expect([59_950, 60_000, 95_000, 3_599_600].map(seconds)).toEqual([
    '1 min 0 s',
    '1 min 0 s',
    '1 min 35 s',
    '60 min 0 s',
  ])
  expect([null, undefined].map(seconds)).toEqual(['–', '–'])
  expect([4000, 2500, 750, 90_000].map(targetWords)).toEqual(['4 s', '2.\u20605 s', '0.\u206075 s', '90 s'])
})
