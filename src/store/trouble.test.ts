import { asTrouble, isBusy, StoreTrouble } from './trouble'

test.each([
  ['SQLITE_BUSY', 'locked', /Another program/],
  ['SQLITE_LOCKED_SHAREDCACHE', 'locked', /Another program/],
  ['SQLITE_READONLY_DBMOVED', 'read-only', /may not be written/],
  ['EACCES', 'read-only', /who owns/],
  ['SQLITE_CORRUPT', 'broken', /damaged/],
  ['SQLITE_NOTADB', 'broken', /not a Pyraxis database/],
  ['SQLITE_FULL', 'full', /disk .* is full/],
  ['ENOSPC', 'full', /Make room/],
  ['ENOENT', 'missing', /folder/],
])('%s becomes words that name the file and what to do', (code, kind, words) => {
  const trouble = asTrouble(Object.assign(new Error('raw'), { code }), 'data/yard.db') as StoreTrouble
  expect(trouble).toBeInstanceOf(StoreTrouble)
  expect(trouble).toMatchObject({ kind, message: expect.stringMatching(words) as string })
  expect(trouble.message).toContain('data/yard.db')
})

test("what is not the store's trouble passes unchanged", () => {
  const error = new RangeError('something else')
  expect(asTrouble(error, 'x')).toBe(error)
  expect([isBusy(error), isBusy({ code: 'SQLITE_BUSY_SNAPSHOT' })]).toEqual([false, true])
})
