/** What falls due on a day or has been due before. @param today calendar day, 2026-01-31 */
export const dueOn = (
  { care }: { readonly care: readonly { readonly what: string; readonly dueOn: string }[] },
  today: string,
): string[] => care.filter((c) => c.dueOn <= today).map((c) => c.what)
