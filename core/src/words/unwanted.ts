/** What no screen says: turns that are not plain modern English, and words that mean something to the program only. */

/** Old or literary turns, riddles, and labels that were tried and puzzled people. */
const TURNS = [
  'leans on',
  'lean on',
  'of late',
  'will not go',
  'is not it',
  'no more than',
  'kept here, to be sent',
  'One moment',
  'a name to pick from a list',
  'on the edge',
  'watched first',
  'This one',
  'due before they fade',
  'slow inside longer work',
  'judged by a common time',
  'is not made up for',
  'nothing is owed',
  'supposing each day',
  'To the bench',
  'in force',
  'at target',
  'not yet without steps',
  'Such as',
  'such problems',
  'clean',
  'every bead and its order',
  'the units short',
  'a ten passed on',
  'commit',
  'mend what',
  'shown again',
  'without redoing',
  'go in at one go',
  'only shadows',
  'tell what stands there',
  'comes off directly',
  'was forgotten',
  'is off:',
  'was typed for',
  'what you like of them',
  'not above it',
  'one too few',
  'nothing to hold',
  'not at first',
  'by itself is taken off',
  'needless',
  'window too wide',
  'hold the work up',
  'went wrong',
  'take out, bring in',
  'keep as PDF',
  'surely recalled',
  'the latest first',
  'leave it',
  'not recalled',
  'rub out',
  'size of the figures',
  'nothing left to take',
  'still list asks',
  'least work',
  'pass unseen',
  'lets nothing through',
  'are not worked here',
  'it leads to',
  'in one breath',
  'as usual',
  'other papers',
  'unpacked whole',
  'so many minutes',
] as const

/** Names of the program's own for what has a plain one. */
const PRIVATE = [
  'sitting',
  'dial',
  'dials',
  'judge',
  'judged',
  'judges',
  'slip',
  'slips',
  'school',
  'drop',
] as const

/** What of all that stands in a text, whole words only; letters large or small. */
export function unwantedIn(text: string): readonly string[] {
  const plain = text.replaceAll('’', "'")
  return [...TURNS, ...PRIVATE].filter((turn) => {
    const begin = /^\w/.test(turn) ? '\\b' : ''
    const end = /\w$/.test(turn) ? '\\b' : ''
    return new RegExp(`${begin}${turn.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}${end}`, 'i').test(plain)
  })
}
