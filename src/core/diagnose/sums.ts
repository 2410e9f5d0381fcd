/** Sum of what a function makes of each entry. */
export const sum = <T>(list: readonly T[], of: (entry: T, i: number) => number): number =>
  list.reduce((all, entry, i) => all + of(entry, i), 0)

/** 0, 1, … n − 1. */
export const range = (n: number): number[] => Array.from({ length: n }, (_, i) => i)
