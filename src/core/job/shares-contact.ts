import type { Run } from './document'

/** Whether two fans hang on one and the same contact: one relay, or one controller behind one fuse. */
export const sharesContact = (a: Run, b: Run): boolean =>
  a.switchedBy === b.switchedBy &&
  (a.switchedBy === 'relay'
    ? a.relay !== null && a.relay === b.relay
    : a.controller !== null && a.controller === b.controller && a.fuse === b.fuse)
