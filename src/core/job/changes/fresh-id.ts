/** an id that nothing in the list has yet */
export const freshId = (stem: string, list: readonly { readonly id: string }[]): string => {
  let n = list.length + 1
  while (list.some((e) => e.id === `${stem}${n}`)) n++
  return `${stem}${n}`
}
