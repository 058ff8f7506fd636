/** Prime factors and divisors of whole numbers. */

/** The prime factors of a number of 1 and more with their exponents, smallest first; none for 1. */
export function primeFactors(n: bigint): readonly (readonly [prime: bigint, exponent: bigint])[] {
  const found: [bigint, bigint][] = []
  let rest = n
  for (let p = 2n; p * p <= rest; p += 1n) {
    let exponent = 0n
    for (; rest % p === 0n; rest /= p) exponent += 1n
    if (exponent > 0n) found.push([p, exponent])
  }
  if (rest > 1n) found.push([rest, 1n])
  return found
}

export function isPrime(n: bigint): boolean {
  const [first] = n > 1n ? primeFactors(n) : []
  return first?.[0] === n
}

const RAISED = '⁰¹²³⁴⁵⁶⁷⁸⁹'

/** The first prime above a number. */
export function nextPrime(n: bigint): bigint {
  let p = n + 1n
  while (!isPrime(p)) p += 1n
  return p
}

/** A whole number of 0 and more as an exponent. */
export function raised(n: bigint | number): string {
  return [...String(n)].map((d) => RAISED[Number(d)]).join('')
}
