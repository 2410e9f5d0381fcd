/** where a fact about a part was found */
export const factSources = ['on the box', 'in the sheet', 'measured', 'the seller said'] as const
