/**
 * How often a random property is tried: so many times where everybody waits for it, and as many times more by hand as
 * `PYRAXIS_OFTEN` says (`PYRAXIS_OFTEN=10 npm run test:unit`).
 */
export const often = (times: number): number => Math.ceil(times * Number(process.env.PYRAXIS_OFTEN ?? 1))
