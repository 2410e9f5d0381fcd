/** Whether a key pressed there goes into a field, so that it is not a command. */
export const typesInto = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || target.isContentEditable)

/** Whether a field holds something typed that is not settled yet: then undo is the field's own. */
export const holdsDraft = (target: EventTarget | null): boolean =>
  typesInto(target) && (target as HTMLElement).dataset.draft !== 'no'
