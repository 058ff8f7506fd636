/** Words of all paper kinds. */
export const PAPER_KIND = {
  hard: 'How hard',
  answer: 'What is the answer?',
} as const
