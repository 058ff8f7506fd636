/** Kinds of learners the coach is examined with; some are kept back, so that nothing is made to fit them. */
import type { Mind } from './examinee.js'

export interface ExamineeKind {
  readonly id: string
  readonly name: string
  readonly mind: Mind
  /** Not to be run before the coach is done: for closing figures only. */
  readonly heldOut: boolean
}

const ADULT: Mind = {
  countMs: 260,
  recallMs: 650,
  carryMs: 450,
  lookMs: 900,
  handMs: 150,
  scatter: 0.32,
  knows: 0.85,
  gain: 0.35,
  halfLife: 6,
  steadier: 1.7,
  slips: 0.012,
  newness: 1.1,
  wears: 14,
  transfer: 0.15,
  forgets: 60,
  moods: 0.1,
  tires: 0.01,
  patienceMs: 90_000,
  attends: 0.8,
}
const TWELVE: Mind = {
  ...ADULT,
  countMs: 420,
  recallMs: 900,
  carryMs: 750,
  lookMs: 1500,
  handMs: 220,
  scatter: 0.36,
  knows: 0.65,
  gain: 0.3,
  slips: 0.016,
  wears: 18,
  moods: 0.12,
}
const TEN: Mind = {
  ...TWELVE,
  countMs: 560,
  recallMs: 1200,
  carryMs: 1000,
  lookMs: 2100,
  handMs: 280,
  scatter: 0.4,
  knows: 0.45,
  gain: 0.26,
  slips: 0.02,
  wears: 22,
  forgets: 40,
  moods: 0.15,
  tires: 0.02,
}
const EIGHT: Mind = {
  ...TEN,
  countMs: 700,
  recallMs: 1550,
  carryMs: 1350,
  lookMs: 2800,
  handMs: 380,
  scatter: 0.42,
  knows: 0.25,
  gain: 0.22,
  slips: 0.026,
  wears: 26,
  tires: 0.03,
  patienceMs: 60_000,
}

const kind = (id: string, name: string, mind: Mind, heldOut = false): ExamineeKind => ({
  id,
  name,
  mind,
  heldOut,
})

/** The kinds of paper that are examined from outside. */
export const EXAMINEES: readonly ExamineeKind[] = [
  kind('eight', 'a pupil of eight', EIGHT),
  kind('ten', 'a pupil of ten', TEN),
  kind('twelve', 'a pupil of twelve', TWELVE),
  kind('adult', 'an ordinary adult', ADULT),
  kind('fast', 'a fast adult', {
    ...ADULT,
    countMs: 160,
    recallMs: 420,
    carryMs: 260,
    lookMs: 600,
    handMs: 105,
    knows: 0.97,
    slips: 0.008,
    wears: 9,
  }),
  kind('plateau', 'an adult who stands still for a while', { ...ADULT, plateau: [15, 60] }),
  kind('forgetful', 'a pupil of twelve who loses what is left alone', {
    ...TWELVE,
    forgets: 14,
    halfLife: 3,
  }),
  kind('away', 'a pupil of ten who is away for three weeks', { ...TEN, away: [40, 61] }),
  kind(
    'jump',
    'an adult who sees a shorter way after a while',
    { ...ADULT, jump: { after: 40, share: 0.5 } },
    true,
  ),
  kind('moody', 'a pupil of twelve with good and bad days', { ...TWELVE, moods: 0.3, tires: 0.05 }, true),
  kind('kindred', 'an adult whom one technique helps with others', { ...ADULT, transfer: 0.6 }, true),
  kind('unsure', 'a pupil of eight who slips often', { ...EIGHT, slips: 0.04, knows: 0.15 }, true),
]
