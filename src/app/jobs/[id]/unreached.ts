/** What is said where the server does not answer: of a change, which is tried again, and of a signature. */
export const unreached = 'Pyraxis does not answer; it is tried again.'
export const unsigned = 'Pyraxis does not answer. Nothing was signed; try again.'
