import type { Palette } from '../theme.js'

/** The colours a chart is drawn in: those of day or of night. */
export type Ink = Palette

/** Axes as rules: a line with ticks outside, no grid. */
export function axis(c: Ink, more: object = {}): object {
  return {
    showgrid: false,
    zeroline: false,
    showline: true,
    linewidth: 2,
    linecolor: c.ink,
    ticks: 'outside',
    tickcolor: c.ink,
    rangemode: 'tozero',
    ...more,
  }
}
