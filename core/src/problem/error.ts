/** Something a person typed or sent that cannot be used. The message says what is wrong and what to do. */
export class InputError extends Error {
  /** Told apart from faults of the program by this. */
  override readonly name = 'InputError'
  constructor(
    message: string,
    /** Index of the offending character in the text, where there is one. */
    readonly at?: number,
  ) {
    super(message)
  }
}
