import { calendarDay } from '@/core/units'

/** The calendar day of a moment: a browser in another zone than the server's shows the server's until it draws anew. */
export const Day = ({ at }: { readonly at: string }) => (
  <time dateTime={at} suppressHydrationWarning>
    {calendarDay(at)}
  </time>
)
