/** Medians, by way of simple-statistics: one interruption must not spoil a figure, as it would spoil a mean. */
import { median as middle, quantile } from 'simple-statistics'

/** The median, the mean of the middle two for an even count; NaN for none. */
export function middleOf(values: readonly number[]): number {
  return values.length === 0 ? Number.NaN : middle(values as number[])
}

/** The value below which a share of the values lies; NaN for none. @param share from 0 to 1 */
export function quantileOf(values: readonly number[], share: number): number {
  return values.length === 0 ? Number.NaN : quantile(values as number[], share)
}

/** The median of whole milliseconds, rounded to a whole one. Undefined for none. */
export function median(values: readonly number[]): number | undefined {
  return values.length === 0 ? undefined : Math.round(middleOf(values))
}
