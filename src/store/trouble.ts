import { say } from '../core/words'

/** Something wrong with the database file, in words a mechanic can act on. */
export class StoreTrouble extends Error {
  constructor(
    message: string,
    readonly kind: 'locked' | 'read-only' | 'newer' | 'broken' | 'missing' | 'full',
  ) {
    super(message)
    this.name = 'StoreTrouble'
  }
}

const code = (error: unknown): string =>
  typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : ''

export const isBusy = (error: unknown): boolean => /^SQLITE_(BUSY|LOCKED)/.test(code(error))

/** SQLite's codes as words. Anything else is passed on unchanged. */
export function asTrouble(error: unknown, file: string): unknown {
  const c = code(error)
  if (isBusy(error))
    return new StoreTrouble(
      say`Another program holds ${file} open for writing. Close it, then try again; nothing of yours is lost.`,
      'locked',
    )
  if (/^SQLITE_(READONLY|PERM)/.test(c) || c === 'EACCES' || c === 'EROFS')
    return new StoreTrouble(
      say`${file} may not be written. Check who owns the file and its folder, then try again.`,
      'read-only',
    )
  if (c.startsWith('SQLITE_NOTADB'))
    return new StoreTrouble(
      say`${file} is not a Pyraxis database, or it is damaged. Put back a copy with "npm run yard -- restore", which
        moves this one aside, or name another file in PYRAXIS_DB.`,
      'broken',
    )
  if (c.startsWith('SQLITE_CORRUPT'))
    return new StoreTrouble(
      say`A part of ${file} is damaged and cannot be read. Take all jobs out as a file first: what can still be read
        is in it, the rest is named. Then put back a copy with "npm run yard -- restore", which moves this one aside.`,
      'broken',
    )
  if (c === 'SQLITE_FULL' || c === 'ENOSPC' || c === 'EDQUOT')
    return new StoreTrouble(
      say`The disk that holds ${file} is full. Make room on it, then try again; what was saved before is there.`,
      'full',
    )
  if (/^SQLITE_(CANTOPEN|IOERR)/.test(c) || c === 'ENOENT' || c === 'ENOTDIR')
    return new StoreTrouble(
      say`${file} cannot be opened or written. Check that its folder exists and can be read.`,
      'missing',
    )
  return error
}
