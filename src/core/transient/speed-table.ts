/** Nodes over a fan's speed, from standing to a little above what any regulator gives it. */
const NODES = 80
const TOP = 1.3
const PER_NODE = (NODES - 1) / TOP

/**
 * A quantity over a fan's relative speed, one row for each leg's travel or engine speed; straight between its nodes.
 * Built once for a run, so that no search stands inside the integration.
 */
export class SpeedTable {
  private readonly values: Float64Array

  /**
   * @param rows how many rows
   * @param compute the quantity at a row and a relative speed
   */
  constructor(rows: number, compute: (row: number, speed: number) => number) {
    this.values = new Float64Array(rows * NODES)
    for (let row = 0; row < rows; row++) for (let i = 0; i < NODES; i++) this.values[row * NODES + i] = compute(row, i / PER_NODE)
  }

  at(row: number, speed: number): number {
    const x = Math.min(Math.max(speed, 0) * PER_NODE, NODES - 1.000001)
    const i = Math.floor(x)
    const from = this.values[row * NODES + i]!
    return from + (this.values[row * NODES + i + 1]! - from) * (x - i)
  }
}

/**
 * Rows for values that a duty passes through: each by itself where they are few, else evenly spread ones.
 * @returns the rows' values, and for each value its row
 */
export function rowsFor(values: readonly number[], most = 60): { readonly rows: readonly number[]; readonly rowOf: (value: number) => number } {
  const own = [...new Set(values)].sort((a, b) => a - b)
  if (own.length <= most) {
    const index = new Map(own.map((v, i) => [v, i]))
    return { rows: own, rowOf: (v) => index.get(v) ?? 0 }
  }
  const [low, high] = [own[0]!, own[own.length - 1]!]
  const rows = Array.from({ length: most }, (_, i) => low + ((high - low) * i) / (most - 1))
  return { rows, rowOf: (v) => Math.min(most - 1, Math.max(0, Math.round(((v - low) / (high - low)) * (most - 1)))) }
}
