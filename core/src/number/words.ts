/** Numbers said in words. */

import { type Decimal, power10 } from './decimal.js'
import { GROUPS } from './places.js'
import { present } from './present.js'
import { wholePart } from './whole.js'

const ONES = [
  '',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
  'thirteen',
  'fourteen',
  'fifteen',
  'sixteen',
  'seventeen',
  'eighteen',
  'nineteen',
]
const TENS = ['', '', 'twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety']

function belowThousand(n: number): string {
  const hundreds = n >= 100 ? `${ONES[Math.floor(n / 100)]} hundred` : ''
  const rest = n % 100
  const small =
    rest < 20
      ? present(ONES[rest])
      : `${TENS[Math.floor(rest / 10)]}${rest % 10 ? `-${ONES[rest % 10]}` : ''}`
  return [hundreds, small].filter(Boolean).join(' ')
}

/** A number of 0 or more in words (short scale), its decimals digit by digit: "four thousand ninety-six point five". */
export function inWords(value: Decimal): string {
  const whole = wholePart(value)
  const groups: string[] = []
  for (let [n, i] = [whole, 0]; n > 0n; n /= 1000n, i += 1)
    if (n % 1000n > 0n)
      groups.unshift(`${belowThousand(Number(n % 1000n))} ${GROUPS[i] ?? `times ten to the ${3 * i}`}`.trim())
  const part =
    value.scale === 0 ? '' : (value.units % power10(value.scale)).toString().padStart(value.scale, '0')
  const digits = [...part].map((d) => (d === '0' ? 'zero' : ONES[Number(d)]))
  return [groups.join(' ') || 'zero', ...(part ? ['point', ...digits] : [])].join(' ')
}
