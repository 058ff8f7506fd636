/** Runs of a trial over time: as a chart, and as a sheet to keep. */
import { fixedWords } from '@tachymetra/core/number'
import type { Sheet } from '@tachymetra/core/report'
import type { Recipe, Trial, TrialResult, TrialStanding } from '@tachymetra/core/set'
import { count, resultWords, scoreWords } from '@tachymetra/core/words'
import { axis, type Ink } from '../charts/axis.js'
import { when } from '../words/words.js'

/** One run of a trial, with what it came to. */
export interface Run {
  readonly id: string
  readonly startedAt: string
  readonly recipe: Recipe
  readonly result: TrialResult
}

/** A score without its unit. */
export const shortScore = (score: number, unit: Trial['unit']): string =>
  unit === 'points' ? String(score) : fixedWords(score)

/** Best, usual, and where half of the runs lie. */
export function standingLines(trial: Trial, { runs, best, median, spread }: TrialStanding): string[] {
  const { unit } = trial
  return [
    `${count(runs, 'run')}: best ${scoreWords(best, unit)}, usually ${scoreWords(median, unit)}.`,
    ...(spread
      ? [`Half of them lie between ${shortScore(spread[0], unit)} and ${scoreWords(spread[1], unit)}.`]
      : []),
  ]
}

const MOST_TICKS = 5

const dayOf = (at: string, timeZone: string) =>
  new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone }).format(new Date(at))

/** Each whole run as a dot of a line, the median across it, and a band in which half of them lie. */
export function trialChart(
  c: Ink,
  trial: Trial,
  runs: readonly Run[],
  { median, spread }: TrialStanding,
  timeZone: string,
) {
  const x = runs.map((_, i) => i + 1)
  const apart = Math.ceil(runs.length / MOST_TICKS)
  const named = x.filter((n) => (runs.length - n) % apart === 0)
  const across = (y: number) => ({ x: [0.4, runs.length + 0.6], y: [y, y], mode: 'lines' })
  return {
    traces: [
      ...(spread
        ? [
            { ...across(spread[0]), line: { width: 0 }, showlegend: false, hoverinfo: 'skip' },
            {
              ...across(spread[1]),
              name: 'half of them',
              line: { width: 0 },
              fill: 'tonexty',
              fillcolor: `${c.line}99`,
              hoverinfo: 'skip',
            },
          ]
        : []),
      { ...across(median), name: 'usually', line: { color: c.faint, dash: 'dash', width: 1.5 } },
      {
        x,
        y: runs.map((r) => r.result.score),
        name: trial.unit === 'points' ? 'points' : 'right a minute',
        mode: 'lines+markers',
        line: { color: c.signal, width: 2 },
        marker: { size: 9, color: c.signal, symbol: 'square' },
      },
    ],
    layout: {
      xaxis: axis(c, {
        tickangle: 0,
        rangemode: 'normal',
        range: [0.4, runs.length + 0.6],
        tickvals: named,
        ticktext: named.map((n) => dayOf(runs[n - 1]!.startedAt, timeZone)),
      }),
      yaxis: axis(c, { title: { text: trial.unit === 'points' ? 'points' : 'right a minute' } }),
    },
  }
}

/** The runs of a trial as a table, the newest first. */
export function runTable(trial: Trial, runs: readonly Run[], timeZone: string) {
  return {
    title: `Runs of ${trial.name}`,
    columns: ['When', trial.unit === 'points' ? 'Points' : 'Right a minute', 'Result'],
    rows: runs
      .toReversed()
      .map(({ startedAt, result }) => [
        when(startedAt, timeZone),
        result.whole ? shortScore(result.score, trial.unit) : 'not all worked',
        resultWords(result.right, result.of, result.ms),
      ]),
  }
}

/** What is kept on paper of a learner's runs. */
export function trialSheet(
  name: string,
  trial: Trial,
  runs: readonly Run[],
  standing: TrialStanding,
  timeZone: string,
  day: string,
): Sheet {
  return {
    title: `${name}: ${trial.name}, ${day}`,
    day,
    lines: [trial.about, ...standingLines(trial, standing)],
    tables: [runTable(trial, runs, timeZone)],
  }
}
