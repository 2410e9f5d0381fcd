import { patiently, type Store } from './patience'

export interface Machine {
  readonly id: string
  readonly name: string
  readonly kind: string
  readonly owner: string
}

/** Every machine that has been in, newest first. */
export const listMachines = ({ db, file }: Store): Promise<Machine[]> =>
  patiently(file, () =>
    db.selectFrom('machines').select(['id', 'name', 'kind', 'owner']).orderBy('created_at', 'desc').execute(),
  )
