/** What calls a fan that was fitted by somebody else. */
export const foundCallers = ['thermostat with a probe', 'thermo-switch in the coolant', 'hand switch'] as const
export type FoundCaller = (typeof foundCallers)[number]

export const foundFeeds = ['battery', 'key switch', 'accessory block', 'existing plug'] as const
export type FoundFeed = (typeof foundFeeds)[number]
