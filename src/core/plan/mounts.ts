/** Ways of holding a fan on a core. A new way is a new entry. */
export const mounts = {
  ties: {
    name: 'ties through the fins', coreComesOff: false,
    fasten: 'Foam pads on the corners, four ties through the gaps between tubes, drawn evenly; trim the ends and turn the cut ends away from the fins.',
    check: 'Ties stand less shaking than a bracket: look at them after the first hour.',
  },
  bracket: {
    name: "bracket on the core's side channels", coreComesOff: true,
    fasten: 'Longest screw = bracket + washer + channel − 1 mm. Threadlocker, by hand until it bites; 2.5 N·m where the maker says nothing (a guess).',
    check: 'No screw touches a tube.',
  },
  shroud: {
    name: 'shroud over the core', coreComesOff: true,
    fasten: 'Edge trim all round: an open gap lets the fan breathe from behind itself.',
    check: 'No gap at the edge, blades free of the rim.',
  },
} as const
export type Mount = keyof typeof mounts
