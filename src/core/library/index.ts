import { airPages } from './air-pages'
import { electricPages } from './electric-pages'
import type { LibraryPage } from './page'

export type { LibraryPage, Told } from './page'
export * from './questions'

/** The answers, by the ids of their questions. */
export const answers: readonly LibraryPage[] = [...electricPages, ...airPages]
