interface Slidable {
  readonly lowestC: number
  readonly highestC: number
  readonly stepK: number
}

/** Where each key slides a collar to, °C: a step, five steps, or an end of what the controller can be set to. */
export const collarKeys = (at: number, { lowestC, highestC, stepK }: Slidable): Readonly<Record<string, number>> => ({
  ArrowUp: at + stepK,
  ArrowRight: at + stepK,
  ArrowDown: at - stepK,
  ArrowLeft: at - stepK,
  PageUp: at + 5 * stepK,
  PageDown: at - 5 * stepK,
  Home: lowestC,
  End: highestC,
})
