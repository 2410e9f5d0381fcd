/** What a sum in steps comes to, all of it at once. */
export const made = <T>(steps: Generator<unknown, T>): T => {
  let step = steps.next()
  while (!step.done) step = steps.next()
  return step.value
}
