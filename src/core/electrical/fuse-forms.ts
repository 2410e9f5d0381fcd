/** Shapes that fuses and breakers come in, with the ratings that each is made in, A. @see engineering §1.4 */
export const fuseForms = {
  blade: { name: 'blade fuse', ratings: [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 40] },
  'mini blade': { name: 'mini blade fuse', ratings: [2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30] },
  'large blade': { name: 'large blade fuse', ratings: [20, 25, 30, 35, 40, 50, 60, 70, 80, 100] },
  glass: { name: 'glass tube fuse', ratings: [1, 2, 3, 5, 7.5, 10, 15, 20, 25, 30] },
  'bolt-down': { name: 'bolt-down fuse', ratings: [30, 40, 50, 60, 70, 80, 100] },
  breaker: { name: 'breaker', ratings: [5, 7.5, 10, 15, 20, 25, 30, 35, 40, 50, 60, 70, 80, 100] },
} as const satisfies Record<string, { readonly name: string; readonly ratings: readonly number[] }>

export type FuseForm = keyof typeof fuseForms

export const fuseFormNames = Object.keys(fuseForms) as [FuseForm, ...FuseForm[]]

/**
 * The form in which a rating is made: the one that is there, else the usual one, else the next larger.
 * @example formFor(50, 'blade') //=> 'large blade'
 */
export function formFor(ratingA: number, present: FuseForm = 'blade'): FuseForm {
  const made = (form: FuseForm): boolean => (fuseForms[form].ratings as readonly number[]).includes(ratingA)
  return [present, 'blade' as const, 'large blade' as const].find(made) ?? present
}
