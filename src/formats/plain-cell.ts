/** A cell of a table as words: a spreadsheet would take what begins like this for a formula. */
export const plain = (cell: string): string => (/^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell)
