/** What came of something that can go wrong for a reason a person can act on: what it gave, or why not, in words. */
export type Result<T extends object> =
  ({ readonly ok: true } & Readonly<T>) | { readonly ok: false; readonly message: string }

/** @example notDone('no').ok //=> false */
export const notDone = (message: string): { readonly ok: false; readonly message: string } => ({ ok: false, message })
