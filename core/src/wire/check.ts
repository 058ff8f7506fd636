import type Joi from 'joi'

/**
 * Checks a value against a schema; strings are not turned into numbers except where `convert` is set.
 * @returns the checked value, or a message naming every fault.
 */
export function check<T>(
  schema: Joi.Schema<T>,
  value: unknown,
  convert = false,
): { value: T } | { error: string } {
  const result = schema.validate(value, { convert, abortEarly: false, errors: { wrap: { label: false } } })
  return result.error
    ? {
        error: `${result.error.details
          .map((d) => d.message)
          .slice(0, 5)
          .join('; ')}.`,
      }
    : { value: result.value as T }
}
