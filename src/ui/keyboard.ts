/** Whether a key pressed there goes into a field, so that it is not a command. */
export const typesInto = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || target.isContentEditable)

const UNTYPED = ['checkbox', 'radio', 'button', 'submit', 'file', 'range']

/**
 * Whether a field holds something typed that is not settled yet: then undo is the field's own. A choice is settled at
 * once.
 */
export function holdsDraft(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false
  const typed =
    target instanceof HTMLInputElement
      ? !UNTYPED.includes(target.type)
      : target instanceof HTMLTextAreaElement || target.isContentEditable
  return typed && target.dataset.draft !== 'no'
}
