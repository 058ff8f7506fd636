/** What must hold for a trick to fit, said of a problem it does not hold for. */
export const CONDITIONS = {
  'near-base/near': 'no: not both numbers are near 10, 100, 1000',
  'near-base/same': 'no: they are near different round numbers',
  'square-near/near': 'no: it is not near 10, 100, 1000',
  'square-near/gap': 'no: the square of its gap is hard',
  'same-head/heads': 'no: the heads are different',
  'same-head/units': 'no: the last digits do not make 10',
  'ending-five/five': 'no: it does not end in 5',
  'ten-pair/twins': 'no: neither number has two equal digits',
  'ten-pair/ten': 'no: the digits of the other number do not make 10',
  'ones/ones': 'no: neither number is made of ones',
  'nines/nines': 'no: neither number is made of nines',
  'nines/zeros': 'no: the zeros make it simpler than that',
  'common/shared': 'no: the two products share no number',
  'common/round': 'no: the other two do not make a round number',
  'double/five': 'no: doubling makes neither number rounder',
  'double/even': 'no: the other number cannot be halved',
  'balance/round': 'no: it is round itself',
  'round-up/round': 'no: what is taken away is round itself',
  'round-up/room': 'no: the rounder number is too large to take away',
  'compensation/round': 'no: neither number is just below a round one',
} as const

export type ConditionId = keyof typeof CONDITIONS
