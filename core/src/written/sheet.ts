/** A sheet of paper on which a problem is worked in the usual way, as it stands after each step. */
import { present } from '../number/present.js'
import { type Load, NO_LOAD } from '../technique/facts.js'

/** A digit where it is written. */
export interface PaperCell {
  /** Columns from the right edge of the sheet, 0 the last. */
  readonly column: number
  readonly text: string
  /** Written in this very step. */
  readonly fresh: boolean
}

/** A line of written work. */
export interface PaperRow {
  /** What stands before it: "+", "−", "×", or a divisor. */
  readonly before: string
  /** Its digits, each in its column. */
  readonly cells: readonly PaperCell[]
  /** A decimal point stands before this many columns. */
  readonly decimals: number
  /** A line is drawn under it. */
  readonly line: boolean
  /** Carries, written small. */
  readonly small: boolean
}

export interface PaperStep extends Load {
  /** What is done, in a sentence. */
  readonly says: string
  /** The whole sheet once it is done. */
  readonly rows: readonly PaperRow[]
}

/** A problem worked on paper. */
export interface Worked {
  /** The sheet before anything is worked. */
  readonly before: readonly PaperRow[]
  readonly steps: readonly PaperStep[]
}

interface Line {
  before: string
  readonly cells: Map<number, string>
  decimals: number
  line: boolean
  readonly small: boolean
}

/** The sheet while it is written on. */
export class Sheet implements Worked {
  before: readonly PaperRow[] = []
  private readonly lines: Line[] = []
  private fresh = new Set<string>()
  readonly steps: PaperStep[] = []

  /** A new row. @returns its number, by which it is written to. */
  row(given: Partial<Omit<Line, 'cells'>> = {}): number {
    const { before = '', decimals = 0, line = false, small = false } = given
    this.lines.push({ before, decimals, line, small, cells: new Map() })
    return this.lines.length - 1
  }

  /** A new row with a number in it. @param end the column of its last digit */
  number(n: bigint, given: Partial<Omit<Line, 'cells'>> = {}, end = 0): number {
    const row = this.row(given)
    // A number with decimals has at least a 0 before the point.
    this.text(row, n.toString().padStart((given.decimals ?? 0) + 1 - end, '0'), end)
    return row
  }

  /** Digits into a row, the last of them at a column. */
  text(row: number, digits: string, end: number): void {
    for (const [i, digit] of [...digits].reverse().entries()) {
      present(this.lines[row]).cells.set(end + i, digit)
      this.fresh.add(`${row}/${end + i}`)
    }
  }

  change(row: number, given: Partial<Pick<Line, 'line' | 'decimals' | 'before'>>): void {
    Object.assign(present(this.lines[row]), given)
  }

  /** What was written since the last step is one step. */
  done(says: string, load: Load = NO_LOAD): void {
    this.steps.push({ ...load, says, rows: this.snapshot() })
    this.fresh = new Set()
  }

  private snapshot(): readonly PaperRow[] {
    return this.lines.map(({ cells, ...line }, row) => ({
      ...line,
      cells: [...cells].map(([column, text]) => ({
        column,
        text,
        fresh: this.fresh.has(`${row}/${column}`),
      })),
    }))
  }

  /** The numbers stand there: nothing of them is new. */
  begun(): void {
    this.fresh = new Set()
    if (this.steps.length === 0) this.before = this.snapshot()
  }

  /** The row begun last. */
  get last(): number {
    return this.lines.length - 1
  }
}
