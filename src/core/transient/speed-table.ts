/** Nodes over a fan's speed, from standing to a little above what any regulator gives it. */
const NODES = 80
const TOP = 1.3
const PER_NODE = (NODES - 1) / TOP

/**
 * A quantity over a fan's relative speed, one row for each leg's travel or engine speed; straight between its nodes. A
 * node is worked out when a run first comes by it: a fan that is switched on and off passes few of them.
 */
export class SpeedTable {
  private readonly values: Float64Array

  /**
   * @param rows how many rows
   * @param compute the quantity at a row and a relative speed
   */
  constructor(
    rows: number,
    private readonly compute: (row: number, speed: number) => number,
  ) {
    this.values = new Float64Array(rows * NODES).fill(Number.NaN)
  }

  private node(row: number, i: number): number {
    const at = row * NODES + i
    let value = this.values[at]!
    if (value !== value) {
      value = this.compute(row, i / PER_NODE)
      this.values[at] = value
    }
    return value
  }

  at(row: number, speed: number): number {
    const x = speed <= 0 ? 0 : speed * PER_NODE
    if (x >= NODES - 1) return this.node(row, NODES - 1)
    const i = x | 0
    const from = this.node(row, i)
    const share = x - i
    return share === 0 ? from : from + (this.node(row, i + 1) - from) * share
  }
}

/**
 * Rows for values that a duty passes through: each by itself where they are few, else evenly spread ones.
 * @returns the rows' values, and for each value its row
 */
export function rowsFor(
  values: readonly number[],
  most = 60,
): { readonly rows: readonly number[]; readonly rowOf: (value: number) => number } {
  const own = [...new Set(values)].sort((a, b) => a - b)
  if (own.length <= most) {
    const index = new Map(own.map((v, i) => [v, i]))
    return { rows: own, rowOf: (v) => index.get(v) ?? 0 }
  }
  const [low, high] = [own[0]!, own[own.length - 1]!]
  const rows = Array.from({ length: most }, (_, i) => low + ((high - low) * i) / (most - 1))
  return { rows, rowOf: (v) => Math.min(most - 1, Math.max(0, Math.round(((v - low) / (high - low)) * (most - 1)))) }
}
