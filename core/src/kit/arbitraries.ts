/** Random things for property tests. */
import fc from 'fast-check'

/** Decimal numbers of up to 30 digits written out, none below 0. */
export const numbers = fc.oneof(
  fc.bigInt(0n, 10n ** 30n - 1n).map(String),
  fc
    .tuple(fc.bigInt(0n, 10n ** 12n), fc.stringMatching(/^\d{1,5}[1-9]$/))
    .map(([whole, part]) => `${whole}.${part}`),
)
