/** What comes of running several simulated learners of a kind, put into words and figures. */
import type { SimulatedDay, SimulationInput } from '@tachymetra/core/simulate'
import { axis, type Ink } from '../charts/axis.js'

export interface SimulationAsked {
  readonly runs: readonly (SimulationInput & { readonly policy: Policy })[]
}

/** What the plan is shown beside. */
export const COMPARED = ['plan', 'one-by-one', 'random'] as const
type Policy = (typeof COMPARED)[number]

/** One simulated learner's days. */
export interface Run {
  readonly policy: Policy
  readonly seed: number
  readonly days: readonly SimulatedDay[]
}

export const POLICY_NAMES: Record<Policy, string> = {
  plan: 'by the plan',
  random: 'at random',
  'one-by-one': 'one after the other',
}
const DASHES: Record<Policy, string> = { plan: 'solid', random: 'dot', 'one-by-one': 'dash' }

/** The first day on which so many techniques have come so far; undefined where that is not in the weeks looked at. */
export function reached({ days }: Run, of: 'known' | 'halfway', many: number): SimulatedDay | undefined {
  return days.find((d) => d[of] >= many)
}

const weekOf = (day: number) => Math.ceil(day / 7)
const span = (low: number, high: number) => (low === high ? `${low}` : `${low} to ${high}`)

/** "after 12 to 17 weeks (4 to 6 hours of practice)", and how many of the runs did not come so far. */
export function rangeWords(
  runs: readonly Run[],
  of: 'known' | 'halfway',
  goal: number,
  mostWeeks: number,
): string {
  const days = runs.flatMap((run) => reached(run, of, goal) ?? [])
  const not = runs.length - days.length
  if (days.length === 0) return `not within ${mostWeeks} weeks`
  const weeks = days.map((d) => weekOf(d.day))
  const minutes = days.map((d) => d.minutes)
  const last = Math.max(...weeks)
  const [low, high] = [Math.min(...minutes), Math.max(...minutes)]
  const practice =
    high < 90
      ? `${span(Math.round(low), Math.round(high))} minutes`
      : `${span(Math.max(1, Math.round(low / 60)), Math.round(high / 60))} hours`
  const some = not > 0 ? `; ${not} of ${runs.length} not within ${mostWeeks} weeks` : ''
  return `after ${span(Math.min(...weeks), last)} ${last === 1 ? 'week' : 'weeks'} (${practice} of practice)${some}`
}

/** How many techniques are half-way up their levels, week by week: the range of the plan's runs, each policy's middle run. */
export function chart(c: Ink, runs: readonly Run[], mostWeeks: number, goal: number) {
  const inks: Record<Policy, string> = { plan: c.signal, random: c.faint, 'one-by-one': c.right }
  const policies = [...new Set(runs.map((r) => r.policy))]
  const weeks = Array.from({ length: mostWeeks + 1 }, (_, i) => i)
  const at = ({ days }: Run, week: number) =>
    days.findLast((d) => d.day <= 7 * week)?.halfway ?? (week === 0 ? 0 : (days.at(-1)?.halfway ?? 0))
  const sorted = (policy: Policy, week: number) =>
    runs
      .filter((r) => r.policy === policy)
      .map((r) => at(r, week))
      .sort((a, b) => a - b)
  const edge = {
    x: weeks,
    mode: 'lines',
    line: { width: 0, shape: 'hv' },
    hoverinfo: 'skip',
    showlegend: false,
  }
  return {
    traces: [
      { ...edge, y: weeks.map((w) => sorted('plan', w).at(-1)) },
      {
        ...edge,
        y: weeks.map((w) => sorted('plan', w)[0]),
        name: 'from the slowest run to the quickest',
        showlegend: true,
        fill: 'tonexty',
        fillcolor: `${c.signal}22`,
      },
      ...policies.map((policy) => ({
        x: weeks,
        y: weeks.map((w) => {
          const its = sorted(policy, w)
          return its[its.length >> 1]
        }),
        name: policies.length > 1 ? POLICY_NAMES[policy] : 'the middle run',
        mode: 'lines',
        line: { shape: 'hv', width: 2, dash: DASHES[policy], color: inks[policy] },
      })),
    ],
    layout: {
      xaxis: axis(c, { title: { text: 'weeks' }, range: [0, mostWeeks] }),
      yaxis: axis(c, { title: { text: 'techniques half-way up' }, dtick: 1, range: [0, goal + 0.1] }),
      margin: { l: 56, r: 12, t: 8, b: 48 },
    },
  }
}
