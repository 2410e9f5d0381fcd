import { type Pass, doorFileOf, opened } from '@/store/door-file'

/** Served to others in the shop's network, which is asked for at the start and never by itself. */
export const onNetwork = (): boolean => process.env.PYRAXIS_NETWORK === 'yes'

export const COOKIE = 'pyraxis_pass'
/** a session, days */
export const SESSION_DAYS = 30
export const DAY_MS = 86_400_000

/** as the store names it; the proxy opens no database */
export const doorFile = (): string => doorFileOf(process.env.PYRAXIS_DB || 'data/pyraxis.db')

/** What the bearer of a request may do; null: nothing. Where nobody else is let in, everybody is the mechanic. */
export const passOf = (cookie: string | undefined): Pass | null =>
  onNetwork() ? opened(doorFile(), cookie, Date.now()) : { role: 'mechanic', until: Infinity }

/** What anybody may ask for who has not been let in yet: the door itself, a link's own page, an icon. */
const OPEN = /^\/(door|words|owner\/[\w.-]+|api\/door|icon\.svg|manifest\.webmanifest|sw\.js)$/

/** Whether a path is answered to a bearer. */
export const isAnswered = (path: string, pass: Pass | null): boolean => OPEN.test(path) || pass?.role === 'mechanic'
