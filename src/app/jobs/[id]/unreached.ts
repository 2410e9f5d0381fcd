import { say } from '@/core/words'

/** What is said where the server does not answer: of a change, which is tried again, and of a signature. */
export const unreached = say`Pyraxis does not answer; it is tried again.`
export const unsigned = say`Pyraxis does not answer. Nothing was signed; try again.`
