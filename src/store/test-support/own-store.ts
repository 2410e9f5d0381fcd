import { mkdtempSync, rmSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { openStore, type Store } from '..'

/** An empty yard in a file of its own for each test, gone after it. @returns the one of the test that runs */
export function ownStore(): () => Store {
  let folder: string
  let store: Store
  beforeEach(async () => {
    folder = mkdtempSync(path.join(os.tmpdir(), 'pyraxis-'))
    store = await openStore(path.join(folder, 'yard.db'))
  })
  afterEach(async () => {
    await store.db.destroy()
    rmSync(folder, { recursive: true, force: true })
  })
  return () => store
}
