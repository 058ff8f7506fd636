/** Ways of working that are followed without being offered as a choice, by option and value. */
export const WAYS: Readonly<Record<string, string>> = {
  'half back-first': 'the back before the front',
  'half carried': 'the front with what comes over from the back',
  'half carried-at-once': 'the front with what comes over from the back',
  'half back-carried': 'the back, then the front with what comes over',
  'square first': 'the square of the step first',
  'surplus first': 'what is taken back first',
  'settle digits': 'all totals first, then digit by digit from the right',
  'mending raw': 'all sums first, then digit by digit from the right',
  'mending first': 'change the digit before, then write',
  'mending after': 'write, then change the digit before',
  'parts right': 'the parts from the right',
  'parts blocks': 'two digits at a time from the right',
  'round other': 'the other number rounded',
}
