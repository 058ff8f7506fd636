/** Ways of working that are followed without being offered as a choice, by option and value. */
export const WAYS: Readonly<Record<string, string>> = {
  'half back-first': 'the back before the front',
  'mending first': 'change the digit before, then write',
  'mending after': 'write, then change the digit before',
  'parts right': 'the parts from the right',
  'parts blocks': 'two digits at a time from the right',
  'round other': 'the other number rounded',
}
